import { describe, expect, it } from 'vitest';
import { reviewSize } from './reviewSize.ts';

describe('the size of the review copy', () => {
  it('keeps the shape, with even sides, 1280 the longest', () => {
    expect(reviewSize({ width: 1920, height: 1080 })).toEqual({ width: 1280, height: 720 });
    expect(reviewSize({ width: 2160, height: 3840 })).toEqual({ width: 720, height: 1280 });
    expect(reviewSize({ width: 1919, height: 1081 })).toEqual({ width: 1280, height: 722 });
  });

  it('does not enlarge what is small', () => {
    expect(reviewSize({ width: 360, height: 641 })).toEqual({ width: 360, height: 642 });
  });
});
