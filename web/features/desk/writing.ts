import type { Note } from '@lean-mentor/core/desk';

/** A note being written or read: new until its first word. `focus` changes when the text should be put under the hands. */
export interface Writing {
  noteId: string;
  footageId: string;
  atFrame: number;
  toFrame: number | null;
  markId: string | null;
  focus: number;
}

/** What a note is before anything is said about it. */
export const blankNote = ({ noteId, footageId, atFrame, toFrame, markId }: Writing): Note => ({
  id: noteId, footageId, fromFrame: atFrame, toFrame, kind: 'mistake', layer: 'technical', athlete: 'client', seen: 'clear', severity: 2, what: '',
  instead: [], principleId: null, visible: 'client', causes: [], pairId: null, clipId: null, comparisonId: null, markId,
}); // prettier-ignore
