import type { Look } from './deskDocument.ts';

interface Stretch {
  fromFrame: number;
  toFrame: number;
}

/**
 * How often each of `bins` equal stretches of a bout was looked at again after the first time. A bin counts a look that covers its middle.
 */
export function looksBack(looks: readonly Stretch[], { fromFrame, toFrame }: Stretch, bins: number): number[] {
  const counts = new Array<number>(bins).fill(0);
  const width = (toFrame - fromFrame) / bins;
  if (!(width > 0)) return counts;
  for (const look of looks) {
    const first = Math.max(0, Math.ceil((look.fromFrame - fromFrame) / width - 0.5));
    const end = Math.min(bins, Math.ceil((look.toFrame - fromFrame) / width - 0.5));
    for (let bin = first; bin < end; bin++) counts[bin]! += 1;
  }
  return counts.map((count) => Math.max(0, count - 1));
}

/** Share of a stretch that was looked at at least once, 0..1. */
export function lookedShare(looks: readonly Stretch[], { fromFrame, toFrame }: Stretch): number {
  if (toFrame <= fromFrame) return 0;
  let seen = 0;
  let end = fromFrame;
  for (const look of [...looks].sort((a, b) => a.fromFrame - b.fromFrame)) {
    const to = Math.min(look.toFrame, toFrame);
    seen += Math.max(0, to - Math.max(look.fromFrame, end));
    end = Math.max(end, to);
  }
  return seen / (toFrame - fromFrame);
}

/** How the work on a bout stands: how much was seen in the first look, and what is left of its marks. */
export interface Progress {
  firstShare: number;
  open: number;
  settled: number;
}

export function deskProgress(looks: readonly Look[], marks: readonly { state: 'open' | 'noted' | 'let-go' }[], bout: Stretch): Progress {
  const open = marks.filter((mark) => mark.state === 'open').length;
  return { firstShare: lookedShare(looks, bout), open, settled: marks.length - open };
}
