import { frameAtSeconds, type FrameTable } from '../frameTable.ts';
import type { Activity } from './activity.ts';
import type { Stretch } from './stretch.ts';

/** A bout is at least and at most this long, in seconds. */
const shortest = 20;
const longest = 20 * 60;
/** Between two bells lies a bout, not a rest, where this share of the frames is more than quiet. */
const activeShare = 0.1;
const activeLevel = 0.16;
/** Without bells, a pause this long, in seconds, parts two bouts. */
const pauseSeconds = 40;

/**
 * Bouts that footage seems to hold, ascending; the coach accepts, moves or adds to them. The whole footage where nothing is told
 * apart. None runs on over a cut (`cuts`: first frames of new shots).
 */
export function proposeBouts(table: FrameTable, activity: Activity, bells: readonly number[], cuts: readonly number[] = []): Stretch[] {
  return uncutBouts(table, activity, bells).flatMap((bout) => {
    const inside = cuts.filter((cut) => cut > bout.fromFrame && cut < bout.toFrame);
    const edges = [bout.fromFrame, ...inside, bout.toFrame];
    const parts = edges.slice(1).map((toFrame, i) => ({ fromFrame: edges[i]!, toFrame }));
    const long = parts.filter((part) => isLong(table, part));
    return long.length > 0 ? long : [bout];
  });
}

const isLong = (table: FrameTable, { fromFrame, toFrame }: Stretch): boolean =>
  table.times[toFrame - 1]! - table.times[fromFrame]! >= shortest;

function uncutBouts(table: FrameTable, activity: Activity, bells: readonly number[]): Stretch[] {
  const { level, bursts } = activity;
  const whole = [{ fromFrame: 0, toFrame: table.times.length }];
  const isActive = ({ fromFrame, toFrame }: Stretch): boolean => {
    let active = 0;
    for (let frame = fromFrame; frame < toFrame; frame++) if (level[frame]! > activeLevel) active++;
    return active >= activeShare * (toFrame - fromFrame);
  };
  const frameAt = (seconds: number): number => frameAtSeconds(table, seconds);

  const rung = bells.slice(1).flatMap((end, i) => {
    const start = bells[i]!;
    const stretch = { fromFrame: frameAt(start), toFrame: frameAt(end) };
    return end - start >= shortest && end - start <= longest && isActive(stretch) ? [stretch] : [];
  });
  if (rung.length > 0) return rung;

  if (bursts.length === 0) return whole;
  const parts: Stretch[] = [];
  for (const { fromFrame, toFrame } of bursts) {
    const last = parts[parts.length - 1];
    if (last && table.times[fromFrame]! - table.times[last.toFrame - 1]! < pauseSeconds) last.toFrame = toFrame;
    else parts.push({ fromFrame, toFrame });
  }
  // A single bell says where the first one begins or the last one ends, whichever it is nearer to.
  const [bell] = bells;
  if (bell !== undefined) {
    const at = frameAt(bell);
    const [first, last] = [parts[0]!, parts[parts.length - 1]!];
    if (Math.abs(at - first.fromFrame) <= Math.abs(at - last.toFrame)) first.fromFrame = Math.min(at, first.toFrame - 1);
    else last.toFrame = Math.max(at, last.fromFrame + 1);
  }
  const long = parts.filter((part) => isLong(table, part));
  return long.length > 0 ? long : whole;
}
