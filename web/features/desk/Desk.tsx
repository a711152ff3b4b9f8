import { useCallback, useEffect, useMemo, useState } from 'react';
import type { Footage } from '@lean-mentor/contract';
import { deskOfFootage, stopsOf } from '@lean-mentor/core/desk';
import { boutAtFrame, frameAtSeconds, type FrameTable } from '@lean-mentor/core/footage';
import { useSearchParams } from 'react-router';
import { useFramePlayer, useGetMotionQuery, useViewing } from '../footage/index.ts';
import { RoundSheet } from '../scoring/index.ts';
import type { DeskSubject } from './api.ts';
import { DeskHead } from './DeskHead.tsx';
import { NoteArea } from './NoteArea.tsx';
import type { Writing } from './writing.ts';
import { noDrawing, type DrawingChoice } from './drawingChoice.ts';
import { Stage } from './Stage.tsx';
import { StageRow } from './StageRow.tsx';
import { newId } from './newId.ts';
import { useDeskActions, useDeskState } from './useDesk.ts';
import { useDeskKeys } from './useDeskKeys.ts';

/** The desk with its footage ready: stage left, round sheet right, the note below the stage. */
export function Desk({ subject, footage, table }: { subject: DeskSubject; footage: Footage; table: FrameTable }) {
  const { request, client } = subject;
  const whole = useDeskState().document;
  const document = useMemo(() => deskOfFootage(whole, footage.id), [whole, footage.id]);
  const actions = useDeskActions();
  const [video, setVideo] = useState<HTMLVideoElement | null>(null);
  const { player, now } = useFramePlayer(video, table);
  const bout = boutAtFrame(footage.bouts, now.frame);
  const { data: motion } = useGetMotionQuery(footage.id);
  const viewing = useViewing(footage.id);
  useEffect(() => player?.setLulls(motion?.lulls ?? []), [player, motion]);
  const [writing, setWriting] = useState<Writing | null>(null);
  const [drawing, setDrawing] = useState<DrawingChoice>(noDrawing);
  const [hidden, setHidden] = useState(false);

  const marks = useMemo(() => Object.values(document.marks).filter((mark) => mark.state === 'open'), [document.marks]);
  const notes = useMemo(() => Object.values(document.notes).sort((a, b) => a.fromFrame - b.fromFrame), [document.notes]);
  const sheetNotes = useMemo(
    () => notes.map((note) => ({ id: note.id, atFrame: note.fromFrame, kind: note.kind, words: note.what })),
    [notes],
  );
  const clientMarks = useMemo(
    () =>
      request.clientMarks
        .filter((mark) => mark.footageId === footage.id)
        .map(({ id, atSeconds, words }) => ({ id, atFrame: frameAtSeconds(table, atSeconds), words })),
    [request.clientMarks, footage.id, table],
  );
  const markHere = marks.find((mark) => mark.atFrame === now.frame);

  /** Opens the line for a note on the present frame: the note that stands there, or a new one, which a mark there becomes. */
  const write = useCallback((): void => {
    if (!player) return;
    player.pause();
    const { frame } = player.snapshot();
    const here = notes.find((note) => note.fromFrame === frame);
    setWriting({
      noteId: here?.id ?? newId(),
      footageId: footage.id,
      atFrame: frame,
      markId: here ? here.markId : (marks.find((m) => m.atFrame === frame)?.id ?? null),
      focus: Date.now(),
    });
  }, [player, notes, marks, footage.id]);

  const go = useCallback(
    (frame: number, noteId: string | null): void => {
      player?.goTo(frame);
      const note = noteId ? document.notes[noteId] : undefined;
      setWriting(note ? { noteId: note.id, footageId: note.footageId, atFrame: note.fromFrame, markId: note.markId, focus: 0 } : null);
    },
    [player, document.notes],
  );

  const [search, setSearch] = useSearchParams();
  /** A moment of this footage or of another one of the request. */
  const goToMoment = (footageId: string, atSeconds: number): void => {
    if (footageId === footage.id) go(frameAtSeconds(table, atSeconds), null);
    else setSearch({ footage: footageId, at: String(atSeconds) });
  };
  const arriveAt = Number(search.get('at') ?? 0);
  useEffect(() => {
    if (player && arriveAt > 0) player.goTo(frameAtSeconds(table, arriveAt));
  }, [player, table, arriveAt]);

  const goToStop = (direction: 1 | -1): void => {
    const stops = stopsOf(document);
    const stop = direction > 0 ? stops.find((frame) => frame > now.frame) : stops.findLast((frame) => frame < now.frame);
    if (stop !== undefined) go(stop, notes.find((note) => note.fromFrame === stop)?.id ?? null);
  };

  useDeskKeys({
    player,
    actions,
    write,
    goToStop,
    goToBurst: () => {
      const burst = motion?.bursts.find(({ fromFrame }) => fromFrame > now.frame);
      if (burst) go(burst.fromFrame, null);
    },
    dropMark: () => actions.dropMark(footage.id, now.frame),
    leave: () => (drawing.tool ? setDrawing((d) => ({ ...d, tool: null, selectedId: null })) : setWriting(null)),
    pickTool: (tool) => setDrawing((d) => ({ ...d, tool: tool ?? d.lastTool, lastTool: tool ?? d.lastTool, selectedId: null })),
    removeSelected: () => {
      if (!drawing.selectedId) return;
      actions.removeDrawing(drawing.selectedId);
      setDrawing((d) => ({ ...d, selectedId: null }));
    },
    hide: setHidden,
  });

  return (
    <div className="grid h-dvh min-h-[640px] grid-cols-[minmax(560px,800fr)_minmax(380px,480fr)] grid-rows-[48px_1fr] overflow-hidden">
      <DeskHead request={request} footage={footage} client={client} table={table} bout={bout} now={now} onMark={goToMoment} />
      <main className="flex min-h-0 flex-col border-r border-seam">
        <Stage
          source={viewing.addresses?.reviewCopy}
          onFault={viewing.askAgain}
          aspect={(footage.width ?? 16) / (footage.height ?? 9)}
          onSpaceDrag={() => player?.toggle()}
          takeVideo={setVideo}
          table={table}
          now={now}
          drawings={hidden ? [] : Object.values(document.drawings)}
          choice={drawing}
          onChoice={setDrawing}
          onDrawn={(drawn) => actions.addDrawing({ footageId: footage.id, ...drawn })}
        />
        {player && (
          <StageRow player={player} now={now} table={table} bout={bout} choice={drawing} onChoice={setDrawing} actions={actions} />
        )}
        <NoteArea
          key={writing?.noteId ?? 'none'}
          writing={writing}
          note={writing ? document.notes[writing.noteId] : undefined}
          mark={markHere}
          actions={actions}
          onWrite={write}
          onClose={() => setWriting(null)}
        />
      </main>
      <aside className="min-h-0 py-2 pr-3 pl-2">
        <RoundSheet
          table={table}
          bout={bout}
          atFrame={now.frame}
          marks={marks}
          clientMarks={clientMarks}
          motion={motion}
          selectedId={writing?.noteId ?? null}
          notes={sheetNotes}
          onGo={go}
        />
      </aside>
    </div>
  );
}
