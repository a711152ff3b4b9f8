import { coachCorner, type CoachShape } from '@lean-mentor/core/takes';
import type { CSSProperties } from 'react';

/** Where the coach is seen on a stage of that size, in shares of it. */
export function coachPlace(size: { width: number; height: number }, shape: CoachShape): CSSProperties {
  const { x, y, side } = coachCorner(size);
  return {
    position: 'absolute',
    left: `${(x / size.width) * 100}%`,
    top: `${(y / size.height) * 100}%`,
    width: `${(side / size.width) * 100}%`,
    aspectRatio: '1',
    objectFit: 'cover',
    borderRadius: shape === 'round' ? '50%' : 0,
  };
}
