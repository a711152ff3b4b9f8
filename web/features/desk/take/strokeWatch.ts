import type { Drawing, PicturePoint } from '@lean-mentor/core/desk';
import { strokeTimes, type SeenPoint, type Stroke } from '@lean-mentor/core/takes';

/** What is half drawn, and which drawings there are, at an instant of a take. */
export interface DrawnNow {
  draft: readonly PicturePoint[];
  drawings: Readonly<Record<string, Drawing>>;
}

/**
 * Watches drawings being made while a take is spoken. Looked at with every picture, it answers the stroke that has just been finished, and
 * when it was begun; null while there is none.
 */
export function strokeWatch(known: DrawnNow['drawings']): (t: number, now: DrawnNow) => { began: number; stroke: Stroke } | null {
  let seen: { began: number; points: SeenPoint[] } | null = null;
  let before = new Set(Object.keys(known));
  return (t, { draft, drawings }) => {
    if (draft.length > 0) {
      seen ??= { began: t, points: [] };
      const ms = Math.round((t - seen.began) * 1000);
      for (const { x, y } of draft.slice(seen.points.length)) seen.points.push({ x, y, ms });
      // What is pulled from one end to the other has its end moved.
      const [end, last] = [draft.at(-1)!, seen.points.at(-1)!];
      if (draft.length === 2 && (end.x !== last.x || end.y !== last.y)) seen.points[1] = { x: end.x, y: end.y, ms };
      return null;
    }
    const ids = Object.keys(drawings);
    const made = seen && ids.map((id) => drawings[id]!).find(({ id }) => !before.has(id));
    const found = seen && made ? { began: seen.began, stroke: strokeOf(made, seen.points) } : null;
    if (seen && !made) {
      // Given up, or not on the desk yet: a moment later it is.
      if (t - seen.began - (seen.points.at(-1)?.ms ?? 0) / 1000 > longestWait) seen = null;
    } else seen = null;
    if (!seen) before = new Set(ids);
    return found;
  };
}

/** A drawing is on the desk within this after it is finished, in seconds. */
const longestWait = 2;

const strokeOf = ({ id, tool, colour, weight, words, points }: Drawing, seen: readonly SeenPoint[]): Stroke => ({
  ...{ id, tool, colour, weight, words },
  points: strokeTimes(points, seen),
});
