import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  amountOf,
  centsOf,
  negated,
  periodsThatRan,
  periodsToBill,
  standingOf,
  sumOf,
  type PaymentEntry,
  type PaymentKind,
} from './index.ts';

const cents = fc.bigInt(-(10n ** 10n), 10n ** 10n);
const amount = cents.map(amountOf);

describe('an amount of money', () => {
  it('comes back from its cents as it was written', () => {
    fc.assert(fc.property(cents, (one) => centsOf(amountOf(one)) === one));
    expect([amountOf(0n), amountOf(5n), amountOf(-5n), amountOf(123456n)]).toEqual(['0.00', '0.05', '-0.05', '1234.56']);
  });

  it('is summed to the cent, in whatever order, and nothing rounds away', () => {
    expect(sumOf(['0.10', '0.20'])).toBe('0.30');
    expect(sumOf([])).toBe('0.00');
    fc.assert(
      fc.property(fc.array(amount), fc.array(amount), (a, b) => sumOf([...a, ...b]) === sumOf([sumOf(b), sumOf([...a].reverse())])),
    );
    fc.assert(fc.property(fc.array(amount), (all) => sumOf([sumOf(all), ...all.map(negated)]) === '0.00'));
  });

  it('is refused where it is none', () => {
    for (const wrong of ['1', '1.5', '1,50', '', '1.555', 'NaN']) expect(() => centsOf(wrong)).toThrow(RangeError);
  });
});

const day = 86_400_000;
const at = Date.parse('2026-11-10T12:00:00Z');
const invoice = { total: '45.00', dueOn: '2026-11-14', cancelled: false };
const entry = (kind: PaymentKind, money = '45.00', atMs = at): PaymentEntry => ({ kind, amount: money, at: atMs });
const on = (today: string) => [today, Date.parse(`${today}T12:00:00Z`)] as const;

describe('an invoice', () => {
  it('is open until the day it is due, and late from the day after', () => {
    expect(standingOf(invoice, [], ...on('2026-11-14'))).toEqual({ state: 'open', open: '45.00' });
    expect(standingOf(invoice, [], ...on('2026-11-15'))).toEqual({ state: 'late', open: '45.00' });
  });

  it('is paid when all of it has come, in one piece or several', () => {
    expect(standingOf(invoice, [entry('paid', '20.00')], ...on('2026-11-15'))).toEqual({ state: 'late', open: '25.00' });
    expect(standingOf(invoice, [entry('paid', '20.00'), entry('paid', '25.00')], ...on('2026-11-15'))).toEqual({
      state: 'paid',
      open: '0.00',
    });
    expect(standingOf(invoice, [entry('failed')], ...on('2026-11-12')).state).toBe('open');
  });

  it('makes nobody late while its money is on its way, for a week', () => {
    const sent = [entry('on-its-way', '45.00', Date.parse('2026-11-14T12:00:00Z'))];
    expect(standingOf(invoice, sent, ...on('2026-11-20')).state).toBe('on-its-way');
    expect(standingOf(invoice, sent, ...on('2026-11-21')).state).toBe('late');
    expect(standingOf(invoice, [...sent, entry('failed', '45.00', at + 5 * day)], ...on('2026-11-16')).state).toBe('late');
  });

  it('is owed anew when the bank takes the money back, or it was noted by mistake', () => {
    for (const kind of ['charged-back', 'mistaken'] as const)
      expect(standingOf(invoice, [entry('paid'), entry(kind)], ...on('2026-11-15'))).toEqual({ state: 'late', open: '45.00' });
  });

  it('that is cancelled owes nothing, and what was paid for it is to be paid back until it is', () => {
    const void_ = { ...invoice, cancelled: true };
    expect(standingOf(void_, [], ...on('2026-12-01'))).toEqual({ state: 'cancelled', open: '0.00' });
    expect(standingOf(void_, [entry('paid')], ...on('2026-12-01'))).toEqual({ state: 'to-pay-back', open: '-45.00' });
    expect(standingOf(void_, [entry('paid'), entry('paid-back')], ...on('2026-12-01')).state).toBe('cancelled');
  });

  it('paid twice has the second payment to be paid back', () => {
    expect(standingOf(invoice, [entry('paid'), entry('paid')], ...on('2026-11-12'))).toEqual({ state: 'to-pay-back', open: '-45.00' });
  });

  it('owes its total less what was paid and stayed, whatever happened with it', () => {
    const kinds = fc.constantFrom<PaymentKind[]>('paid', 'failed', 'on-its-way', 'charged-back', 'paid-back', 'mistaken');
    const positive = fc.bigInt(1n, 10n ** 8n).map(amountOf);
    const entries = fc.array(fc.record({ kind: kinds, amount: positive, at: fc.nat(10 ** 9) }), { maxLength: 12 });
    fc.assert(
      fc.property(positive, entries, fc.boolean(), (total, happened, cancelled) => {
        const { open, state } = standingOf({ total, dueOn: '2026-11-14', cancelled }, happened, '2026-11-15', 10 ** 9);
        const came = happened.filter(({ kind }) => kind === 'paid').map((one) => one.amount);
        const went = happened.filter(({ kind }) => ['charged-back', 'paid-back', 'mistaken'].includes(kind)).map((one) => one.amount);
        expect(sumOf([open, ...came])).toBe(sumOf([cancelled ? '0.00' : total, ...went]));
        const owed = centsOf(open);
        expect(state === 'to-pay-back').toBe(owed < 0n);
        expect(['paid', 'cancelled'].includes(state)).toBe(owed === 0n || (cancelled && owed > 0n));
      }),
    );
  });
});

