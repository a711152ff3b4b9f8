import { describe, expect, it } from 'vitest';
import { dueAfter, movedOn, promisesKept } from './promises.ts';
import type { WorkingHours } from './workingHours.ts';

const hour = 3_600_000;
const at = (text: string): number => Date.parse(text);
const text = (ms: number): string => new Date(ms).toISOString().slice(0, 16);
const hours: WorkingHours = { zone: 'UTC', weekly: [1, 2, 3, 4, 5].map((day) => ({ day, from: '09:00', to: '17:00' })), exceptions: [] };

describe('what is promised at the latest', () => {
  it('counts working hours over nights and weekends, or hours of the calendar', () => {
    const friday = at('2026-11-27T15:00Z');
    expect(text(dueAfter(hours, { hours: 10, kind: 'working' }, friday))).toBe('2026-11-30T17:00');
    expect(text(dueAfter(hours, { hours: 10, kind: 'calendar' }, friday))).toBe('2026-11-28T01:00');
    expect(text(dueAfter({ ...hours, weekly: [] }, { hours: 10, kind: 'working' }, friday))).toBe('2026-11-28T01:00');
  });

  it('counts no hour in which the coach is away, of the calendar neither', () => {
    const pauses = [
      { fromAt: at('2026-11-27T10:00Z'), toAt: at('2026-11-27T18:00Z') },
      { fromAt: at('2026-11-28T00:00Z'), toAt: at('2026-11-28T06:00Z') },
      { fromAt: at('2026-12-20T00:00Z'), toAt: at('2026-12-30T06:00Z') },
    ];
    // Three hours of the first pause are left, and the second lies before the end.
    expect(text(dueAfter({ ...hours, pauses }, { hours: 10, kind: 'calendar' }, at('2026-11-27T15:00Z')))).toBe('2026-11-28T10:00');
    expect(text(dueAfter({ ...hours, pauses }, { hours: 2, kind: 'calendar' }, at('2026-11-27T09:00Z')))).toBe('2026-11-27T19:00');
    expect(text(dueAfter({ ...hours, pauses }, { hours: 1, kind: 'calendar' }, at('2026-11-27T09:00Z')))).toBe('2026-11-27T10:00');
  });

  it('has as much left after the clock stood as before', () => {
    const due = at('2026-11-30T11:00Z');
    const stood = { fromAt: at('2026-11-27T16:00Z'), toAt: at('2026-12-01T12:00Z') };
    // One hour on Friday and two on Monday were left: Tuesday 12:00 to 15:00.
    expect(text(movedOn(hours, 'working', due, stood))).toBe('2026-12-01T15:00');
    expect(movedOn(hours, 'calendar', due, stood)).toBe(due + 92 * hour);
    // What was late stays late by as much.
    expect(movedOn(hours, 'working', at('2026-11-27T15:00Z'), stood)).toBe(at('2026-11-27T15:00Z') + 92 * hour);
  });
});

describe('promises kept', () => {
  it('are counted once they have come to their end, and those that were moved are no test of the forecast', () => {
    const record = (saidByAt: number | null, dueAt: number, sentAt: number | null, moved = false) => ({ saidByAt, dueAt, sentAt, moved });
    expect(
      promisesKept(
        [
          record(10, 20, 10),
          record(10, 20, 15),
          record(10, 20, 21),
          record(10, 20, null),
          record(60, 70, null),
          record(10, 20, 5, true),
          record(null, 20, 5),
        ],
        50,
      ),
    ).toEqual({ said: 4, held: 1, due: 6, kept: 4 });
  });
});
