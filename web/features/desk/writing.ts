import { blankNote, type Note } from '@lean-mentor/core/desk';

/** A note being written or read: new until its first word. `focus` changes when the text should be put under the hands. */
export interface Writing {
  noteId: string;
  footageId: string;
  atFrame: number;
  toFrame: number | null;
  markId: string | null;
  focus: number;
}

/** The note that is being written, before its first word. */
export const newNote = ({ noteId, footageId, atFrame, toFrame, markId }: Writing): Note =>
  blankNote({ id: noteId, footageId, fromFrame: atFrame, toFrame, markId });
