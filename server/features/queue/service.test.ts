import { describe, expect, it } from 'vitest';
import { workingWindows } from './service.ts';

const hours = (now: string) => workingWindows(new Date(now)).map(({ fromAt, toAt }) => [new Date(fromAt), new Date(toAt)] as const);

describe('the coach’s working windows', () => {
  it('begin now when one is running', () => {
    const [first] = hours('2026-11-25T10:30:00');
    expect(first).toEqual([new Date('2026-11-25T10:30:00'), new Date('2026-11-25T12:00:00')]);
  });

  it('leave out what is over and the weekend', () => {
    const windows = hours('2026-11-27T18:00:00');
    expect(windows[0]?.[0]).toEqual(new Date('2026-11-30T09:00:00'));
    for (const [from] of windows) expect([0, 6]).not.toContain(from.getDay());
  });
});
