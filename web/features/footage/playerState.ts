import type { Stretch } from '@lean-mentor/core/footage';

/** The ladder of speeds; below zero backwards, which needs decoded pictures. */
export const speeds = [-0.5, -0.25, 0.1, 0.25, 0.5, 0.75, 1, 1.5, 2] as const;

export interface PlayerState {
  /** The frame on the stage; while it is being fetched, the one it goes to. */
  frame: number;
  playing: boolean;
  speed: number;
  /** The picture on the stage is that frame. */
  settled: boolean;
  /** Where the picture comes from: the video element, or decoded frames. */
  picture: 'video' | 'decoded';
  /** Lulls are passed over while playing. */
  skipsLulls: boolean;
  /** The stretch that is played over and over. */
  loop: Stretch | null;
  /** A key is held and frames glide by. */
  gliding: boolean;
  /** It played to the end of what is there, and goes on when there is more. */
  waits: boolean;
}

/** Frames decoded ahead, and where they are shown. */
export interface DecodedPictures {
  /** Puts a frame on the stage at once; false while it is not decoded. */
  show: (frame: number) => boolean;
  aim: (frame: number, direction: 1 | -1) => void;
  whenThere: (frame: number) => Promise<boolean>;
}
