import { linkedThings, linksFault, type Linked } from '@lean-mentor/core/desk';
import { frameAtSeconds } from '@lean-mentor/core/footage';
import { useCallback, useMemo } from 'react';
import { toast } from 'sonner';
import { SoFarLine } from '../footage/index.ts';
import { RoundSheet, type SheetMotionData, type SheetNote, type Watched } from '../sheet/index.ts';
import { useControls } from './DeskControls.tsx';
import { useOnStage, useScene, useContents, type DeskScene } from './DeskScene.ts';
import { ProgressLine } from './ProgressLine.tsx';
import { awardsOnSheet, eventsOnSheet } from './score/onSheet.ts';
import { useScored } from './score/useScore.ts';
import { useSpokenOver } from './take/useSpokenOver.ts';

/** The notes of the stage's footage as they stand in the margin. */
function useNotesOnSheet(): SheetNote[] {
  const { notes } = useContents();
  return useMemo(
    () => notes.map(({ id, fromFrame, toFrame, kind, what, causes }) => ({ id, atFrame: fromFrame, toFrame, kind, words: what, causes })),
    [notes],
  );
}

/** Decisions before notes. */
function useForksOnSheet() {
  const { notes } = useContents();
  return useMemo(() => notes.flatMap(({ id, fork }) => (fork ? [{ noteId: id, fork }] : [])), [notes]);
}

/** What is coded on the stage's footage and linked to its notes. */
function useLinkedOnSheet(): Linked[] {
  const { document, notes } = useContents();
  return useMemo(() => {
    const named = new Set(notes.flatMap(({ causes }) => causes));
    return [...linkedThings(document).values()].filter(
      ({ entity, id, causes }) => entity !== 'note' && (causes.length > 0 || named.has(id)),
    );
  }, [document, notes]);
}

/** What plays on the stage, for the sheet to follow. */
const useWatched = (player: DeskScene['player']): Watched | undefined =>
  useMemo(
    () =>
      player
        ? {
            subscribe: player.subscribe,
            frame: () => player.snapshot().frame,
            moving: () => player.snapshot().playing || player.snapshot().gliding,
          }
        : undefined,
    [player],
  );

/** The round sheet beside the stage: everything of this footage, each thing at its instant. */
export function DeskSheet({ motion }: { motion: SheetMotionData | undefined }) {
  const writing = useControls('writing');
  const coding = useControls('coding');
  const selectedDrawing = useControls('drawing').choice.selectedId;
  const { subject, footage, table, isWhole, player, actions, go, boutAt } = useScene();
  const waits = useOnStage((state) => state.waits);
  const { document, whole, bouts } = useContents();
  const { scored } = useScored();
  const boutId = useOnStage((state) => boutAt(state.frame)?.id ?? null);
  const bout = bouts.find((here) => here.bout.id === boutId)?.bout;
  const score = scored.find(({ here }) => here.bout.id === boutId);
  const awards = useMemo(() => (score ? awardsOnSheet(score) : []), [score]);
  const events = useMemo(() => eventsOnSheet(bout?.events ?? []), [bout?.events]);
  const marks = useMemo(() => Object.values(document.marks).filter((mark) => mark.state === 'open'), [document.marks]);
  const looks = useMemo(() => Object.values(document.looks), [document.looks]);
  const drawings = useMemo(() => Object.values(document.drawings), [document.drawings]);
  const sheetNotes = useNotesOnSheet();
  const linked = useLinkedOnSheet();
  const forks = useForksOnSheet();
  const spoken = useSpokenOver();
  const { clientMarks, footages } = subject.request;
  const theirs = useMemo(
    () =>
      clientMarks
        .filter((mark) => mark.footageId === footage.id && (isWhole || mark.atSeconds < table.endSeconds))
        .map(({ id, atSeconds, words }) => ({ id, atFrame: frameAtSeconds(table, atSeconds), words })),
    [clientMarks, footage.id, table, isWhole],
  );
  const watched = useWatched(player);
  const { linking, pickCause } = writing;
  const goOrPick = useCallback(
    (frame: number, noteId: string | null): void => {
      if (linking && noteId) pickCause(noteId);
      else go(frame, noteId);
    },
    [linking, pickCause, go],
  );
  const moveFoot = useCallback(
    (noteId: string, atFrame: number): void => {
      const note = document.notes[noteId];
      if (!note) return;
      const toFrame = note.toFrame === null ? null : Math.min(table.times.length, note.toFrame + atFrame - note.fromFrame);
      const moved = { ...note, fromFrame: atFrame, toFrame };
      const things = linkedThings({ ...whole, notes: { ...whole.notes, [noteId]: moved } });
      const fault = linksFault(things, footages, noteId);
      if (fault) toast.warning(fault);
      else actions.change('note', noteId, { fromFrame: atFrame, toFrame });
    },
    [document.notes, whole, footages, actions, table],
  );
  const moveLife = useCallback(
    (id: string, life: { fromFrame: number; toFrame: number }): void => actions.change('drawing', id, life),
    [actions],
  );
  return (
    <aside className={`flex min-h-0 flex-col gap-1 py-1 pl-2 ${linking ? 'outline-2 -outline-offset-2 outline-pine' : ''}`}>
      {!isWhole && (
        <SoFarLine footage={footage} seconds={table.endSeconds}>
          {' Its bouts and its movement come with it.'}
          {waits && ' It plays on when there is more.'}
        </SoFarLine>
      )}
      <ProgressLine />
      <div className="min-h-0 grow">
        <RoundSheet
          pageSeconds={isWhole ? undefined : Math.max(table.endSeconds, footage.seconds ?? 0)}
          {...{ table, bout, marks, looks, drawings, motion, selectedDrawing, watched, awards, events, linked, spoken, forks }}
          clientMarks={theirs}
          notes={sheetNotes}
          selectedId={writing.writing?.noteId ?? null}
          onGo={goOrPick}
          onMoveFoot={moveFoot}
          onMoveLife={moveLife}
          onMoveEdge={coding.on ? coding.moveEdge : undefined}
        />
      </div>
    </aside>
  );
}
