import { expect, it } from 'vitest';
import { drawingLife } from './drawingLife.ts';

const table = { times: Array.from({ length: 90 }, (_, i) => i / 30), endSeconds: 3 };

it('a drawing lives for a second from its frame', () => {
  expect(drawingLife(table, 30)).toEqual({ fromFrame: 30, toFrame: 60 });
});

it('a drawing near the end lives to the last frame, that one included', () => {
  expect(drawingLife(table, 80)).toEqual({ fromFrame: 80, toFrame: 90 });
  expect(drawingLife(table, 400)).toEqual({ fromFrame: 89, toFrame: 90 });
});

it('a drawing on a frame that stands for seconds lives at least that frame', () => {
  expect(drawingLife({ times: [0, 5, 10], endSeconds: 15 }, 0)).toEqual({ fromFrame: 0, toFrame: 1 });
});
