import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Footage } from '@lean-mentor/contract';
import { boutAtFrame, frameAtSeconds, reviewSize, secondsOfFrame, type FrameTable } from '@lean-mentor/core/footage';
import { useSearchParams } from 'react-router';
import { useAccount } from '../access/index.ts';
import { useDecodedFrames, useGetMotionQuery, usePlayer, useViewing } from '../footage/index.ts';
import type { DeskSubject } from './api.ts';
import { PositionPalette } from './coding/PositionPalette.tsx';
import { useCodedBouts, type Coder } from './coding/useCodedBouts.ts';
import { useCoding } from './coding/useCoding.ts';
import { CompareTray } from './compare/CompareTray.tsx';
import { useTray } from './compare/useTray.ts';
import { DeskHead } from './DeskHead.tsx';
import { DeskSceneProvider, DeskThingsProvider, type DeskScene } from './DeskScene.ts';
import { DeskSheet } from './DeskSheet.tsx';
import { useDrawingHand } from './drawing/useDrawingHand.ts';
import { useMeasureHand } from './measure/useMeasureHand.ts';
import { NoteArea } from './NoteArea.tsx';
import { Stage } from './Stage.tsx';
import { StageRow } from './StageRow.tsx';
import { useDeskActions, useDeskPart } from './useDesk.ts';
import { useDeskOfFootage } from './useDeskOfFootage.ts';
import { ScorePanel } from './score/ScorePanel.tsx';
import { ScoreProvider, useScore } from './score/useScore.ts';
import { useDeskKeys } from './keys/useDeskKeys.ts';
import { keysOf, panelOf } from './inHand.ts';
import { useInHand } from './useInHand.ts';
import { useLooks } from './useLooks.ts';
import { usePhase } from './usePhase.ts';
import { useStops } from './useStops.ts';
import { useWriting } from './useWriting.ts';

/** The desk with its footage ready: stage left, round sheet right, the note below the stage. */
export function Desk({ subject, footage, table }: { subject: DeskSubject; footage: Footage; table: FrameTable }) {
  const whole = useDeskPart((desk) => desk.document);
  const document = useDeskOfFootage(whole, footage.id);
  const actions = useDeskActions();
  const [video, setVideo] = useState<HTMLVideoElement | null>(null);
  const [canvas, setCanvas] = useState<HTMLCanvasElement | null>(null);
  const player = usePlayer(video, table);
  const { data: motion } = useGetMotionQuery(footage.id);
  const viewing = useViewing(footage.id);
  const size = useMemo(() => reviewSize({ width: footage.width ?? 1280, height: footage.height ?? 720 }), [footage.width, footage.height]);
  const decoded = useDecodedFrames({ player, canvas, address: viewing.addresses?.reviewCopy, table, ...size });
  useEffect(() => player?.setLulls(motion?.lulls ?? []), [player, motion]);

  const notes = useMemo(() => Object.values(document.notes).sort((a, b) => a.fromFrame - b.fromFrame), [document.notes]);
  const phase = usePhase(subject.request.id);
  useLooks(player, footage.id, phase.phase, actions.noteLook);
  const writing = useWriting({ player, footageId: footage.id, document, notes, actions });
  const { open } = writing;
  const go = useCallback(
    (frame: number, noteId: string | null): void => {
      player?.goTo(frame);
      open(noteId);
    },
    [player, open],
  );

  const [search, setSearch] = useSearchParams();
  const goToMoment = useCallback(
    (footageId: string, atSeconds: number): void => {
      if (footageId === footage.id) go(frameAtSeconds(table, atSeconds), null);
      else setSearch({ footage: footageId, at: String(atSeconds) });
    },
    [footage.id, go, setSearch, table],
  );
  const arriveAt = Number(search.get('at') ?? 0);
  const arriveAtFrame = Number(search.get('frame') ?? 0);
  useEffect(() => {
    if (player && (arriveAt > 0 || arriveAtFrame > 0)) player.goTo(arriveAtFrame || frameAtSeconds(table, arriveAt));
  }, [player, table, arriveAt, arriveAtFrame]);

  const { frames } = decoded;
  const account = useAccount();
  const coder = useMemo<Coder>(
    () => ({ id: account?.id ?? '', name: account?.name ?? '', isCoach: account?.role === 'coach' }),
    [account?.id, account?.name, account?.role],
  );
  const bouts = useCodedBouts(footage.bouts, document, coder);
  const lying = useMemo(() => ({ document, whole, notes, bouts }), [document, whole, notes, bouts]);
  const latest = useRef(lying);
  useEffect(() => {
    latest.current = lying;
  });
  const scene = useMemo<DeskScene>(
    () => ({
      subject,
      footage,
      table,
      size,
      player,
      frames,
      actions,
      go,
      goToMoment,
      things: () => latest.current,
      secondsAt: (frame) => (frame >= table.times.length ? table.endSeconds : secondsOfFrame(table, frame)),
      boutAt: (frame) => boutAtFrame(footage.bouts, frame),
    }),
    [subject, footage, table, size, player, frames, actions, go, goToMoment],
  );

  const drawing = useDrawingHand(scene, document.drawings);
  const measuring = useMeasureHand(scene, document.measures);
  const tray = useTray(scene);
  const stops = useStops(scene, motion?.bursts ?? []);
  const coding = useCoding(scene, coder);
  const score = useScore(scene, bouts, document.overrides);
  const [scoreShown, setScoreShown] = useState(false);
  const toggleScore = useCallback(() => setScoreShown((shown) => !shown), []);
  const hands = { writing, drawing, measuring, coding, tray };
  const { inHand, leave } = useInHand({ ...hands, score: { shown: scoreShown, close: toggleScore } });
  useDeskKeys({ ...hands, scene, stops, toggleScore, leave, keysOf: keysOf(inHand) });
  const panel = panelOf(inHand);

  return (
    <DeskSceneProvider value={scene}>
      <DeskThingsProvider value={lying}>
        <ScoreProvider value={score}>
          <div className="grid h-dvh min-h-[640px] grid-cols-[minmax(560px,800fr)_minmax(380px,480fr)] grid-rows-[48px_1fr] overflow-hidden">
            <DeskHead />
            <main className="relative flex min-h-0 flex-col border-r border-seam">
              <Stage
                source={viewing.addresses?.reviewCopy}
                onFault={viewing.askAgain}
                decodes={frames !== null}
                takeVideo={setVideo}
                takeCanvas={setCanvas}
                drawing={drawing}
                measuring={measuring}
              />
              {player && (
                <StageRow fault={decoded.fault} drawing={drawing} measuring={measuring} tray={tray} coding={coding} onScore={toggleScore} />
              )}
              {panel === 'positions' && <PositionPalette coding={coding} />}
              {panel === 'score' && <ScorePanel coding={coding} onClose={toggleScore} />}
              {panel !== 'positions' && panel !== 'score' && (
                <NoteArea panel={panel} writing={writing} measuring={measuring} phase={phase} stops={stops} tray={tray} />
              )}
              {tray.shown && <CompareTray tray={tray} writing={writing} />}
            </main>
            <DeskSheet motion={motion} writing={writing} coding={coding} selectedDrawing={drawing.choice.selectedId} />
          </div>
        </ScoreProvider>
      </DeskThingsProvider>
    </DeskSceneProvider>
  );
}
