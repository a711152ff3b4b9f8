import type { Note } from '@lean-mentor/core/desk';
import type { Writing } from './writing.ts';

/** Which note is open, whether a range has begun, and whether the note waits for its cause to be picked. */
export interface WritingState {
  writing: Writing | null;
  /** A range that was begun with Shift and waits for its end. */
  range: { fromFrame: number } | null;
  linking: boolean;
}

export const nothingWritten: WritingState = { writing: null, range: null, linking: false };

/** What lies on the frame that is shown. */
export interface FrameHere {
  frame: number;
  footageId: string;
  /** The note that begins there. */
  note: Note | undefined;
  /** The open mark there. */
  mark: { id: string; toFrame: number | null } | undefined;
  /** For a note that is new, and for whoever waits to put the text under the hands. */
  newId: string;
  focus: number;
}

/** Opens a note that is there; nothing closes the one that is open. */
export const opened = (state: WritingState, note: Note | undefined): WritingState => ({
  ...state,
  linking: false,
  writing: note
    ? { noteId: note.id, footageId: note.footageId, atFrame: note.fromFrame, toFrame: note.toFrame, markId: note.markId, focus: 0 }
    : null,
});

/** The range that was begun, to the frame that is shown: from its first frame to the one after its last. */
export const rangeTo = (from: number, frame: number): [fromFrame: number, toFrame: number] => [
  Math.min(from, frame),
  Math.max(from, frame) + 1,
];

/** Opens the line for a note: on the range that was begun, or on the note or mark of this frame, or on the frame. */
export function written(state: WritingState, here: FrameHere): WritingState {
  const { frame, footageId, note, mark, newId, focus } = here;
  if (state.range) {
    const [atFrame, toFrame] = rangeTo(state.range.fromFrame, frame);
    return { linking: false, range: null, writing: { noteId: newId, footageId, atFrame, toFrame, markId: null, focus } };
  }
  const there = note ?? { id: newId, toFrame: mark?.toFrame ?? null, markId: mark?.id ?? null };
  return {
    linking: false,
    range: null,
    writing: { noteId: there.id, footageId, atFrame: frame, toFrame: there.toFrame, markId: there.markId, focus },
  };
}

/** Begins a range on a frame, or ends the one that was begun: then the range is answered, to be marked. */
export function rangeMarked(
  state: WritingState,
  frame: number,
): { state: WritingState; range: [fromFrame: number, toFrame: number] | null } {
  if (!state.range) return { state: { ...state, range: { fromFrame: frame } }, range: null };
  return { state: { ...state, range: null }, range: rangeTo(state.range.fromFrame, frame) };
}
