import type { Invoice, PlanFields } from '@lean-mentor/contract';
import { sumOf } from '@lean-mentor/core/money';
import fc from 'fast-check';
import { beforeEach, describe, expect, it } from 'vitest';
import { paymentProvider } from '../../../payments/index.ts';
import { bringRequest, clientA, clientB } from '../../../testing/people.ts';
import { peopledHouse } from '../../../testing/peopledHouse.ts';
import type { Table } from '../../../db/table.ts';
import type { Visitor } from '../../../testing/visitor.ts';
import { findWaiting } from '../forecast.ts';
import { findPlans } from '../repository.ts';
import { askAfterPayments, billPlans, remindOfInvoices } from '../index.ts';

const { house, coach, client: ada, other: ben, guardian: gerd } = peopledHouse('coach', 'client', 'other', 'guardian');

const day = 86_400_000;
const hours = { zone: 'Europe/Berlin', weekly: [{ day: 1, from: '09:00', to: '17:00' }], exceptions: [], stays: [] };
const steady: PlanFields = {
  ...{ name: 'Steady', price: '45.10', extraPrice: '25.05', period: 'month', requestsPerPeriod: 2, rank: 1, includes: ['written'] },
  turnaround: { hours: 16, kind: 'working' },
};
const ok = async (asked: PromiseLike<{ status: number; body: unknown }>): Promise<Record<string, unknown>> => {
  const { status, body } = await asked;
  expect([status, body]).toEqual([200, expect.anything()]);
  return body as Record<string, unknown>;
};
interface Money {
  revision: number;
  invoices: Invoice[];
  months: { month: string; invoiced: string; came: string }[];
}
const money = async (): Promise<Money> => (await coach.ask('get', '/api/money')).body as Money;
const own = async (who: Visitor) => (await who.ask('get', '/api/own-invoices')).body.invoices as (Invoice & { mayPay: boolean })[];
const bill = async (fromOn: string | null): Promise<void> => {
  const { revision } = await money();
  const billing = { fromOn, seller: 'Cora Lind\nQuay Road 1', note: 'By transfer, please.', daysToPay: 10 };
  await ok(coach.ask('put', '/api/money/billing', { revision, billing }));
};
const addPlan = async (more: Partial<PlanFields> = {}): Promise<string> =>
  (await ok(coach.ask('post', '/api/plans', { ...steady, ...more })))['planId'] as string;
const give = (clientId: string, planId: string, fromOn: string, more: object = {}) =>
  ok(coach.ask('post', `/api/clients/${clientId}/memberships`, { planId, fromOn, untilOn: null, gifted: false, ...more }));
const write = async (clientId: string, ...amounts: string[]): Promise<{ invoiceId: string; number: number }> =>
  (await ok(
    coach.ask('post', `/api/clients/${clientId}/invoices`, { lines: amounts.map((amount) => ({ words: 'A lesson', amount })) }),
  )) as never;
const letters = async (): Promise<string[]> =>
  (await house.db.letters.findAll()).map((l) => `${l.get('toName') as string}: ${l.get('subject') as string}`);
/** Begins to pay an invoice and tells the stand-in what happens. */
async function press(who: Visitor, invoiceId: string, ...keys: string[]): Promise<string> {
  const { page } = await ok(who.ask('post', `/api/invoices/${invoiceId}/payments`, {}));
  const paymentId = (page as string).replace('/pay/', '');
  for (const key of keys) await ok(who.ask('post', `/api/stand-in-payments/${paymentId}/keys`, { key }));
  return paymentId;
}
const stateOf = async (invoiceId: string) => {
  const { state, open } = (await money()).invoices.find(({ id }) => id === invoiceId)!;
  return [state, open];
};

beforeEach(async () => {
  house.time = new Date('2026-11-30T11:00:00Z');
  for (const table of ['moneyEntries', 'payments', 'standInPayments'] as const)
    await (house.db[table] as Table<object>).destroy({ where: {} });
  await house.db.sequelize.query('DELETE FROM invoices WHERE cancels IS NOT NULL');
  for (const table of ['invoices', 'extraRequests', 'memberships', 'plans', 'requests', 'letters', 'practiceSettings'] as const)
    await (house.db[table] as Table<object>).destroy({ where: {} });
  await ok(coach.ask('put', '/api/practice/hours', { revision: 0, hours, turnaround: { hours: 8, kind: 'working' }, currency: 'EUR' }));
});

