import { workTerms } from '@lean-mentor/contract';
import { startWays } from '@lean-mentor/core/work';
import { describe, expect, it } from 'vitest';
import { act, begin, doing, entryOf, roundsOf, type Act, type Doing } from './doing.ts';

const terms = workTerms.parse({
  ...{ kind: 'round', name: 'Half guard, from below', cue: '', how: '', caution: 'general', loads: [], techniques: [], equipment: '' },
  test: {
    start: { position: 'half-guard', clientHolds: false, grips: '' },
    ways: startWays('half-guard', false),
    minutes: 5,
    counts: 'chance',
  },
  ...{ weeks: 4, timesPerWeek: 2, clipIds: [], rounds: 2, restSeconds: 60, wanted: { level: 'same', size: 'same' }, swaps: false },
  ...{ advice: 'Knee first.', order: 'one-way' },
});
const begun = begin({ clientId: 'c', workId: 'w', doneWorkId: 'd', doneOn: '2026-09-07', terms });
const after = (...acts: Act[]): Doing => acts.reduce(act, begun);
const second = 1000;

describe('work that is being done', () => {
  it('counts each press in the round that runs, and in a rest in the round that is just over', () => {
    const one = after(
      { do: 'start', at: 0 },
      { do: 'press', wayId: 'w1', at: 5 * second },
      { do: 'press', wayId: 'w1', at: 40 * second },
      { do: 'press', wayId: 'w3', at: 312 * second },
      { do: 'press', wayId: 'w2', at: 400 * second },
      { do: 'stop', at: 460 * second },
    );
    expect(one.presses).toEqual([
      { round: 0, wayId: 'w1', atMs: 30 * second },
      { round: 0, wayId: 'w3', atMs: 300 * second },
      { round: 1, wayId: 'w2', atMs: 30 * second },
    ]);
    expect(roundsOf(one).map(({ when, ranMs, presses }) => [when, ranMs, presses.length])).toEqual([
      ['before', 300 * second, 2],
      ['after', 90 * second, 1],
    ]);
    expect(one.stage).toBe('felt');
  });

  it('takes back the last press, and none more than there are', () => {
    const one = after({ do: 'start', at: 0 }, { do: 'press', wayId: 'w1', at: 40 * second }, { do: 'undo' }, { do: 'undo' });
    expect(one.presses).toEqual([]);
  });

  it('stands while it is held, and goes on where it was', () => {
    const one = after(
      { do: 'start', at: 0 },
      { do: 'hold', at: 70 * second },
      { do: 'go-on', at: 1000 * second },
      { do: 'press', wayId: 'w1', at: 1010 * second },
    );
    expect(one.presses).toEqual([{ round: 0, wayId: 'w1', atMs: 70 * second }]);
  });

  it('is counted from memory where nobody could press, and says so', () => {
    const one = after(
      { do: 'afterwards' },
      { do: 'remember', round: 0, wayId: 'w1', by: 1 },
      { do: 'remember', round: 0, wayId: 'w1', by: 1 },
      { do: 'remember', round: 0, wayId: 'w1', by: -1 },
      { do: 'remember', round: 1, wayId: 'w3', by: -1 },
      { do: 'counted' },
      { do: 'hurts', pains: [] },
    );
    expect(entryOf(one).rounds).toMatchObject([
      { by: 'memory', ranMs: 300 * second, presses: [{ wayId: 'w1', atMs: null }] },
      { by: 'memory', ranMs: 300 * second, presses: [] },
    ]);
  });

  it('is read back from the browser as it was left, at every stage', () => {
    const stages = [
      begun,
      after({ do: 'start', at: 5 }),
      after({ do: 'start', at: 5 }, { do: 'stop', at: 90_000 }),
      after({ do: 'afterwards' }),
    ];
    for (const one of stages) expect(doing.parse(JSON.parse(JSON.stringify(one)))).toEqual(one);
  });
});
