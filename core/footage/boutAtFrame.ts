import type { Stretch } from './motion/stretch.ts';

/** The bout a frame belongs to: the one that holds it, else the last one begun before it, else the first. Bouts ascend. */
export function boutAtFrame<B extends Stretch>(bouts: readonly B[], frame: number): B | undefined {
  return bouts.findLast((bout) => bout.fromFrame <= frame) ?? bouts[0];
}
