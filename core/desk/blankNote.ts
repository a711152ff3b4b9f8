import type { Note } from './deskDocument.ts';

/** A note before anything is said about it: a mistake of the client, for the client to read. */
export const blankNote = (given: Pick<Note, 'id' | 'footageId' | 'fromFrame'> & Partial<Note>): Note => ({
  toFrame: null,
  kind: 'mistake',
  layer: 'technical',
  athlete: 'client',
  seen: 'clear',
  severity: 2,
  what: '',
  instead: [],
  principleId: null,
  visible: 'client',
  causes: [],
  ledTo: [],
  pairId: null,
  clipId: null,
  comparisonId: null,
  markId: null,
  fork: null,
  ...given,
});
