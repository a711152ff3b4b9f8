import fc from 'fast-check';
import { DateTime } from 'luxon';
import { describe, expect, it } from 'vitest';
import { instantAt, instantText, isZone } from './wallClock.ts';
import { afterWorking, minutesOfDay, workingBetween, workingWindows, type WorkingHours } from './workingHours.ts';

const hourMs = 3_600_000;
const at = (text: string): number => Date.parse(text);
const everyDay = [1, 2, 3, 4, 5, 6, 7];
const zones = ['Europe/Berlin', 'America/New_York', 'Australia/Lord_Howe', 'Asia/Kathmandu', 'Pacific/Auckland', 'UTC'];
const days: WorkingHours = {
  zone: 'Europe/Berlin',
  weekly: [1, 2, 3, 4, 5].flatMap((day) => [
    { day, from: '09:00', to: '12:00' },
    { day, from: '13:00', to: '17:00' },
  ]),
  exceptions: [],
};
const nights = (zone: string): WorkingHours => ({
  zone,
  weekly: everyDay.map((day) => ({ day, from: '00:00', to: '06:00' })),
  exceptions: [],
});
const texts = (hours: WorkingHours, from: string, to: string) =>
  workingWindows(hours, at(from), at(to)).map((w) => `${instantText(hours.zone, w.fromAt)} ${instantText(hours.zone, w.toAt)}`);

describe('the clock on the wall', () => {
  it('shows what another library of time zones shows, for any time it shows once', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...zones),
        fc.integer({ min: 0, max: 366 * 4 }),
        fc.integer({ min: 0, max: 1439 }),
        (zone, offset, minutes) => {
          const day = DateTime.fromObject({ year: 2024, month: 1, day: 1 }, { zone }).plus({ days: offset });
          const said = { year: day.year, month: day.month, day: day.day };
          const first = instantAt(zone, said, minutes, 'first');
          const last = instantAt(zone, said, minutes, 'last');
          const theirs = day.set({ hour: Math.floor(minutes / 60), minute: minutes % 60 }).toMillis();
          expect([first, last]).toContain(theirs);
          const shows = (instant: number) => DateTime.fromMillis(instant, { zone }).toFormat('HH:mm');
          if (first !== last) expect(shows(first)).toBe(shows(last));
        },
      ),
      { numRuns: 2000 },
    );
  });

  it.each([
    ['Europe/Berlin', { year: 2026, month: 3, day: 29 }, 150, '2026-03-29T03:30:00+02:00', '2026-03-29T03:30:00+02:00'],
    ['Europe/Berlin', { year: 2026, month: 10, day: 25 }, 150, '2026-10-25T02:30:00+02:00', '2026-10-25T02:30:00+01:00'],
    ['America/New_York', { year: 2026, month: 3, day: 8 }, 150, '2026-03-08T03:30:00-04:00', '2026-03-08T03:30:00-04:00'],
    ['America/New_York', { year: 2026, month: 11, day: 1 }, 90, '2026-11-01T01:30:00-04:00', '2026-11-01T01:30:00-05:00'],
  ])(
    '%s on %o, %i minutes past midnight: a time that is jumped over goes on, one shown twice is two',
    (zone, day, minutes, first, last) => {
      expect(instantText(zone, instantAt(zone, day, minutes, 'first'))).toBe(first);
      expect(instantText(zone, instantAt(zone, day, minutes, 'last'))).toBe(last);
    },
  );

  it('knows no zone that is none, and no time of day beyond 24:00', () => {
    expect([isZone('Europe/Berlin'), isZone('Europe/Nowhere'), isZone('')]).toEqual([true, false, false]);
    expect(['09:00', '9:05', '24:00', '24:01', '9', '09:60', ''].map(minutesOfDay)).toEqual([540, 545, 1440, NaN, NaN, NaN, NaN]);
  });
});

