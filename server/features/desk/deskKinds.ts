import { deskTake } from '@lean-mentor/contract';
import type { DeskChange, DeskEntity } from '@lean-mentor/core/desk';
import type { House } from '../../house/house.ts';
import { indexNotes, indexTake } from '../search/index.ts';
import { refreshCodedBouts } from './codedBouts.ts';
import {
  bookAtTheDesk,
  boutHere,
  compared,
  fixed,
  forkOfNote,
  framesWithin,
  gone,
  isAssistant,
  links,
  markOfThisDesk,
  matOfThisDesk,
  named,
  names,
  ofCoding,
  onThisDesk,
  ownCoding,
  realCoder,
  realStretches,
  type Desk,
  type Rule,
} from './deskRules.ts';
import { book, columns, shared, type DeskStore } from './deskStores.ts';

interface ServedKind {
  store: DeskStore;
  /**
   * Who may change it, on what, and what it may name; whoever sends the edit and however. As strict as the operation that does the same
   * elsewhere.
   */
  mayEdit: readonly Rule[];
  /** Brings up to date what is made from such things elsewhere, after a lot of edits of this kind. */
  afterwards?: (desk: Desk, changes: readonly DeskChange[]) => Promise<void>;
}

const reindex = ({ house, transaction }: Desk, changes: readonly DeskChange[]): Promise<void> =>
  indexNotes(house, [...new Set(changes.map(({ id }) => id))], transaction);
/** Takes are found by what is said in them, as it is written down. */
async function reindexTakes(desk: Desk, changes: readonly DeskChange[]): Promise<void> {
  const { house, requestId, transaction } = desk;
  for (const id of new Set(changes.map((change) => change.id))) {
    const found = await desk.thing('take', id);
    const take = found && deskTake.parse(found.thing);
    await indexTake(house, { id, requestId, take }, transaction);
  }
}
const ofACoding = {
  store: shared,
  mayEdit: [fixed('footageId', 'codingId'), framesWithin, ofCoding, ownCoding],
  afterwards: refreshCodedBouts,
};

/** What the server knows of each kind of thing on a desk; what it is made of stands in contract/desk.ts. */
export const deskKinds: Readonly<Record<DeskEntity, ServedKind>> = {
  mark: { store: columns('mark', ({ db }: House) => db.marks as never, [['atFrame', 'ASC']]), mayEdit: [fixed('footageId'), framesWithin] },
  note: {
    store: columns('note', ({ db }: House) => db.notes as never, [['fromFrame', 'ASC']]),
    mayEdit: [
      fixed('footageId'),
      framesWithin,
      forkOfNote,
      markOfThisDesk,
      names('principleId', gone('principle'), named('principle')),
      names('pairId', 'The other note of this pair is not one of this client.', named('note-of-client')),
      names('clipId', gone('clip'), named('clip')),
      names('comparisonId', gone('comparison'), onThisDesk('comparison')),
      links,
    ],
    afterwards: reindex,
  },
  drawing: {
    store: columns('drawing', ({ db }: House) => db.drawings as never, [['made', 'ASC']]),
    mayEdit: [fixed('footageId'), framesWithin],
  },
  measure: { store: shared, mayEdit: [fixed('footageId'), framesWithin, matOfThisDesk] },
  comparison: { store: shared, mayEdit: [compared] },
  look: { store: shared, mayEdit: [fixed('footageId'), framesWithin] },
  principle: { store: book, mayEdit: [bookAtTheDesk] },
  conflict: {
    store: shared,
    mayEdit: [({ change }) => (change.after === null ? null : 'Conflicts are found by the server, not made.')],
  },
  coding: {
    store: shared,
    mayEdit: [fixed('footageId', 'boutId', 'coderId', 'coderName'), realCoder, ownCoding, names('boutId', gone('bout'), boutHere)],
    afterwards: refreshCodedBouts,
  },
  cut: ofACoding,
  event: ofACoding,
  threat: ofACoding,
  take: {
    store: shared,
    mayEdit: [fixed('footageId', 'noteId'), framesWithin, realStretches, names('noteId', gone('note'), onThisDesk('note'))],
    afterwards: reindexTakes,
  },
  override: {
    store: shared,
    mayEdit: [
      (edit) => (isAssistant(edit) ? 'Only the coach corrects the score.' : null),
      fixed('footageId', 'boutId'),
      framesWithin,
      names('boutId', gone('bout'), boutHere),
    ],
  },
};
