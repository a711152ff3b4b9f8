import { expect, it } from 'vitest';
import { boutAtFrame } from './boutAtFrame.ts';

it('a frame belongs to the bout that holds it, after it to the one before, and before all to the first', () => {
  const bouts = [
    { fromFrame: 100, toFrame: 200 },
    { fromFrame: 300, toFrame: 400 },
  ];
  expect([5, 100, 199, 250, 300, 999].map((frame) => boutAtFrame(bouts, frame)?.fromFrame)).toEqual([100, 100, 100, 100, 300, 300]);
  expect(boutAtFrame([], 5)).toBeUndefined();
});