describe('working windows', () => {
  it('begin now where one is running, and leave out the weekend', () => {
    expect(texts(days, '2026-11-27T15:30:00+01:00', '2026-12-01T00:00:00+01:00')).toEqual([
      '2026-11-27T15:30:00+01:00 2026-11-27T17:00:00+01:00',
      '2026-11-30T09:00:00+01:00 2026-11-30T12:00:00+01:00',
      '2026-11-30T13:00:00+01:00 2026-11-30T17:00:00+01:00',
    ]);
  });

  it.each([
    ['Europe/Berlin', '2026-03-29', 5],
    ['Europe/Berlin', '2026-10-25', 7],
    ['America/New_York', '2026-03-08', 5],
    ['America/New_York', '2026-11-01', 7],
    ['Europe/Berlin', '2026-11-01', 6],
  ])('of a night in %s on %s hold %i hours, as the library says', (zone, date, hours) => {
    const day = DateTime.fromISO(date, { zone });
    const held = workingBetween(nights(zone), day.toMillis(), day.plus({ days: 1 }).toMillis());
    expect(held / hourMs).toBe(hours);
    expect(held).toBe(day.set({ hour: 6 }).toMillis() - day.toMillis());
  });

  it('are as the day’s exception says: off, or other hours, several of them together', () => {
    const hours: WorkingHours = {
      ...days,
      exceptions: [
        { date: '2026-11-30', off: true },
        { date: '2026-12-01', from: '07:00', to: '08:00' },
        { date: '2026-12-01', from: '20:00', to: '21:00' },
        { date: '2026-12-01', from: '07:30', to: '09:00' },
      ],
    };
    expect(texts(hours, '2026-11-30T00:00:00+01:00', '2026-12-02T00:00:00+01:00')).toEqual([
      '2026-12-01T07:00:00+01:00 2026-12-01T09:00:00+01:00',
      '2026-12-01T20:00:00+01:00 2026-12-01T21:00:00+01:00',
    ]);
  });

  it('follow the coach into another zone and back', () => {
    const hours: WorkingHours = { ...days, stays: [{ zone: 'Asia/Tokyo', from: '2026-12-01', to: '2026-12-01' }] };
    expect(texts(hours, '2026-11-30T16:00:00+01:00', '2026-12-02T10:00:00+01:00')).toEqual([
      '2026-11-30T16:00:00+01:00 2026-11-30T17:00:00+01:00',
      '2026-12-01T01:00:00+01:00 2026-12-01T04:00:00+01:00',
      '2026-12-01T05:00:00+01:00 2026-12-01T09:00:00+01:00',
      '2026-12-02T09:00:00+01:00 2026-12-02T10:00:00+01:00',
    ]);
  });

  it('have pauses taken out', () => {
    const hours = { ...days, pauses: [{ fromAt: at('2026-11-30T10:00:00+01:00'), toAt: at('2026-11-30T16:00:00+01:00') }] };
    expect(workingBetween(hours, at('2026-11-30T00:00:00+01:00'), at('2026-12-01T00:00:00+01:00')) / hourMs).toBe(2);
  });
});

describe('working time', () => {
  it('passes in windows alone', () => {
    expect(instantText('Europe/Berlin', afterWorking(days, at('2026-11-27T16:00:00+01:00'), 3 * hourMs)!)).toBe(
      '2026-11-30T11:00:00+01:00',
    );
    expect(afterWorking(days, at('2026-11-27T16:00:00+01:00'), 0)).toBe(at('2026-11-27T16:00:00+01:00'));
  });

  it('never comes where nobody works', () => {
    expect(afterWorking({ ...days, weekly: [] }, 0, 1)).toBeNull();
  });

  it('added is the working time that lies between, whatever the hours, zones and days of change', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...zones),
        fc.integer({ min: at('2026-01-01'), max: at('2027-01-01') }),
        fc.integer({ min: 1, max: 80 * hourMs }),
        fc.array(fc.tuple(fc.integer({ min: 1, max: 7 }), fc.integer({ min: 0, max: 22 }), fc.integer({ min: 1, max: 5 })), {
          minLength: 1,
          maxLength: 8,
        }),
        (zone, from, work, weekly) => {
          const hours: WorkingHours = {
            zone,
            weekly: weekly.map(([day, start, length]) => ({ day, from: `${start}:00`, to: `${Math.min(24, start + length)}:00` })),
            exceptions: [],
          };
          const end = afterWorking(hours, from, work)!;
          expect(workingBetween(hours, from, end)).toBe(work);
          expect(workingBetween(hours, from, end - 1)).toBe(work - 1);
        },
      ),
      { numRuns: 200 },
    );
  });
});
