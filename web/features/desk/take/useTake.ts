import { drawingsAtFrame, type DeskTake, type Drawing } from '@lean-mentor/core/desk';
import type { DeskLook, FrameStretch, TakeDrawing } from '@lean-mentor/core/takes';
import { useEffect, useMemo, useRef, useSyncExternalStore } from 'react';
import { useDispatch } from 'react-redux';
import { baseApi } from '../../../shared/wire/index.ts';
import type { TrayControls } from '../compare/useTray.ts';
import type { DeskContents, DeskScene } from '../DeskScene.ts';
import type { DrawingControls } from '../drawing/useDrawing.ts';
import type { WritingControls } from '../useWriting.ts';
import { newId } from '../newId.ts';
import { useLatestState } from '../useLatestState.ts';
import { chapterOf, chapterTitle } from './chapterTitle.ts';
import { PieceKeeper } from './pieceKeeper.ts';
import { asUsual, needsOpening, wantedFor, type RecordedHow } from './recordedHow.ts';
import { strokeWatch } from './strokeWatch.ts';
import { TakeRecorder, type EarlierTake, type TakeState } from './takeRecorder.ts';
import { useRunningOrder, type OrderControls } from './useRunningOrder.ts';
import { openVoice } from './voice.ts';

export interface TakeControls {
  state: TakeState;
  /** Begins, pauses, goes on. */
  press: () => void;
  leave: () => void;
  /** Ends the take. */
  done: () => void;
  arm: (earlier: EarlierTake | null) => void;
  /** Begins a take that says a note. */
  sayNote: (noteId: string) => void;
  /** A chapter begins here. */
  chapter: () => void;
  isSpeaking: () => boolean;
  /** Whether a take is in hand that is spoken in order. */
  isOrdered: () => boolean;
  /** Seconds of the take so far, and loudness now: read with every picture, not shown by React. */
  seconds: () => number;
  /** What of the footage has been spoken over so far. */
  spokenOver: () => readonly FrameStretch[];
  level: () => number;
  /** With what it is recorded, and how that is changed. */
  how: RecordedHow;
  record: (fields: Partial<RecordedHow>) => void;
  /** What the camera sees; null while none is on. */
  seen: () => MediaStream | null;
  /** In what order things are said. */
  order: OrderControls;
}

interface Given {
  scene: DeskScene;
  contents: DeskContents;
  drawing: DrawingControls;
  writing: WritingControls;
  tray: TrayControls;
}

const withoutFootage = ({ footageId: _, ...drawing }: Drawing): TakeDrawing => drawing;

/** What is seen on the desk. Drawings are the same list as long as they are the same drawings. */
function lookOf(how: () => RecordedHow): (given: Given) => DeskLook {
  let shown: { of: Drawing[]; copies: TakeDrawing[] } = { of: [], copies: [] };
  return ({ scene, contents, drawing, writing, tray }) => {
    const { frame = 0, playing = false, speed = 1 } = scene.player?.snapshot() ?? {};
    const here = drawing.hidden ? [] : drawingsAtFrame(Object.values(contents.document.drawings), frame);
    const changed = here.length !== shown.of.length || here.some((one, i) => one !== shown.of[i]);
    if (changed) shown = { of: here, copies: here.map(withoutFootage) };
    const noteId = writing.writing?.noteId;
    return {
      ...scene.asSeen(),
      frame,
      rate: playing ? speed : 0,
      drawings: shown.copies,
      compare: tray.seen(),
      coach: how().coach,
      note: noteId ? { id: noteId, words: contents.document.notes[noteId]?.what ?? '' } : null,
    };
  };
}

/** What is given as it is now, for what runs between two drawings of the page. */
function useNow<T>(given: T): { readonly current: T } {
  const latest = useRef(given);
  useEffect(() => {
    latest.current = given;
  });
  return latest;
}

