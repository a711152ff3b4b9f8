import {
  activityOf,
  BellFinder,
  cutsOf,
  frameFeatures,
  greyBytes,
  lostAction,
  nothingMoves,
  proposeBouts,
  qualityAdvice,
  SoundEnvelope,
  type FootageSound,
  type FrameFeatures,
  type FrameTable,
  type LostAction,
  type QualityAdvice,
  type SharpnessSample,
  type Stretch,
} from '@lean-mentor/core/footage';
import { picturesOf } from './pieces.ts';

/** What was read off a footage's movement and sound. */
export interface FootageMotion {
  /** How active each frame is: 0 as quiet as this footage gets, 1 as strong. */
  level: number[];
  lulls: Stretch[];
  bursts: Stretch[];
  lost: LostAction[];
  /** First frames of new shots. */
  cuts: number[];
  /** Seconds of the footage at which bells ring. */
  bells: number[];
  advice: QualityAdvice[];
}

/** Takes grey pictures and sound as ffmpeg writes them, in pieces of any size, and keeps a few numbers of each frame only. */
export class MotionReader {
  private readonly features: FrameFeatures[] = [];
  private readonly bells = new BellFinder();
  private readonly envelope = new SoundEnvelope();
  private before: Uint8Array | null = null;
  /** A sample cut in two between pieces. */
  private oddByte: number | null = null;

  readonly takePictures = picturesOf(greyBytes, (picture) => {
    this.features.push(frameFeatures(this.before, picture, this.features[this.features.length - 1]));
    this.before ??= new Uint8Array(greyBytes);
    this.before.set(picture);
  });

  /** Sound as 16-bit little-endian samples, mono, at `soundRate`. */
  readonly takeSound = (piece: Uint8Array): void => {
    const bytes = this.oddByte === null ? piece : Uint8Array.of(this.oddByte, ...piece);
    this.oddByte = bytes.length % 2 === 1 ? bytes[bytes.length - 1]! : null;
    const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.length);
    const samples = new Float32Array(bytes.length >> 1);
    for (let i = 0; i < samples.length; i++) samples[i] = view.getInt16(i * 2, true) / 32768;
    this.bells.add(samples);
    this.envelope.add(samples);
  };

  /** Everything read, once the footage is through, and the bouts it seems to hold. */
  finish(table: FrameTable, sharpness: readonly SharpnessSample[]): { motion: FootageMotion; sound: FootageSound; bouts: Stretch[] } {
    // A picture more or less at the end, as damaged files have it, must not shift what is said of the others.
    const features = table.times.map((_, frame) => this.features[frame] ?? nothingMoves);
    const secondsAt = (frame: number): number => table.times[frame] ?? table.endSeconds;
    const activity = activityOf(
      features.map((f) => f.motion),
      secondsAt,
    );
    const lost = lostAction(features, secondsAt);
    const cuts = cutsOf(features);
    const bells = this.bells.bells();
    return {
      motion: {
        level: Array.from(activity.level, (v) => Math.round(Math.min(1, Math.max(0, v)) * 100) / 100),
        lulls: activity.lulls,
        bursts: activity.bursts,
        lost,
        cuts,
        bells,
        advice: qualityAdvice({ features, lost, cuts, sharpness }, secondsAt),
      },
      sound: this.envelope.finish(),
      bouts: proposeBouts(table, activity, bells, cuts),
    };
  }
}
