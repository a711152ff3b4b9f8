import type { Bout, Footage } from '@lean-mentor/contract';
import type { DeskDocument, Note, StageView } from '@lean-mentor/core/desk';
import type { FrameTable } from '@lean-mentor/core/footage';
import { createContext, useContext, type Context } from 'react';
import { useNow, type DecodedFrames, type FramePlayer, type PlayerState } from '../footage/index.ts';
import type { DeskSubject } from './api.ts';
import type { BoutHere } from './coding/useCodedBouts.ts';
import type { DeskActions } from './useDesk.ts';

/** What lies on the desk: it changes with every edit. */
export interface DeskContents {
  /** Of the footage on the stage. */
  document: DeskDocument;
  /** Of all footage of the request. */
  whole: DeskDocument;
  /** Of the footage on the stage, by their first frame. */
  notes: readonly Note[];
  /** The bouts of the footage with what is coded of them here. */
  bouts: readonly BoutHere[];
}

/** How the picture is looked at. */
export interface AsSeen {
  view: StageView;
  mirrored: boolean;
}

/** What everything on the desk works on: the footage on the stage, and what can be done. It stays the same while one edits. */
export interface DeskScene {
  subject: DeskSubject;
  footage: Footage;
  table: FrameTable;
  /** Nothing comes after the table’s last frame; else the rest is being made ready. */
  isWhole: boolean;
  /** Pixels of the review copy. */
  size: { width: number; height: number };
  secondsAt: (frame: number) => number;
  player: FramePlayer | null;
  frames: DecodedFrames | null;
  boutAt: (frame: number) => Bout | undefined;
  /** Whether the action is out of the picture on a frame, as the movement in it was read. */
  isLost: (frame: number) => boolean;
  actions: DeskActions;
  /** What is on the desk at this moment; for acting, not for showing. */
  contents: () => DeskContents;
  /** Which part of the picture is seen, and whether mirrored; for acting, not for showing. The stage says it. */
  asSeen: () => AsSeen;
  sees: (as: AsSeen) => void;
  /** Goes to a frame and, where one is named, opens the note. */
  go: (frame: number, noteId: string | null) => void;
  /** Goes to a moment of any footage of the request. */
  goToMoment: (footageId: string, atSeconds: number) => void;
}

const scene = createContext<DeskScene | null>(null);
export const DeskSceneProvider = scene.Provider;
const contents = createContext<DeskContents | null>(null);
export const DeskContentsProvider = contents.Provider;

function useAround<T>(context: Context<T | null>): T {
  const present = useContext(context);
  if (!present) throw new Error('There is no desk around this.');
  return present;
}
export const useScene = (): DeskScene => useAround(scene);
/** What lies on the desk, for showing: whatever uses it is redrawn with every edit. */
export const useContents = (): DeskContents => useAround(contents);

/** A part of what is on the stage now. */
export const useOnStage = <T>(part: (state: PlayerState) => T): T => useNow(useScene().player, part);
export const useFrame = (): number => useOnStage((state) => state.frame);
