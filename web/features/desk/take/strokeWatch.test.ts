import type { Drawing } from '@lean-mentor/core/desk';
import { describe, expect, it } from 'vitest';
import { strokeWatch } from './strokeWatch.ts';

const drawing = (id: string, points: Drawing['points'], tool: Drawing['tool'] = 'freehand'): Drawing => ({
  ...{ id, footageId: 'f', tool, colour: 'client', weight: 'plain', words: '', points, keys: [], fromFrame: 0, toFrame: 9 },
});
const spot = (x: number) => ({ x, y: 0.5 });

describe('a stroke that is drawn while a take is spoken', () => {
  it('is told when it is done, with when it was begun and when the pen was where', () => {
    const old = { old: drawing('old', [spot(0)]) };
    const watch = strokeWatch(old);
    expect(watch(1, { draft: [spot(0.1)], drawings: old })).toBeNull();
    expect(watch(1.2, { draft: [spot(0.1), spot(0.2), spot(0.3)], drawings: old })).toBeNull();
    // It is not on the desk with the same picture in which it was finished.
    expect(watch(1.3, { draft: [], drawings: old })).toBeNull();
    const drawings = { ...old, made: drawing('made', [spot(0.1), spot(0.3)]) };
    expect(watch(1.32, { draft: [], drawings })).toMatchObject({
      began: 1,
      stroke: {
        id: 'made',
        points: [
          [0.1, 0.5, 0],
          [0.3, 0.5, 200],
        ],
      },
    });
    expect(watch(1.34, { draft: [], drawings })).toBeNull();
  });

  it('that is pulled from one end to the other ends where and when its end was let go', () => {
    const watch = strokeWatch({});
    watch(1, { draft: [spot(0.1)], drawings: {} });
    watch(1.1, { draft: [spot(0.1), spot(0.2)], drawings: {} });
    watch(1.5, { draft: [spot(0.1), spot(0.6)], drawings: {} });
    const done = watch(1.6, { draft: [], drawings: { a: drawing('a', [spot(0.1), spot(0.6)], 'arrow') } });
    expect(done!.stroke.points).toEqual([
      [0.1, 0.5, 0],
      [0.6, 0.5, 500],
    ]);
  });

  it('that is given up is none, and what comes onto the desk from elsewhere is none either', () => {
    const watch = strokeWatch({});
    watch(1, { draft: [spot(0.1)], drawings: {} });
    watch(4, { draft: [], drawings: {} });
    expect(watch(4.1, { draft: [], drawings: { a: drawing('a', [spot(0.1)]) } })).toBeNull();
  });
});
