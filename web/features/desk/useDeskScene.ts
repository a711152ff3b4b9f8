import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Footage } from '@lean-mentor/contract';
import { wholePicture } from '@lean-mentor/core/desk';
import { boutAtFrame, frameAtSeconds, reviewSize, secondsOfEdge, secondsOfFrame, timeSlack } from '@lean-mentor/core/footage';
import { useSearchParams } from 'react-router';
import { useAccount } from '../access/index.ts';
import { useDecodedFrames, useMotion, usePlayer, useTakenCopy, type Copy } from '../footage/index.ts';
import type { DeskSubject } from './api.ts';
import { useCodedBouts, type Coder } from './coding/useCodedBouts.ts';
import type { AsSeen, DeskContents, DeskScene } from './DeskScene.ts';
import { useDeskActions, useDeskPart } from './useDesk.ts';
import { useDeskOfFootage } from './useDeskOfFootage.ts';
import { useWriting, type WritingControls } from './useWriting.ts';

export interface DeskGiven {
  subject: DeskSubject;
  footage: Footage;
  /** What is there of its review copy. */
  copy: Copy;
  /** The copy’s address no longer loads. */
  askAgain: () => void;
}

interface Pictures {
  source: string | undefined;
  /** The picture could not be loaded. */
  onFault: () => void;
  takeVideo: (video: HTMLVideoElement | null) => void;
  takeCanvas: (canvas: HTMLCanvasElement | null) => void;
  /** Why frames cannot be decoded here; null where they can. */
  fault: string | null;
}

/** What is on the desk now, to show (`contents`) and to act upon (`now`). */
function useDeskContents({ footage }: DeskGiven, coder: Coder): { contents: DeskContents; now: () => DeskContents } {
  const whole = useDeskPart((desk) => desk.document);
  const document = useDeskOfFootage(whole, footage.id);
  const notes = useMemo(() => Object.values(document.notes).sort((a, b) => a.fromFrame - b.fromFrame), [document.notes]);
  const bouts = useCodedBouts(footage.bouts, document, coder);
  const contents = useMemo(() => ({ document, whole, notes, bouts }), [document, whole, notes, bouts]);
  const latest = useRef(contents);
  useEffect(() => {
    latest.current = contents;
  });
  return { contents, now: useCallback(() => latest.current, []) };
}

/** Whoever is at the desk. */
export function useCoder(): Coder {
  const account = useAccount();
  return useMemo(
    () => ({ id: account?.id ?? '', name: account?.name ?? '', isCoach: account?.role === 'coach' }),
    [account?.id, account?.name, account?.role],
  );
}

/** The footage on the stage, what is on the desk of it, and which note is open. */
export function useDeskScene(
  given: DeskGiven,
  coder: Coder,
): { scene: DeskScene; contents: DeskContents; writing: WritingControls; pictures: Pictures } {
  const { subject, footage } = given;
  const { contents, now } = useDeskContents(given, coder);
  const actions = useDeskActions();
  const [video, takeVideo] = useState<HTMLVideoElement | null>(null);
  const [canvas, takeCanvas] = useState<HTMLCanvasElement | null>(null);
  const [first] = useState(given.copy.table);
  const player = usePlayer(video, first);
  const { copy, takeNow } = useTakenCopy(player, given.copy);
  const { table, address: source } = copy;
  const size = useMemo(() => reviewSize({ width: footage.width ?? 1280, height: footage.height ?? 720 }), [footage.width, footage.height]);
  const { frames, fault } = useDecodedFrames({ player, canvas, address: source, table, ...size });
  const motion = useMotion(footage);
  useEffect(() => player?.setLulls(motion?.lulls ?? []), [player, motion]);

  const writing = useWriting({ subject, player, footageId: footage.id, notes: contents.document.notes, actions, contents: now });
  const { open } = writing;
  const go = useCallback(
    (frame: number, noteId: string | null): void => {
      player?.goTo(frame);
      open(noteId);
    },
    [player, open],
  );
  const isLost = useCallback(
    (frame: number) => motion?.lost.some(({ fromFrame, toFrame }) => fromFrame <= frame && frame < toFrame) ?? false,
    [motion],
  );
  const { asSeen, sees } = useAsSeen();
  const goToMoment = useMoments({ footage, table, player, go });
  const { askAgain } = given;
  // An earlier part of it may be gone by now: what is there is shown instead, and where all of it is, its address is asked for anew.
  const onFault = useCallback(() => (takeNow(), askAgain()), [takeNow, askAgain]);
  const scene = useMemo<DeskScene>(
    () => ({
      subject,
      footage,
      table,
      isWhole: copy.whole,
      size,
      isLost,
      player,
      frames,
      actions,
      go,
      goToMoment,
      contents: now,
      asSeen,
      sees,
      secondsAt: (frame) => secondsOfEdge(table, frame),
      boutAt: (frame) => boutAtFrame(footage.bouts, frame),
    }),
    [subject, footage, table, copy.whole, size, isLost, player, frames, actions, go, goToMoment, now, asSeen, sees],
  );
  return { scene, contents, writing, pictures: { source, onFault, takeVideo, takeCanvas, fault } };
}

/** How the picture is looked at, as the stage last said. */
function useAsSeen(): Pick<DeskScene, 'asSeen' | 'sees'> {
  const seen = useRef<AsSeen>({ view: wholePicture, mirrored: false });
  return { asSeen: useCallback(() => seen.current, []), sees: useCallback((as) => void (seen.current = as), []) };
}

/** The way to a moment of any footage of the request; the one that the address names is gone to when the desk opens. */
function useMoments({ footage, table, player, go }: Pick<DeskScene, 'footage' | 'table' | 'player' | 'go'>): DeskScene['goToMoment'] {
  const [search, setSearch] = useSearchParams();
  const arriveAt = Number(search.get('at') ?? 0);
  const arriveAtFrame = Number(search.get('frame') ?? 0);
  /** Seconds after that frame: where something stands in a bout of which only the start is known elsewhere. */
  const since = Number(search.get('since') ?? 0);
  const arrived = useRef('');
  useEffect(() => {
    if (!player || (arriveAt === 0 && arriveAtFrame === 0 && since === 0)) return;
    // Once for each address: when more of the footage comes, whoever has gone on stays where they are.
    const address = `${arriveAt} ${arriveAtFrame} ${since}`;
    if (arrived.current === address) return;
    arrived.current = address;
    const named = arriveAtFrame || frameAtSeconds(table, arriveAt);
    player.goTo(since > 0 ? frameAtSeconds(table, secondsOfFrame(table, named) + since + timeSlack) : named);
  }, [player, table, arriveAt, arriveAtFrame, since]);
  return useCallback(
    (footageId, atSeconds) => {
      if (footageId === footage.id) go(frameAtSeconds(table, atSeconds), null);
      else setSearch({ footage: footageId, at: String(atSeconds) });
    },
    [footage.id, go, setSearch, table],
  );
}
