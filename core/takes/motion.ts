import { frameAtSeconds, secondsOfFrame, timeSlack, type FrameIndex, type FrameTable, type Seconds } from '../footage/index.ts';

/** The frame that is seen at an instant of the voice, how far beyond its beginning (footage's seconds), and how fast it runs from there. */
export interface MotionFrom {
  t: Seconds;
  frame: FrameIndex;
  rate: number;
  into?: Seconds | undefined;
}

/** The second of the footage that a motion has come to; before its beginning and beyond its end where it would have run on. */
export const secondsOfMotion = ({ t, frame, rate, into = 0 }: MotionFrom, at: Seconds, table: FrameTable): Seconds =>
  secondsOfFrame(table, frame) + into + rate * (at - t);

/** The frame a motion has come to: by the footage's own frame times, resting at its ends. */
export const frameOfMotion = (motion: MotionFrom, at: Seconds, table: FrameTable): FrameIndex =>
  motion.rate === 0 ? motion.frame : frameAtSeconds(table, secondsOfMotion(motion, at, table) + timeSlack);