describe('what is invoiced of a plan', () => {
  const plan = { fromOn: '2026-01-31', untilOn: null, pauses: [] };

  it('is each period once, on its first day, from the day on which invoices begin', () => {
    expect(periodsToBill(plan, 'month', '2026-03-01', '2026-05-31').map(({ fromOn }) => fromOn)).toEqual([
      '2026-03-31',
      '2026-04-30',
      '2026-05-31',
    ]);
    expect(periodsToBill(plan, 'month', '2026-06-01', '2026-05-31')).toEqual([]);
  });

  it('goes on after the last one that was invoiced by its number, also where a pause has moved its days since', () => {
    const paused = { ...plan, pauses: [{ fromOn: '2026-02-10', untilOn: '2026-02-20' }] };
    expect(periodsToBill(paused, 'month', '2026-01-01', '2026-04-01', 2)).toEqual([]);
    expect(periodsToBill(paused, 'month', '2026-01-01', '2026-04-10', 2)).toMatchObject([{ number: 3, fromOn: '2026-04-10' }]);
  });

  it('ran before the day on which the plan ends, or never', () => {
    expect(['2026-01-31', '2026-02-01', '2026-02-28', '2026-03-01'].map((day) => periodsThatRan(plan, 'month', day))).toEqual([0, 1, 1, 2]);
  });

  it('is, on whatever days it is looked at, the same periods in the end', () => {
    const days = fc.array(fc.integer({ min: 0, max: 900 }), { minLength: 1, maxLength: 30 });
    fc.assert(
      fc.property(days, fc.constantFrom('week', 'month', 'quarter', 'year'), (looked, period) => {
        const dayAt = (n: number): string => new Date(Date.parse('2026-01-31') + n * day).toISOString().slice(0, 10);
        const billed = new Set(looked.flatMap((n) => periodsToBill(plan, period, '2026-02-10', dayAt(n)).map(({ fromOn }) => fromOn)));
        const whole = periodsToBill(plan, period, '2026-02-10', dayAt(Math.max(...looked)));
        expect([...billed].sort()).toEqual(whole.map(({ fromOn }) => fromOn));
      }),
    );
  });
});