/** Recording a take at the desk: every tool goes on working, and what is done is written down as it happens. */
export function useTake(given: Given): TakeControls {
  const now = useNow(given);
  const dispatch = useDispatch();
  const [how, howNow, setHow] = useLatestState(asUsual);
  const { footage, player, actions, subject } = given.scene;
  const requestId = subject.request.id;
  const recorder = useMemo(() => {
    const look = lookOf(howNow);
    const takeOnDesk = (takeId: string) => now.current.contents.whole.takes[takeId];
    return new TakeRecorder({
      // Of footage that is still being made ready more comes while one speaks: the take goes on, over all that is there by then.
      table: {
        get times() {
          return now.current.scene.table.times;
        },
        get endSeconds() {
          return now.current.scene.table.endSeconds;
        },
      },
      open: (onLost) => openVoice(wantedFor(howNow()), onLost),
      keeper: (takeId, pieces, tell) => new PieceKeeper({ requestId, takeId }, pieces, tell),
      begun: (noteId) => {
        const id = newId();
        const take = { id, footageId: footage.id, ...saying(noteId, now.current), cuts: [], captions: [], chapters: [] };
        // No step to be taken back: what has been spoken is not undone with a key.
        actions.prepare((_, make) => [make.created('take', id, take)]);
        return id;
      },
      chapterBegan: (takeId, chapter) =>
        actions.prepare(({ takes }, make) => [make.patched('take', takeId, { chapters: [...(takes[takeId]?.chapters ?? []), chapter] })]),
      chapterRenamed: (takeId, before, title) =>
        actions.prepare(({ takes }, make) => {
          const chapters = takes[takeId]?.chapters ?? [];
          const last = chapters.findLastIndex((one) => one.title === before);
          return [make.patched('take', takeId, { chapters: chapters.map((one, i) => (i === last ? { ...one, title } : one)) })];
        }),
      saidAnew: (takeId, cut) => actions.change('take', takeId, { cuts: [...(takeOnDesk(takeId)?.cuts ?? []), cut] }),
      quiet: (on) => now.current.scene.player?.setSilent(on),
      look: () => look(now.current),
      finished: () => dispatch(baseApi.util.invalidateTags(['take'])),
    });
  }, [footage.id, requestId, actions, dispatch, now, howNow]);
  const state = useSyncExternalStore(recorder.subscribe, recorder.snapshot);
  // Leaving the desk ends the take and keeps it.
  useEffect(() => () => void recorder.done(), [recorder]);
  const speaking = state.phase === 'speaking';
  useLooking(recorder, player, now, speaking);
  const order = useRunningOrder(given);
  useChapters(given, order, speaking ? recorder : null);
  useOrderFollows(order, state.phase);
  return useMemo<TakeControls>(
    () => ({
      state,
      order,
      how,
      record: (fields) => {
        const before = howNow();
        setHow({ ...before, ...fields });
        if (needsOpening(before, howNow())) void recorder.reopen();
      },
      seen: recorder.seen,
      press: recorder.press,
      leave: recorder.leave,
      done: () => void recorder.done(),
      arm: (earlier) => void recorder.arm(earlier),
      sayNote: (noteId) => void recorder.sayNote(noteId),
      chapter: () => recorder.chapter(`Part ${takeChapters(now.current, state.takeId) + 1}`),
      isSpeaking: () => recorder.snapshot().phase === 'speaking',
      isOrdered: () => order.on && recorder.snapshot().phase !== 'away',
      seconds: recorder.seconds,
      spokenOver: recorder.spokenOver,
      level: recorder.level,
    }),
    [state, order, how, howNow, setHow, recorder, now],
  );
}

/** Looks at the desk with every picture of the screen for as long as something is said. */
function useLooking(recorder: TakeRecorder, player: DeskScene['player'], now: { readonly current: Given }, speaking: boolean): void {
  useEffect(() => {
    if (!speaking) return;
    const watch = strokeWatch(now.current.contents.document.drawings);
    let asked = 0;
    const each = (): void => {
      asked = requestAnimationFrame(each);
      const t = recorder.partNow();
      const { drawing, contents } = now.current;
      const made = t === null ? null : watch(t, { draft: drawing.draft, drawings: contents.document.drawings });
      if (made) recorder.stroke(made.began, made.stroke);
      recorder.lookNow();
    };
    each();
    // Frames are written down when they are shown, not with the next picture.
    const stop = player?.subscribe(recorder.lookNow);
    return () => {
      cancelAnimationFrame(asked);
      stop?.();
    };
  }, [speaking, recorder, player, now]);
}

/** What a new take is called, and which note it says. */
const saying = (noteId: string | null, { contents }: Given): Pick<DeskTake, 'title' | 'noteId'> =>
  noteId === null ? { title: '' } : { noteId, title: chapterTitle(contents.whole, noteId) };

/** Chapters begin with each step of the order and with each note that is opened besides; those of one fix are one chapter. */
function useChapters({ writing, contents }: Given, { now: step }: OrderControls, recorder: TakeRecorder | null): void {
  const noteId = writing.writing?.noteId ?? null;
  const inOrder = step !== null && (noteId === null || noteId === step.noteId);
  const title = inOrder ? step.title : noteId && chapterTitle(contents.whole, noteId);
  const of = inOrder ? step.part : noteId && chapterOf(contents.whole, noteId);
  useEffect(() => {
    if (title && of) recorder?.chapter(title, of);
  }, [recorder, title, of]);
}

/** The first step comes when speaking begins, and again with the next take. */
function useOrderFollows(order: OrderControls, phase: TakeState['phase']): void {
  const { on, at, step, reset } = order;
  useEffect(() => {
    if (phase === 'speaking' && on && at === null) step(1);
    if (phase === 'away' && at !== null) reset();
  }, [phase, on, at, step, reset]);
}

const takeChapters = ({ contents }: Given, takeId: string | null): number => (takeId && contents.whole.takes[takeId]?.chapters.length) || 0;
