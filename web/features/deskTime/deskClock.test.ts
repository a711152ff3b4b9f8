import { describe, expect, it } from 'vitest';
import { DeskClock, restMs } from './deskClock.ts';

const start = 1_000_000 * 60_000;
/** Runs a clock for so many seconds from an instant on. */
const run = (clock: DeskClock, from: number, seconds: number): number => {
  for (let i = 0; i <= seconds; i++) clock.tick(from + i * 1000);
  return from + seconds * 1000;
};
const sum = (clock: DeskClock, now: number): number => clock.untold(now).reduce((total, { seconds }) => total + seconds, 0);

describe('the clock at the desk', () => {
  it('counts until a minute after the last thing that was done', () => {
    const clock = new DeskClock();
    clock.act(start);
    const now = run(clock, start, 300);
    expect(sum(clock, now)).toBe(restMs / 1000);
    clock.act(now);
    expect(sum(clock, run(clock, now, 30))).toBe(90);
  });

  it('counts nothing before anything was done, and no sleep of the machine', () => {
    const clock = new DeskClock();
    run(clock, start, 50);
    expect(clock.untold(start)).toEqual([]);
    clock.act(start + 50_000);
    clock.tick(start + 51_000);
    clock.act(start + 3_600_000);
    clock.tick(start + 3_600_000);
    expect(sum(clock, start + 3_600_000)).toBe(1);
  });

  it('tells each minute as so many ago, what could not be told again, and the one that runs once more', () => {
    const clock = new DeskClock();
    for (let i = 0; i < 90; i++) clock.act(start + i * 1000);
    const now = run(clock, start, 90);
    expect(clock.untold(now)).toEqual([
      { minutesAgo: 1, seconds: 59 },
      { minutesAgo: 0, seconds: 31 },
    ]);
    clock.told(now);
    expect(clock.untold(now + 60_000)).toEqual([{ minutesAgo: 1, seconds: 31 }]);
    expect(clock.untold(now + 25 * 3_600_000)).toEqual([]);
  });
});
