import { greyWidth, type FrameFeatures } from './frameFeatures.ts';
import { quantileOf, stretchesAbove, type Stretch } from './stretch.ts';

/** The camera has turned away when its view is moved by these shares of the picture's width from where it looks most. */
const away = { enter: 0.7, leave: 0.6, leastSeconds: 0.4 };

/** A stretch in which the action is out of the picture, and at which edge it went. */
export interface LostAction extends Stretch {
  edge: 'left' | 'right';
}

/**
 * Where a hand-held camera lost the action: its sideways movement, added up frame by frame, is far from the median of the
 * whole footage. A camera that stands still while the athletes walk out of its picture is not found this way.
 */
export function lostAction(features: readonly Pick<FrameFeatures, 'shiftX'>[], secondsAt: (frame: number) => number): LostAction[] {
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
