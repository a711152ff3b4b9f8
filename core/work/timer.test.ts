import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bellsBetween, goOn, holdTimer, ranMs, roundRanMs, timerAt, wholeMs, type TimerPlan } from './timer.ts';

const plan: TimerPlan = { readySeconds: 10, workSeconds: 300, restSeconds: 120, rounds: 2 };

describe('the timer of a round', () => {
  it('counts down to its start, then work, rest and work, and is over', () => {
    expect(timerAt(plan, 0)).toEqual({ phase: 'ready', round: 0, leftMs: 10_000, ofMs: 10_000 });
    expect(timerAt(plan, 10_000)).toMatchObject({ phase: 'work', round: 0, leftMs: 300_000 });
    expect(timerAt(plan, 310_000)).toMatchObject({ phase: 'rest', round: 0, leftMs: 120_000 });
    expect(timerAt(plan, 430_000)).toMatchObject({ phase: 'work', round: 1, leftMs: 300_000 });
    expect(timerAt(plan, 730_000)).toMatchObject({ phase: 'over', leftMs: 0 });
    expect(wholeMs(plan)).toBe(730_000);
  });

  it('goes by the clock on the wall, so that a locked phone or a closed page does not stop it; held, it stands', () => {
    const timer = { startedAt: 1_000, heldAt: null, heldMs: 0 };
    expect(ranMs(timer, 61_000)).toBe(60_000);
    const held = holdTimer(holdTimer(timer, 61_000), 70_000);
    expect(ranMs(held, 500_000)).toBe(60_000);
    expect(ranMs(goOn(held, 500_000), 510_000)).toBe(70_000);
    expect(ranMs(timer, 0)).toBe(0);
  });

  it('rings each bell once, however seldom or often it is looked at', () => {
    expect(bellsBetween(plan, -1, wholeMs(plan))).toEqual(['begin', 'soon', 'end', 'begin', 'soon', 'end']);
    fc.assert(
      fc.property(fc.array(fc.nat(800_000), { maxLength: 60 }), (looks) => {
        const times = [-1, ...looks.sort((a, b) => a - b), 800_000];
        const heard = times.slice(1).flatMap((time, i) => bellsBetween(plan, times[i]!, time));
        expect(heard).toEqual(bellsBetween(plan, -1, 800_000));
      }),
    );
  });

  it('knows how long each round ran, also where it was left early', () => {
    expect([0, 1].map((round) => roundRanMs(plan, round, 460_000))).toEqual([300_000, 30_000]);
    fc.assert(
      fc.property(fc.nat(900_000), (after) => {
        const ran = [0, 1].reduce((sum, round) => sum + roundRanMs(plan, round, after), 0);
        const { phase, leftMs } = timerAt(plan, after);
        expect(ran).toBeLessThanOrEqual(600_000);
        if (phase === 'work') expect(ran % 300_000).toBe((300_000 - leftMs) % 300_000);
      }),
    );
  });
});
