import type { DeskDocument } from '@lean-mentor/core/desk';

const mostLetters = 60;

/** What a chapter is about that begins when a note is opened: its principle, else the note itself. */
export const chapterOf = ({ notes }: Pick<DeskDocument, 'notes'>, noteId: string): string => notes[noteId]?.principleId ?? noteId;

/** What it is called: the principle, else what the note says first. */
export function chapterTitle({ notes, principles }: Pick<DeskDocument, 'notes' | 'principles'>, noteId: string): string {
  const note = notes[noteId];
  if (!note) return 'A new note';
  const named = note.principleId && principles[note.principleId]?.name;
  const [sentence = ''] = note.what.trim().split(/(?<=[.!?])\s/u);
  const words = named || sentence || 'This moment';
  return words.length > mostLetters ? `${words.slice(0, mostLetters - 1).trimEnd()}…` : words;
}
