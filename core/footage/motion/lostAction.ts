import { greyWidth, pictureEdges, type FrameFeatures, type PictureEdge } from './frameFeatures.ts';
import { quantileOf, stretchesAbove, type Stretch } from './stretch.ts';

/** The camera has turned away when its view is moved by these shares of the picture's width from where it looks most. */
const away = { enter: 0.7, leave: 0.6, leastSeconds: 0.4 };
/** Bodies stand at an edge when this share of what moves within a second lies in the band along it. */
const atEdge = { share: 0.8, windowSeconds: 1, leastSeconds: 2 };
/** What moves less than this share of the footage's strong motion (its 0.9 quantile) does not say where the bodies are. */
const telling = { share: 0.2, quantile: 0.9 };

/** A stretch in which the action is out of the picture, and at which edge it went. */
export interface LostAction extends Stretch {
  edge: PictureEdge;
}

type SecondsAt = (frame: number) => number;

/** A hand-held camera that turned away: its sideways movement, added up frame by frame, is far from the footage's median. */
function turnedAway(features: readonly Pick<FrameFeatures, 'shiftX'>[], secondsAt: SecondsAt): LostAction[] {
  const path = new Float64Array(features.length);
  let at = 0;
  features.forEach(({ shiftX }, frame) => (path[frame] = at += shiftX));
  const middle = quantileOf(path.slice().sort(), 0.5);
  const turned = path.map((x) => Math.abs(x - middle) / greyWidth);
  return stretchesAbove(turned, away, secondsAt).map((stretch) => {
    // The picture moves left when the camera turns right: the action goes out on the left.
    const x = path[Math.floor((stretch.fromFrame + stretch.toFrame) / 2)]!;
    return { ...stretch, edge: x < middle ? 'left' : 'right' };
  });
}

/**
 * Bodies that left a camera which stands still: what moved last lay along one edge, and nothing tells of them until something
 * moves away from that edge again; or they move along the edge all the while, half of them outside.
 */
function walkedOut(features: readonly Pick<FrameFeatures, 'motion' | 'edges'>[], secondsAt: SecondsAt): LostAction[] {
  const strong = quantileOf(Float64Array.from(features, (f) => f.motion).sort(), telling.quantile);
  const least = strong * telling.share;
  const found: LostAction[] = [];
  let edge: PictureEdge | null = null;
  let since = 0;
  const close = (toFrame: number): void => {
    if (edge && secondsAt(toFrame) - secondsAt(since) >= atEdge.leastSeconds) found.push({ fromFrame: since, toFrame, edge });
    edge = null;
  };
  const sums = { left: 0, right: 0, top: 0, bottom: 0, all: 0 };
  const add = (frame: number, sign: 1 | -1): void => {
    const { motion, edges } = features[frame]!;
    if (motion < least) return;
    sums.all += sign * motion;
    for (const side of pictureEdges) sums[side] += sign * motion * edges[side];
  };
  for (let frame = 0, from = 0; frame < features.length && least > 0; frame++) {
    add(frame, 1);
    while (secondsAt(frame) - secondsAt(from) > atEdge.windowSeconds) add(from++, -1);
    // Nothing moves that tells anything: whatever was true stays true.
    if (features[frame]!.motion < least || sums.all <= 0) continue;
    const here = pictureEdges.find((side) => sums[side] >= atEdge.share * sums.all) ?? null;
    if (here === edge) continue;
    close(frame);
    edge = here;
    since = frame;
  }
  close(features.length);
  return found;
}

/** Where the action is out of the picture, ascending; what two ways of telling say of the same frames counts once. */
export function lostAction(features: readonly Pick<FrameFeatures, 'motion' | 'edges' | 'shiftX'>[], secondsAt: SecondsAt): LostAction[] {
  const turned = turnedAway(features, secondsAt);
  const overlaps = (a: Stretch, b: Stretch): boolean => a.fromFrame < b.toFrame && b.fromFrame < a.toFrame;
  const walked = walkedOut(features, secondsAt).filter((stretch) => !turned.some((other) => overlaps(stretch, other)));
  return [...turned, ...walked].sort((a, b) => a.fromFrame - b.fromFrame);
}
