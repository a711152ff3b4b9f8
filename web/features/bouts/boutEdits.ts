import { boutFields, type Bout, type BoutEdit } from '@lean-mentor/contract';

/**
 * What leads from the bouts the server has to those in hand, as edits of the versions it has. What is taken away or made smaller comes
 * first, so that no two overlap on the way. A new bout that lies where another one had lain takes along what was coded there.
 */
export function boutEdits(known: readonly Bout[], inHand: readonly Bout[]): BoutEdit[] {
  const knownById = new Map(known.map((bout) => [bout.id, bout]));
  const left = new Set(inHand.map(({ id }) => id));
  const gone = known
    .filter(({ id }) => !left.has(id))
    .map(({ id, version }): BoutEdit => ({ id, base: version, splitFrom: null, after: null }));
  const changed: BoutEdit[] = [];
  const added: BoutEdit[] = [];
  for (const bout of inHand) {
    const before = knownById.get(bout.id);
    const after = boutFields.parse(bout);
    if (!before) {
      const from = known.find(({ fromFrame, toFrame }) => fromFrame <= bout.fromFrame && bout.fromFrame < toFrame);
      added.push({ id: bout.id, base: 0, splitFrom: from && left.has(from.id) ? from.id : null, after });
    } else if (JSON.stringify(boutFields.parse(before)) !== JSON.stringify(after))
      changed.push({ id: bout.id, base: before.version, splitFrom: null, after });
  }
  // Added before what they are split from is cut: the server takes the coding from it as it stands.
  return [...gone, ...added, ...changed];
}
