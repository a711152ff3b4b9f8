/** The shapes in which the coach may be seen in a corner of the stage while speaking. */
export const coachShapes = ['round', 'square'] as const;
export type CoachShape = (typeof coachShapes)[number];

/** Side of that picture as it is kept, in pixels, and how many of them a second. */
export const coachSide = 240;
export const coachRate = 25;

/** Its side, and its distance to the edges, as shares of the shorter side of the stage. */
const [sideShare, edgeShare] = [0.26, 0.03];

/** Where the coach is seen: at the foot, on the right, in the units of `size`. */
export function coachCorner({ width, height }: { width: number; height: number }): { x: number; y: number; side: number } {
  const short = Math.min(width, height);
  const side = sideShare * short;
  return { x: width - side - edgeShare * short, y: height - side - edgeShare * short, side };
}

/**
 * Of a picture that is taken `coachRate` times a second which ones are left when all but some stretches are cut out: of each stretch its
 * first, and the one after its last. What is left is as long as the voice that is left, however many cuts there are.
 */
export function coachPictures(stretches: readonly { from: number; to: number }[]): { first: number; end: number }[] {
  let heard = 0;
  return stretches.map(({ from, to }) => {
    const begins = Math.round(heard * coachRate);
    heard += to - from;
    const first = Math.round(from * coachRate);
    return { first, end: first + Math.round(heard * coachRate) - begins };
  });
}
