import { codedBout, codingsOf, frameEventsOf, type DeskChange } from '@lean-mentor/core/desk';
import type { Transaction } from 'sequelize';
import type { House } from '../../house/house.ts';
import { findBout, setBoutCoding } from '../footage/index.ts';
import { findDeskDocument } from './repository.ts';

const coded: ReadonlySet<DeskChange['entity']> = new Set(['coding', 'cut', 'event']);

/** Codings that changes are about. What was taken away is named by what it was. */
function touchedCodings(
  changes: readonly DeskChange[],
  cutsAndEvents: Readonly<Record<string, { codingId: string } | undefined>>,
): Set<string> {
  const touched = new Set<string>();
  for (const { entity, id, before, after } of changes) {
    if (!coded.has(entity)) continue;
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
export async function refreshCodedBouts(
  house: House,
  requestId: string,
  changes: readonly DeskChange[],
  transaction: Transaction,
): Promise<void> {
  if (!changes.some(({ entity }) => coded.has(entity))) return;
  const document = await findDeskDocument(house, requestId, transaction);
  for (const codingId of touchedCodings(changes, { ...document.cuts, ...document.events })) {
    const coding = document.codings[codingId];
    if (!coding) continue;
    const [first] = codingsOf(document, coding.boutId);
    const bout = await findBout(house, coding.boutId, transaction);
    // Not accepted: the bout stays as it is.
    if (!bout || first?.id !== codingId || first.state !== 'accepted') continue;
    const { spans, events } = codedBout(document, bout, first);
    const plain = spans.map(({ id: _id, ...span }) => span);
    await setBoutCoding(house, bout, { spans: plain, events: frameEventsOf(events) }, transaction);
  }
}
