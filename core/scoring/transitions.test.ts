import { describe, expect, it } from 'vitest';
import { boutStats } from './boutStats.ts';
import { boutOf } from './testing/boutOf.ts';
import { randomBout } from './testing/randomBout.ts';
import { transitionsOf } from './transitions.ts';

describe('what followed what', () => {
  const passed = boutOf([
    ['half-guard', 'client', 10],
    ['side-control', 'client', 5],
    ['half-guard', 'client', 5],
    ['side-control', 'client', 5],
  ]);

  it('is counted over bouts with each instance, most often first', () => {
    const [first, second] = transitionsOf([passed, passed]);
    expect(first).toEqual({
      from: { position: 'half-guard', holder: 'client' },
      to: { position: 'side-control', holder: 'client' },
      instances: [
        { bout: 0, at: 10 },
        { bout: 0, at: 20 },
        { bout: 1, at: 10 },
        { bout: 1, at: 20 },
      ],
    });
    expect(second!.instances).toHaveLength(2);
  });

  it('leaves out what a tap or the referee put in place, and counts as the numbers do, whatever the bout', () => {
    const taps = { ...passed, events: [{ kind: 'finish', athlete: 'client', technique: '', at: 15 }], afterFinish: 'restarts' } as const;
    expect(transitionsOf([taps]).flatMap(({ instances }) => instances)).toHaveLength(2);
    for (let seed = 1; seed <= 200; seed++) {
      const bout = randomBout(seed);
      const counted = boutStats(bout, { awards: [] }).transitions;
      const found = transitionsOf([bout]);
      expect(found.map(({ instances }) => instances.length)).toEqual(counted.map(({ count }) => count));
    }
  });
});
