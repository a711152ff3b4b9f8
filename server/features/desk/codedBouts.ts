import { codedBout, codingsOf, frameEventsOf, frameThreatsOf, type DeskChange } from '@lean-mentor/core/desk';
import { findBout, setBoutCoding } from '../footage/index.ts';
import { indexNotesOfFootage } from '../search/index.ts';
import type { Desk } from './deskRules.ts';

/** Codings that changes are about. What was taken away is named by what it was. */
function touchedCodings(
  changes: readonly DeskChange[],
  cutsAndEvents: Readonly<Record<string, { codingId: string } | undefined>>,
): Set<string> {
  const touched = new Set<string>();
  for (const { entity, id, before, after } of changes) {
    if (entity === 'coding') touched.add(id);
    else {
      const known = { ...before, ...after } as { codingId?: string };
      const codingId = cutsAndEvents[id]?.codingId ?? known.codingId;
      if (codingId) touched.add(codingId);
    }
  }
  return touched;
}

/** Writes the accepted coding of each bout that changes are about into the bout, so that lists, critique and history show it. */
export async function refreshCodedBouts(desk: Desk, changes: readonly DeskChange[]): Promise<void> {
  const { house, transaction } = desk;
  const document = await desk.document();
  for (const codingId of touchedCodings(changes, { ...document.cuts, ...document.events, ...document.threats })) {
    const coding = document.codings[codingId];
    if (!coding) continue;
    const [first] = codingsOf(document, coding.boutId);
    const bout = await findBout(house, coding.boutId, transaction);
    // Not accepted: the bout stays as it is.
    if (!bout || first?.id !== codingId || first.state !== 'accepted') continue;
    const { spans, events, threats } = codedBout(document, bout, first);
    const plain = spans.map(({ id: _id, ...span }) => span);
    await setBoutCoding(house, bout, { spans: plain, events: frameEventsOf(events), threats: frameThreatsOf(threats, bout) }, transaction);
    await indexNotesOfFootage(house, bout.footageId, transaction);
  }
}
