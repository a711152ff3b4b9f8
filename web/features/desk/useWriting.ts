import { causeFault, type DeskDocument, type Note } from '@lean-mentor/core/desk';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { toast } from 'sonner';
import type { FramePlayer } from '../footage/index.ts';
import type { RangeBegun } from './DeskScene.ts';
import { newId } from './newId.ts';
import type { DeskActions } from './useDesk.ts';
import type { Writing } from './writing.ts';

export interface WritingHand {
  writing: Writing | null;
  /** The note that is open, as it is written down; undefined before its first word. */
  note: Note | undefined;
  range: RangeBegun | null;
  /** A note waits for its cause to be picked. */
  linking: boolean;
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
  pickCause: (noteId: string) => void;
  /** Lets go of a range that was begun. */
  dropRange: () => void;
}

interface Given {
  player: FramePlayer | null;
  footageId: string;
  document: DeskDocument;
  notes: readonly Note[];
  actions: DeskActions;
}

/** Which note is in hand, and how one is begun. */
export function useWriting({ player, footageId, document, notes, actions }: Given): WritingHand {
  const [writing, setWriting] = useState<Writing | null>(null);
  const [range, setRange] = useState<RangeBegun | null>(null);
  const [linking, setLinking] = useState(false);
  const note = writing ? document.notes[writing.noteId] : undefined;

  const latest = useRef(document);
  useEffect(() => {
    latest.current = document;
  });
  const open = useCallback((noteId: string | null): void => {
    const there = noteId ? latest.current.notes[noteId] : undefined;
    setLinking(false);
    setWriting(
      there
        ? {
            noteId: there.id,
            footageId: there.footageId,
            atFrame: there.fromFrame,
            toFrame: there.toFrame,
            markId: there.markId,
            focus: 0,
          }
        : null,
    );
  }, []);

  return useMemo<WritingHand>(() => {
    const at = (): number => player?.snapshot().frame ?? 0;
    const markHere = () => Object.values(document.marks).find((mark) => mark.state === 'open' && mark.atFrame === at());
    return {
      writing,
      note,
      range,
      linking,
      open,
      close: () => open(null),
      write: () => {
        if (!player) return;
        player.pause();
        const frame = at();
        const [from, to] = range ? [Math.min(range.fromFrame, frame), Math.max(range.fromFrame, frame) + 1] : [frame, null];
        const here = range ? undefined : notes.find((there) => there.fromFrame === frame);
        const mark = range ? undefined : markHere();
        setRange(null);
        setWriting({
          noteId: here?.id ?? newId(),
          footageId,
          atFrame: from,
          toFrame: here ? here.toFrame : (to ?? mark?.toFrame ?? null),
          markId: here ? here.markId : (mark?.id ?? null),
          focus: Date.now(),
        });
      },
      dropMark: () => actions.dropMark({ footageId, atFrame: at(), toFrame: null }),
      markRange: () => {
        if (!range) return setRange({ fromFrame: at() });
        const [from, to] = [Math.min(range.fromFrame, at()), Math.max(range.fromFrame, at()) + 1];
        actions.dropMark({ footageId, atFrame: from, toFrame: to });
        setRange(null);
      },
      letGo: () => {
        const mark = markHere();
        if (mark) actions.letGoOfMark(mark.id);
        return Boolean(mark);
      },
      link: () => {
        if (!note) return void toast('Open the note first; then pick what caused it.');
        setLinking((now) => !now);
      },
      pickCause: (causeId) => {
        if (!note) return;
        const fault = causeFault(Object.values(document.notes), note.id, causeId);
        if (fault) return void toast.warning(fault);
        actions.change('note', note.id, { causes: [...note.causes, causeId] });
        setLinking(false);
      },
      dropRange: () => setRange(null),
    };
  }, [writing, note, range, linking, open, player, document, notes, footageId, actions]);
}