describe('invoices of plans', () => {
  it('are written for each period on its first day where the coach is, from the day on which billing begins, and once', async () => {
    await give(clientA, await addPlan(), '2026-09-15');
    await billPlans(house);
    expect((await money()).invoices).toEqual([]);
    await bill('2026-10-01');
    await Promise.all([billPlans(house), billPlans(house)]);
    await billPlans(house);
    const { invoices } = await money();
    expect(
      invoices.map(({ number, recipient, issuedOn, dueOn, total, lines }) => [number, recipient, issuedOn, dueOn, total, lines[0]!.words]),
    ).toEqual([
      [2, 'Ada Moor', '2026-11-30', '2026-12-10', '45.10', 'Plan “Steady”, from 2026-11-15 to 2026-12-14'],
      [1, 'Ada Moor', '2026-11-30', '2026-12-10', '45.10', 'Plan “Steady”, from 2026-10-15 to 2026-11-14'],
    ]);
    // In Berlin the 15th has begun, in Greenwich not yet.
    house.time = new Date('2026-12-14T23:30:00Z');
    await billPlans(house);
    expect((await money()).invoices.map(({ issuedOn }) => issuedOn)).toEqual(['2026-12-15', '2026-11-30', '2026-11-30']);
    expect(await letters()).toContain('Ada Moor: Invoice 3');
  });

  it('are not written for gifts, for what costs nothing, nor again for a period whose invoice was cancelled', async () => {
    await bill('2026-11-01');
    await give(clientA, await addPlan(), '2026-11-20', { gifted: true });
    await give(clientB, await addPlan({ price: '0.00' }), '2026-11-20');
    await billPlans(house);
    expect((await money()).invoices).toEqual([]);
    await give(clientB, await addPlan({ name: 'Other' }), '2026-11-25');
    await billPlans(house);
    const [{ id }] = (await money()).invoices as [Invoice];
    await ok(coach.ask('post', `/api/invoices/${id}/cancel`, { words: 'A mistake of mine.' }));
    await billPlans(house);
    expect((await money()).invoices.map(({ number, total, cancels, state }) => [number, total, cancels, state])).toEqual([
      [2, '-45.10', 1, 'cancelled'],
      [1, '45.10', null, 'cancelled'],
    ]);
  });

  it('of periods that never run, since the plan ended earlier or never began, are cancelled with it', async () => {
    await bill('2026-10-01');
    await give(clientA, await addPlan(), '2026-10-15');
    await billPlans(house);
    const of = async () => (await money()).invoices.map(({ number, total, cancels, state }) => [number, total, cancels, state]).reverse();
    const { memberships } = (await coach.ask('get', '/api/practice')).body as { memberships: { id: string }[] };
    await ok(coach.ask('post', `/api/memberships/${memberships[0]!.id}/end`, { untilOn: '2026-11-15' }));
    expect(await of()).toEqual([
      [1, '45.10', null, 'open'],
      [2, '45.10', null, 'cancelled'],
      [3, '-45.10', 2, 'cancelled'],
    ]);
    await give(clientA, await addPlan({ name: 'Close', price: '95.00' }), '2026-11-20');
    await billPlans(house);
    await give(clientA, await addPlan({ name: 'Now and then', price: '35.00' }), '2026-11-20');
    await billPlans(house);
    expect((await of()).slice(3)).toEqual([
      [4, '95.00', null, 'cancelled'],
      [5, '-95.00', 4, 'cancelled'],
      [6, '35.00', null, 'open'],
    ]);
  });

  it('are not upset by a pause that moves their days, and a plan in use keeps the length of its periods', async () => {
    await bill('2026-10-01');
    const planId = await addPlan();
    await give(clientA, planId, '2026-10-15');
    await billPlans(house);
    const { memberships } = (await coach.ask('get', '/api/practice')).body as { memberships: { id: string }[] };
    await ok(coach.ask('post', `/api/memberships/${memberships[0]!.id}/pause`, { fromOn: '2026-11-01', untilOn: '2026-11-11' }));
    await billPlans(house);
    house.time = new Date('2026-12-20T11:00:00Z');
    await billPlans(house);
    expect((await money()).invoices).toHaveLength(2);
    house.time = new Date('2026-12-25T11:00:00Z');
    await billPlans(house);
    expect((await money()).invoices).toHaveLength(3);
    const changed = await coach.ask('put', `/api/plans/${planId}`, { ...steady, period: 'week' });
    expect(changed.body).toMatchObject({ code: 'not-valid', fields: [{ field: 'period' }] });
  });

  it('follow one request more that is bought, not one that is given; what a minor buys their guardian does', async () => {
    await bill('2027-01-01');
    await give(clientA, await addPlan(), '2026-11-20');
    await give(clientB, await addPlan(), '2026-11-20');
    const of = async (who: Visitor) => ((await who.ask('get', '/api/own-memberships')).body.memberships as { id: string }[])[0]!.id;
    await ok(coach.ask('post', `/api/memberships/${await of(ada)}/extra`, {}));
    expect((await money()).invoices).toEqual([]);
    await ok(ada.ask('post', `/api/memberships/${await of(ada)}/extra`, {}));
    await house.db.clients.update({ bornOn: '2012-05-01' } as never, { where: { id: clientB } });
    const refused = await ben.ask('post', `/api/memberships/${await of(ben)}/extra`, {});
    expect([refused.status, refused.body.message]).toEqual([403, 'Your guardian buys this: it stands on their page.']);
    await ok(gerd.ask('post', `/api/memberships/${await of(ben)}/extra`, {}));
    const { invoices } = await money();
    expect(invoices.map(({ recipient, total }) => [recipient, total])).toEqual([
      [expect.stringMatching(/^Gerd .* \(for Ben .*\)$/), '25.05'],
      ['Ada Moor', '25.05'],
    ]);
    expect((await own(ben)).map(({ mayPay }) => mayPay)).toEqual([false]);
    expect((await own(gerd)).map(({ mayPay }) => mayPay)).toEqual([true]);
    expect((await ben.ask('post', `/api/invoices/${invoices[0]!.id}/payments`, {})).status).toBe(403);
    expect((await letters()).filter((one) => one.endsWith('Invoice 2'))).toEqual([expect.stringMatching(/^Gerd/)]);
  });
});

