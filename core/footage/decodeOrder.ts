/** Going on in the direction of travel is this much likelier than turning round: a frame behind counts as so many ahead. */
const behindCosts = 2;
/** These many frames on either side are always wanted: the next step may go either way. */
const always = 4;
/** A picture of the common 4:2:0 kind takes a byte and a half a pixel. */
const bytesPerPixel = 1.5;

/** How many decoded pictures of `width` × `height` pixels fit into `bytes`, at least 16. */
export const picturesWithin = (bytes: number, width: number, height: number): number =>
  Math.max(16, Math.floor(bytes / Math.max(1, width * height * bytesPerPixel)));

/** How far a frame is from being wanted: 0 is the one on the stage. `direction` is the way of travel. */
export function decodeCost(frame: number, at: number, direction: 1 | -1): number {
  const distance = Math.abs(frame - at);
  return distance <= always || Math.sign(frame - at) === direction ? distance : distance * behindCosts;
}

/**
 * The frames around `at` that are wanted at once, `most` of them where the footage has so many: from inclusive, to exclusive.
 * They reach further in the direction of travel, so that the dearest frames on both sides cost about the same.
 */
export function wantedFrames(at: number, direction: 1 | -1, most: number, count: number): { fromFrame: number; toFrame: number } {
  const onward = Math.ceil(((most - 1) * behindCosts) / (1 + behindCosts));
  const before = direction > 0 ? most - 1 - onward : onward;
  const fromFrame = Math.max(0, Math.min(at - before, count - most));
  return { fromFrame, toFrame: Math.min(count, fromFrame + most) };
}

/** The next frame to decode: of the wanted ones that are not there, the cheapest; null when all are there. */
export function nextToDecode(
  has: (frame: number) => boolean,
  at: number,
  direction: 1 | -1,
  wanted: { fromFrame: number; toFrame: number },
): number | null {
  let best: number | null = null;
  for (let frame = wanted.fromFrame; frame < wanted.toFrame; frame++)
    if (!has(frame) && (best === null || decodeCost(frame, at, direction) < decodeCost(best, at, direction))) best = frame;
  return best;
}

/** The frame to decode next where the order in which frames will be shown is known; null when all are there. */
export const nextOfOrder = (has: (frame: number) => boolean, order: readonly number[]): number | null =>
  order.find((frame) => !has(frame)) ?? null;

/** Which of the held frames to let go so that at most `most` stay: those that will not be shown, then those that come last. */
export function orderToDrop(held: readonly number[], order: readonly number[], most: number): number[] {
  if (held.length <= most) return [];
  const place = new Map(order.map((frame, i) => [frame, i]));
  return [...held].sort((a, b) => (place.get(b) ?? Infinity) - (place.get(a) ?? Infinity) || b - a).slice(0, held.length - most);
}

/** Which of the held frames to let go so that at most `most` stay: the dearest. */
export function framesToDrop(held: readonly number[], at: number, direction: 1 | -1, most: number): number[] {
  if (held.length <= most) return [];
  return [...held].sort((a, b) => decodeCost(b, at, direction) - decodeCost(a, at, direction)).slice(0, held.length - most);
}
