import type { Stretch } from './motion/stretch.ts';

interface Coded extends Stretch {
  spans: readonly Stretch[];
}

/**
 * Spans made to tile a bout that now runs from `fromFrame` to `toFrame`: cut off at its edges, and the first and last stretched
 * to reach them. None stay none; none are left where nothing of them lies inside.
 */
export function fitSpans<S extends Stretch>(spans: readonly S[], fromFrame: number, toFrame: number): S[] {
  const inside = spans
    .map((span) => ({ ...span, fromFrame: Math.max(fromFrame, span.fromFrame), toFrame: Math.min(toFrame, span.toFrame) }))
    .filter((span) => span.toFrame > span.fromFrame);
  const [first] = inside;
  const last = inside[inside.length - 1];
  if (first) first.fromFrame = fromFrame;
  if (last) last.toFrame = toFrame;
  return inside;
}

/** A bout with its edges moved, its spans fitted. `toFrame` is kept at least one frame after `fromFrame`. */
export function moveBout<B extends Coded>(bout: B, fromFrame: number, toFrame: number): B {
  const end = Math.max(fromFrame + 1, toFrame);
  return { ...bout, fromFrame, toFrame: end, spans: fitSpans(bout.spans, fromFrame, end) };
}

/** A bout split in two at a frame inside it, the second with an id of its own; null when the frame is not inside. */
export function splitBout<B extends Coded & { id: string }>(bout: B, atFrame: number, newId: string): [B, B] | null {
  if (atFrame <= bout.fromFrame || atFrame >= bout.toFrame) return null;
  return [moveBout(bout, bout.fromFrame, atFrame), { ...moveBout(bout, atFrame, bout.toFrame), id: newId }];
}

/**
 * Where a bout may be put at a frame: from there for `frames`, cut short where the next one or the footage ends it; null where
 * another bout stands already.
 */
export function roomForBout(bouts: readonly Stretch[], atFrame: number, frames: number, frameCount: number): Stretch | null {
  if (atFrame < 0 || atFrame >= frameCount || bouts.some((b) => b.fromFrame <= atFrame && atFrame < b.toFrame)) return null;
  const next = Math.min(frameCount, ...bouts.map((b) => b.fromFrame).filter((from) => from > atFrame));
  return { fromFrame: atFrame, toFrame: Math.max(atFrame + 1, Math.min(next, atFrame + Math.max(1, frames))) };
}

/** Why bouts cannot stand together in a footage, in words, or null. Bouts may touch, not overlap. */
export function boutsFault(bouts: readonly Stretch[], frameCount: number): string | null {
  const sorted = [...bouts].sort((a, b) => a.fromFrame - b.fromFrame);
  for (const [i, { fromFrame, toFrame }] of sorted.entries()) {
    if (toFrame <= fromFrame) return `A bout ends at frame ${toFrame}, not after its start ${fromFrame}.`;
    if (toFrame > frameCount) return `A bout ends at frame ${toFrame}; the footage has ${frameCount} frames.`;
    const next = sorted[i + 1];
    if (next && next.fromFrame < toFrame) return `Two bouts overlap: one ends at frame ${toFrame}, the next begins at ${next.fromFrame}.`;
  }
  return null;
}