describe('numbers of invoices', () => {
  it('have no gap and nothing twice, whoever writes, cancels and fails at the same time', async () => {
    await bill('2026-11-01');
    const act = fc.constantFrom('write', 'cancel', 'fail');
    await fc.assert(
      fc.asyncProperty(fc.array(act, { minLength: 1, maxLength: 8 }), async (acts) => {
        const { invoices } = await money();
        const answers = await Promise.all(
          acts.map((one, i) => {
            if (one === 'write') return coach.ask('post', `/api/clients/${clientA}/invoices`, { lines: [{ words: 'x', amount: '0.10' }] });
            if (one === 'cancel' && invoices[i]) return coach.ask('post', `/api/invoices/${invoices[i].id}/cancel`, { words: '' });
            // One that fails after its number was taken.
            return house.db.sequelize
              .transaction(async (transaction) => {
                const { issueInvoice } = await import('./issue.ts');
                await issueInvoice(house, clientB, [{ words: 'x', amount: '0.20' }], {}, transaction);
                throw new Error('Something else failed.');
              })
              .catch(() => undefined);
          }),
        );
        // Nobody is refused because somebody else wrote at the same time.
        expect(
          answers.map((answer) => answer?.status).filter((status) => status !== undefined && status !== 200 && status !== 409),
        ).toEqual([]);
        const numbers = (await money()).invoices.map(({ number }) => number).sort((a, b) => a - b);
        expect(numbers).toEqual(numbers.map((_, i) => i + 1));
      }),
      { numRuns: 12 },
    );
    const { invoices } = await money();
    const cancelled = invoices.filter(({ cancelledBy }) => cancelledBy !== null).length;
    expect(sumOf(invoices.map(({ total }) => total))).toBe(sumOf(Array.from({ length: invoices.length - 2 * cancelled }, () => '0.10')));
  });

  it('stand as they were written: the database refuses to change an invoice', async () => {
    await bill('2026-11-01');
    const { invoiceId } = await write(clientA, '10.00');
    await expect(house.db.invoices.update({ total: '1.00' }, { where: { id: invoiceId } })).rejects.toThrow(
      'An invoice stays as it was written.',
    );
    await bill(null);
    expect((await coach.ask('post', `/api/clients/${clientA}/invoices`, { lines: [{ words: 'x', amount: '1.00' }] })).status).toBe(409);
  });
});

