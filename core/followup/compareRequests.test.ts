import { describe, expect, it } from 'vitest';
import { addStats, boutStats, type TimedBout } from '../scoring/index.ts';
import { drawsFrom } from '../statistics/index.ts';
import { compareRequests, type WholeRequest } from './compareRequests.ts';

type Timed = TimedBout['spans'][number];

/** A round of so many minutes: in and out from under side control so often, with sweeps tried and won. */
function round({ minutes, pinned, sweeps }: { minutes: number; pinned: number; sweeps: [won: number, tried: number] }): WholeRequest {
  const seconds = minutes * 60;
  const part = seconds / (2 * pinned + 1);
  const spans: Timed[] = Array.from({ length: 2 * pinned + 1 }, (_, i) =>
    i % 2 === 1
      ? { position: 'side-control', holder: 'partner', from: i * part, to: (i + 1) * part }
      : { position: 'half-guard', holder: 'partner', from: i * part, to: (i + 1) * part },
  );
  const events = Array.from({ length: sweeps[1] }, (_, i) => ({
    ...{ kind: 'attempt', athlete: 'client', technique: 'sweep', outcome: i < sweeps[0] ? 'success' : 'failed', at: i + 0.5 },
  })) as unknown as TimedBout['events'];
  return { stats: addStats([boutStats({ lengthSeconds: seconds, spans, events }, { awards: [] })]), taps: { client: 0, partner: 0 } };
}

describe('two requests compared as a whole', () => {
  it('name what is more than chance first, and say the rest beside it', () => {
    const all = compareRequests(round({ minutes: 6, pinned: 12, sweeps: [1, 6] }), round({ minutes: 6, pinned: 1, sweeps: [3, 5] }));
    const beyond = all.filter(({ beyondChance }) => beyondChance);
    expect(beyond.map(({ what }) => what)).toContain('came under a pin');
    expect(all[0]!.beyondChance).toBe(true);
    expect(all.find(({ what }) => what === 'came under a pin')).toMatchObject({ earlier: '12 in 6.0 min', later: '1 in 6.0 min' });
    expect(all.find(({ what }) => what === 'own sweep, worked')).toMatchObject({ earlier: '1 of 6', later: '3 of 5', beyondChance: false });
    expect(all.some(({ what }) => what === 'own taps')).toBe(false);
  });

  it('are exact: fewer pins by the conditional binomial test, successes by Fisher’s, both two-sided', () => {
    const all = compareRequests(round({ minutes: 5, pinned: 5, sweeps: [0, 4] }), round({ minutes: 5, pinned: 0, sweeps: [4, 4] }));
    // 5 and 0 in equal minutes: 2 · (1/2)^5. 0 of 4 against 4 of 4: 2 · 1/70.
    expect(all.find(({ what }) => what === 'came under a pin')!.p).toBeCloseTo(2 * 0.5 ** 5, 12);
    expect(all.find(({ what }) => what === 'own sweep, worked')!.p).toBeCloseTo(2 / 70, 12);
  });

  it('of which one has no time compare nothing, and say so', () => {
    const none: WholeRequest = { stats: addStats([]), taps: { client: 0, partner: 0 } };
    for (const one of compareRequests(none, round({ minutes: 5, pinned: 3, sweeps: [1, 2] })))
      expect([one.p, one.beyondChance]).toEqual([null, false]);
  });

  it('find a difference where there is none in at most one of ten pairs', () => {
    const draws = drawsFrom(20_261_129);
    const one = (): WholeRequest => {
      const tried = draws.poisson(6);
      const won = Array.from({ length: tried }, () => draws.uniform() < 0.4).filter(Boolean).length;
      return round({ minutes: 6, pinned: draws.poisson(5), sweeps: [won, tried] });
    };
    const many = 400;
    const wrong = Array.from({ length: many }, () => compareRequests(one(), one()).some(({ beyondChance }) => beyondChance)).filter(
      Boolean,
    ).length;
    expect(wrong / many).toBeLessThanOrEqual(0.1);
  });
});
