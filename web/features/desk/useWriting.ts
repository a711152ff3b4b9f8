import { causeFault, linkedThings, type Note } from '@lean-mentor/core/desk';
import { useMemo } from 'react';
import { toast } from 'sonner';
import type { DeskScene } from './DeskScene.ts';
import { newId } from './newId.ts';
import { useLatestState } from './useLatestState.ts';
import { nothingWritten, opened, rangeMarked, rangeTo, written, type WritingState } from './writingSteps.ts';

export interface WritingControls extends WritingState {
  /** The note that is open, as it is written down; undefined before its first word. */
  note: Note | undefined;
  /** Opens the line for a note on the present frame, or on the range that was begun. */
  write: () => void;
  /** Opens a note that is there; null closes. */
  open: (noteId: string | null) => void;
  close: () => void;
  /** Drops a mark on the present frame. */
  dropMark: () => void;
  /** Begins a range here, or ends the one that was begun and marks it. */
  markRange: () => void;
  /** The open mark on the present frame is let go; false when there is none. */
  letGo: () => boolean;
  /** Picks the cause of the open note, or stops picking. */
  link: () => void;
  /** Says that the open note was caused by something: a note, or what is coded. */
  pickCause: (causeId: string) => void;
  /** Says that the open note led to something coded. */
  pickEffect: (effectId: string) => void;
  /** The range that was begun, to the present frame; null where none was. */
  rangeHere: () => { fromFrame: number; toFrame: number } | null;
  /** Lets go of a range that was begun. */
  dropRange: () => void;
}

type Given = Pick<DeskScene, 'subject' | 'player' | 'actions' | 'contents'> & { footageId: string; notes: Readonly<Record<string, Note>> };

/** Which note is open, and how one is begun. `notes`: those of the footage, for showing the open one. */
export function useWriting({ subject, player, footageId, notes, actions, contents }: Given): WritingControls {
  const [state, now, set] = useLatestState(nothingWritten);
  const note = state.writing ? notes[state.writing.noteId] : undefined;
  const doings = useMemo(() => {
    const frame = (): number => player?.snapshot().frame ?? 0;
    const markHere = () => Object.values(contents().document.marks).find((mark) => mark.state === 'open' && mark.atFrame === frame());
    const open = (noteId: string | null): void => set(opened(now(), noteId ? contents().document.notes[noteId] : undefined));
    return {
      open,
      close: () => open(null),
      write: () => {
        if (!player) return;
        player.pause();
        const here = contents().notes.find(({ fromFrame }) => fromFrame === frame());
        set(written(now(), { frame: frame(), footageId, note: here, mark: markHere(), newId: newId(), focus: Date.now() }));
      },
      dropMark: () => actions.dropMark({ footageId, atFrame: frame(), toFrame: null }),
      markRange: () => {
        const { state: next, range } = rangeMarked(now(), frame());
        set(next);
        if (range) actions.dropMark({ footageId, atFrame: range[0], toFrame: range[1] });
      },
      letGo: () => {
        const mark = markHere();
        if (mark) actions.letGoOfMark(mark.id);
        return Boolean(mark);
      },
      rangeHere: () => {
        const { range } = now();
        if (!range) return null;
        const [fromFrame, toFrame] = rangeTo(range.fromFrame, frame());
        return { fromFrame, toFrame };
      },
      dropRange: () => set({ ...now(), range: null }),
    };
  }, [player, footageId, actions, contents, now, set]);
  const { footages } = subject.request;
  return useMemo<WritingControls>(() => {
    /** Whether two things can be linked; says why not. */
    const canLink = (effectId: string, causeId: string): boolean => {
      const fault = causeFault(linkedThings(contents().whole), footages, effectId, causeId);
      if (fault) toast.warning(fault);
      return !fault;
    };
    return {
      ...state,
      ...doings,
      note,
      link: () => {
        if (note) set({ ...now(), linking: !now().linking });
        else toast('Open the note first; then pick what caused it.');
      },
      pickCause: (causeId) => {
        if (!note || !canLink(note.id, causeId)) return;
        actions.change('note', note.id, { causes: [...note.causes, causeId] });
        set({ ...now(), linking: false });
      },
      pickEffect: (effectId) => {
        if (note && canLink(effectId, note.id)) actions.change('note', note.id, { ledTo: [...note.ledTo, effectId] });
      },
    };
  }, [state, doings, note, footages, contents, actions, now, set]);
}