describe('a payment', () => {
  beforeEach(() => bill('2026-11-01'));

  it('pays what is open, once, however often it is pressed and told', async () => {
    const { invoiceId } = await write(clientA, '10.10', '0.20');
    const paymentId = await press(ada, invoiceId, 'pays');
    expect(await stateOf(invoiceId)).toEqual(['paid', '0.00']);
    expect((await ada.ask('post', `/api/stand-in-payments/${paymentId}/keys`, { key: 'pays' })).status).toBe(409);
    await Promise.all([askAfterPayments(house), askAfterPayments(house)]);
    expect(await stateOf(invoiceId)).toEqual(['paid', '0.00']);
    expect((await ada.ask('post', `/api/invoices/${invoiceId}/payments`, {})).body.code).toBe('not-now');
    expect((await ben.ask('post', `/api/invoices/${invoiceId}/payments`, {})).status).toBe(404);
    expect(await money()).toMatchObject({ months: expect.arrayContaining([{ month: '2026-11', invoiced: '10.30', came: '10.30' }]) });
  });

  it('that fails leaves it open; one that is late is on its way for three days and comes; the bank may take it back', async () => {
    const { invoiceId } = await write(clientA, '10.00');
    await press(ada, invoiceId, 'fails');
    expect(await stateOf(invoiceId)).toEqual(['open', '10.00']);
    house.time = new Date(house.time!.getTime() + 9 * day);
    const paymentId = await press(ada, invoiceId, 'is-late');
    expect(await stateOf(invoiceId)).toEqual(['on-its-way', '10.00']);
    house.time = new Date(house.time!.getTime() + 3 * day);
    expect(await stateOf(invoiceId)).toEqual(['on-its-way', '10.00']);
    await askAfterPayments(house);
    expect(await stateOf(invoiceId)).toEqual(['paid', '0.00']);
    await ok(ada.ask('post', `/api/stand-in-payments/${paymentId}/keys`, { key: 'charges-back' }));
    expect(await stateOf(invoiceId)).toEqual(['late', '10.00']);
    await press(ada, invoiceId, 'pays');
    expect(await stateOf(invoiceId)).toEqual(['paid', '0.00']);
  });

  it('noted by hand is no more than is open, once, and a mistake is put right by another entry', async () => {
    const { invoiceId } = await write(clientA, '30.00');
    const note = (kind: string, amount: string, id = house.newId()) =>
      coach.ask('post', `/api/invoices/${invoiceId}/entries`, { id, kind, amount, words: 'Cash' });
    expect((await note('paid', '30.01')).body.message).toBe('Only 30.00 of this invoice is still open.');
    const id = house.newId();
    await Promise.all([note('paid', '20.00', id), note('paid', '20.00', id)]);
    expect(await stateOf(invoiceId)).toEqual(['open', '10.00']);
    expect((await note('paid-back', '1.00')).body.message).toBe('Only 0.00 of this invoice is to be paid back.');
    await ok(note('mistaken', '20.00'));
    expect((await note('mistaken', '0.01')).body.message).toBe('Only 0.00 was noted by hand as paid.');
    await ok(note('paid', '30.00'));
    await ok(coach.ask('post', `/api/invoices/${invoiceId}/cancel`, { words: '' }));
    expect(await stateOf(invoiceId)).toEqual(['to-pay-back', '-30.00']);
    await ok(note('paid-back', '30.00'));
    expect(await stateOf(invoiceId)).toEqual(['cancelled', '0.00']);
    expect((await coach.ask('post', `/api/invoices/${invoiceId}/cancel`, { words: '' })).status).toBe(409);
  });

  it('keeps of the payer nothing but what the service calls the payment', async () => {
    const { invoiceId } = await write(clientA, '10.00');
    await press(ada, invoiceId, 'pays');
    const [row] = (await house.db.payments.findAll({ raw: true })) as object[];
    expect(Object.keys(row!).sort()).toEqual(
      ['id', 'invoiceId', 'provider', 'reference', 'amount', 'page', 'begunBy', 'begunAt', 'askedAt'].sort(),
    );
    expect(paymentProvider(house).name).toBe('stand-in');
  });
});

