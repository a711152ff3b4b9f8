import { bout as boutSchema, type Bout } from '@lean-mentor/contract';
import { moveBout, renumbered, splitBout } from '@lean-mentor/core/footage';

/** The bouts of each footage of a request. */
export type BoutsOfDay = Readonly<Record<string, readonly Bout[]>>;

/**
 * The bouts of one footage in the place of those it had. Where they changed in number, all of the day are numbered anew and answered;
 * otherwise this footage's alone.
 */
export function withBouts(day: BoutsOfDay, footageId: string, next: readonly Bout[]): BoutsOfDay {
  if (next.length === day[footageId]?.length) return { [footageId]: next };
  const byFootage: BoutsOfDay = { ...day, [footageId]: next };
  const owner = new Map(Object.entries(byFootage).flatMap(([id, list]) => list.map((bout) => [bout.id, id] as const)));
  const all = renumbered(Object.values(byFootage).flat());
  return Object.fromEntries(Object.keys(byFootage).map((id) => [id, all.filter((bout) => owner.get(bout.id) === id)]));
}

/** A bout more, in the order of time, the last of the day until it is numbered. */
export function boutAdded(day: BoutsOfDay, footageId: string, room: { fromFrame: number; toFrame: number }, id: string): BoutsOfDay {
  const last = Math.max(0, ...Object.values(day).flatMap((list) => list.map(({ order }) => order)));
  const added = boutSchema.parse({ id, ...room, spans: [], order: last + 1 });
  return withBouts(
    day,
    footageId,
    [...(day[footageId] ?? []), added].sort((a, b) => a.fromFrame - b.fromFrame),
  );
}

/** One bout of a footage changed; whoever changes a proposed bout has accepted it. */
export const boutChanged = (day: BoutsOfDay, footageId: string, id: string, change: (bout: Bout) => Bout): BoutsOfDay =>
  withBouts(
    day,
    footageId,
    (day[footageId] ?? []).map((bout) => (bout.id === id ? { ...change(bout), proposed: false } : bout)),
  );

export const boutMoved = (day: BoutsOfDay, footageId: string, id: string, fromFrame: number, toFrame: number): BoutsOfDay =>
  boutChanged(day, footageId, id, (bout) => moveBout(bout, fromFrame, toFrame));

/** A bout in two at a frame within it. */
export const boutSplit = (day: BoutsOfDay, footageId: string, id: string, atFrame: number, newId: string): BoutsOfDay =>
  withBouts(
    day,
    footageId,
    (day[footageId] ?? []).flatMap((bout) => {
      const parts = bout.id === id ? splitBout(bout, atFrame, newId) : null;
      return parts ? parts.map((part) => ({ ...part, proposed: false })) : [bout];
    }),
  );