describe('a late payment', () => {
  it('is reminded of once, puts the client’s requests after those of others, and closes nothing to them', async () => {
    await bill('2026-11-01');
    await give(clientA, await addPlan(), '2026-11-20');
    const { requestId } = await bringRequest(house, clientA, 'ready');
    const standing = async () => (await findWaiting(house, await findPlans(house))).map(({ planRank, weight }) => [planRank, weight]);
    const { invoiceId } = await write(clientA, '10.00');
    house.time = new Date('2026-12-10T20:00:00Z');
    await remindOfInvoices(house);
    expect(await standing()).toEqual([[1, 2]]);
    house.time = new Date('2026-12-11T08:00:00Z');
    await remindOfInvoices(house);
    await remindOfInvoices(house);
    expect((await letters()).filter((one) => one === 'Ada Moor: Invoice 1 is late')).toHaveLength(1);
    expect(await standing()).toEqual([[2, 1]]);
    expect((await coach.ask('get', '/api/today')).body.rows[0]).toMatchObject({ paymentLate: true, planRank: 2 });
    expect((await ada.ask('get', `/api/requests/${requestId}`)).status).toBe(200);
    await press(ada, invoiceId, 'pays');
    expect(await standing()).toEqual([[1, 2]]);
  });
});

describe('what leaves the house', () => {
  it('is an invoice as PDF for who may see it, and tables that a table program sums to the same cent', async () => {
    await bill('2026-11-01');
    const { invoiceId } = await write(clientA, '10.10', '0.20');
    await ok(coach.ask('post', `/api/clients/${clientB}/invoices`, { lines: [{ words: '=1+1', amount: '5.00' }] }));
    await ok(coach.ask('post', `/api/invoices/${invoiceId}/cancel`, { words: '' }));
    const pdf = await ada.ask('get', `/api/invoices/${invoiceId}/pdf`).buffer(true);
    expect([pdf.status, pdf.headers['content-type'], (pdf.body as Buffer).subarray(0, 5).toString()]).toEqual([
      200,
      'application/pdf',
      '%PDF-',
    ]);
    expect((await ben.ask('get', `/api/invoices/${invoiceId}/pdf`)).status).toBe(404);
    const { text } = await coach.ask('get', '/api/money/2026/invoices').buffer(true);
    expect(text.split('\n').slice(1)).toEqual([
      '1,2026-11-30,2026-12-10,Ada Moor,A lesson; A lesson,EUR,10.30,,3,cancelled,0.00',
      expect.stringContaining(",'=1+1,EUR,5.00,,,open,5.00"),
      '3,2026-11-30,2026-11-30,Ada Moor,A lesson; A lesson,EUR,-10.30,1,,cancelled,0.00',
    ]);
    await press(gerd, (await own(gerd))[0]!.id, 'pays');
    const entries = (await coach.ask('get', '/api/money/2026/entries').buffer(true)).text.split('\n');
    expect(entries).toEqual(['at,invoice,what,currency,amount,words', '2026-11-30T11:00:00.000Z,2,paid,EUR,5.00,stand-in']);
    expect((await coach.ask('get', '/api/money/2025/entries').buffer(true)).text.split('\n')).toHaveLength(1);
  });
});
