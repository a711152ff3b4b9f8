import type { MembershipView, PlanFields } from '@lean-mentor/contract';
import { seasonFactor, type Seasons } from '@lean-mentor/core/queue';
import { beforeEach, describe, expect, it } from 'vitest';
import { bringRequest, clientA, clientB, anIntake } from '../../testing/people.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { originalKey } from '../../storage/index.ts';
import type { Table } from '../../db/table.ts';
import { changeFootage } from '../footage/index.ts';
import { requestAnswered } from '../requests/index.ts';
import type { Visitor } from '../../testing/visitor.ts';

const { house, coach, assistant, client: ada, guardian: gerd } = peopledHouse('coach', 'assistant', 'client', 'guardian');

/** Monday noon in Berlin. */
const monday = new Date('2026-11-30T11:00:00Z');
const hours = {
  zone: 'Europe/Berlin',
  weekly: [1, 2, 3, 4, 5].map((day) => ({ day, from: '09:00', to: '17:00' })),
  exceptions: [],
  stays: [],
};
const steady: PlanFields = {
  ...{ name: 'Steady', price: '45.00', extraPrice: '25.00', period: 'month', requestsPerPeriod: 2, rank: 1, includes: ['written'] },
  turnaround: { hours: 16, kind: 'working' },
};
const ok = async (asked: PromiseLike<{ status: number; body: unknown }>): Promise<Record<string, unknown>> => {
  const { status, body } = await asked;
  expect([status, body]).toEqual([200, expect.anything()]);
  return body as Record<string, unknown>;
};
const addPlan = async (more: Partial<PlanFields> = {}): Promise<string> =>
  (await ok(coach.ask('post', '/api/plans', { ...steady, ...more })))['planId'] as string;
const give = (clientId: string, planId: string, fromOn: string, more: object = {}) =>
  coach.ask('post', `/api/clients/${clientId}/memberships`, { planId, fromOn, untilOn: null, gifted: false, ...more });
const practice = async () => (await coach.ask('get', '/api/practice')).body as { revision: number; memberships: MembershipView[] };
const own = async (who: Visitor): Promise<MembershipView[]> => (await who.ask('get', '/api/own-memberships')).body.memberships;
const letters = async (): Promise<string[]> =>
  (await house.db.letters.findAll()).map((l) => `${l.get('toName') as string}: ${l.get('body') as string}`);

/** A draft with everything said and one minute of footage that is ready. */
async function draftOf(who: Visitor, clientId: string): Promise<string> {
  const { id } = (await who.ask('post', '/api/drafts', { clientId })).body as { id: string };
  await who.ask('patch', `/api/drafts/${id}`, { step: 'check', intake: anIntake });
  const footageId = (await who.ask('post', `/api/requests/${id}/footages`, { fileName: 'a.mp4', byteSize: 10 })).body.id as string;
  await changeFootage(house, footageId, { state: 'ready', originalKey: originalKey(footageId), seconds: 600 });
  return id;
}
const send = (who: Visitor, id: string) => who.ask('post', `/api/requests/${id}/send`, {});

beforeEach(async () => {
  house.time = monday;
  for (const table of ['extraRequests', 'memberships', 'plans', 'pauses', 'requests', 'letters'] as const)
    await (house.db[table] as Table<object>).destroy({ where: {} });
  const { revision } = await practice();
  await ok(coach.ask('put', '/api/practice/hours', { revision, hours, turnaround: { hours: 8, kind: 'working' }, currency: 'EUR' }));
});

describe('working hours', () => {
  it('are not set over what somebody else has set meanwhile', async () => {
    const { revision } = await practice();
    const body = { revision, hours, turnaround: { hours: 10, kind: 'calendar' }, currency: 'NOK' };
    await ok(coach.ask('put', '/api/practice/hours', body));
    expect((await coach.ask('put', '/api/practice/hours', body)).body.code).toBe('changed-meanwhile');
    expect(await practice()).toMatchObject({ currency: 'NOK', turnaround: { hours: 10, kind: 'calendar' }, revision: revision + 1 });
  });

  it('say what is wrong with them, and where', async () => {
    const { revision } = await practice();
    const wrong = async (more: object) =>
      (
        await coach.ask('put', '/api/practice/hours', {
          revision,
          hours: { ...hours, ...more },
          turnaround: { hours: 8, kind: 'working' },
          currency: 'EUR',
        })
      ).body;
    expect(await wrong({ zone: 'Europe/Nowhere' })).toMatchObject({ code: 'not-valid', fields: [{ field: 'hours.zone' }] });
    expect(await wrong({ weekly: [{ day: 1, from: '12:00', to: '09:00' }] })).toMatchObject({
      fields: [{ why: 'It ends before it begins.' }],
    });
    expect(await wrong({ weekly: [{ day: 8, from: '9', to: '10:00' }] })).toMatchObject({ code: 'not-valid' });
  });
});

describe('a plan of a client', () => {
  it('is seen by both with what is left, and each request sent takes one', async () => {
    await ok(give(clientA, await addPlan(), '2026-11-01'));
    expect(await own(ada)).toMatchObject([
      { state: 'runs', period: { fromOn: '2026-11-01', untilOn: '2026-12-01', used: 0, extras: 0, left: 2 } },
    ]);
    await ok(send(ada, await draftOf(ada, clientA)));
    expect((await own(ada))[0]!.period).toMatchObject({ used: 1, left: 1 });
    expect((await practice()).memberships[0]).toMatchObject({ clientName: 'Ada Moor', period: { left: 1 } });
    expect(await own(gerd)).toEqual([]);
    expect(await letters()).toContainEqual(
      expect.stringContaining('Ada Moor: Hello Ada Moor,\n\nFrom 2026-11-01 on your plan is “Steady”.'),
    );
  });

  it('holds no more than it says: not for one sent at the same time, and one more for who buys it; what is withdrawn comes back', async () => {
    await ok(give(clientA, await addPlan({ requestsPerPeriod: 1 }), '2026-11-01'));
    const [one, two] = [await draftOf(ada, clientA), await draftOf(ada, clientA)];
    const both = await Promise.all([send(ada, one), send(ada, two)]);
    expect(both.map(({ status }) => status).sort()).toEqual([200, 409]);
    const left = both[0]!.status === 200 ? two : one;
    expect((await send(ada, left)).body.code).toBe('none-left');
    const { id } = (await own(ada))[0]!;
    await ok(ada.ask('post', `/api/memberships/${id}/extra`, {}));
    expect(await house.db.extraRequests.findAll({ raw: true })).toMatchObject([{ gifted: 0 }]);
    await ok(send(ada, left));
    expect((await own(ada))[0]!.period).toMatchObject({ used: 2, extras: 1, left: 0 });
    await ok(ada.ask('post', `/api/requests/${left}/withdraw`, {}));
    expect((await own(ada))[0]!.period).toMatchObject({ used: 1, left: 1 });
    expect((await gerd.ask('post', `/api/memberships/${id}/extra`, {})).status).toBe(404);
  });

  it('begins a new period with everything in it', async () => {
    await ok(give(clientA, await addPlan({ requestsPerPeriod: 1 }), '2026-11-01'));
    await ok(send(ada, await draftOf(ada, clientA)));
    house.time = new Date('2026-12-01T11:00:00Z');
    expect((await own(ada))[0]!.period).toMatchObject({ fromOn: '2026-12-01', used: 0, left: 1 });
    await ok(send(ada, await draftOf(ada, clientA)));
  });

  it('is changed from a day on: the one before ends there, and nobody has two at once', async () => {
    const [first, second] = [await addPlan(), await addPlan({ name: 'Often', rank: 2 })];
    await ok(give(clientA, first, '2026-11-01'));
    await ok(give(clientA, second, '2026-12-15'));
    expect((await practice()).memberships.map((m) => [m.plan.name, m.fromOn, m.untilOn, m.state])).toEqual([
      ['Steady', '2026-11-01', '2026-12-15', 'runs'],
      ['Often', '2026-12-15', null, 'not-yet'],
    ]);
    expect((await give(clientA, first, '2026-12-01')).body.message).toBe(
      'A plan begins for this client on 2026-12-15 already. End that one first.',
    );
    const [{ id }] = (await practice()).memberships as [MembershipView];
    expect((await coach.ask('post', `/api/memberships/${id}/end`, { untilOn: null })).body.message).toContain('cannot go on beyond that');
  });

  it('pauses, and its period is longer by as many days; nothing is sent meanwhile', async () => {
    await ok(give(clientA, await addPlan(), '2026-11-01'));
    const { id } = (await own(ada))[0]!;
    await ok(coach.ask('post', `/api/memberships/${id}/pause`, { fromOn: '2026-11-30', untilOn: null }));
    const draft = await draftOf(ada, clientA);
    expect((await send(ada, draft)).body.code).toBe('plan-paused');
    expect((await ada.ask('post', `/api/memberships/${id}/extra`, {})).body.code).toBe('not-now');
    house.time = new Date('2026-12-10T11:00:00Z');
    await ok(coach.ask('post', `/api/memberships/${id}/pause`, { fromOn: '2026-12-05', untilOn: '2026-12-10' }));
    expect((await own(ada))[0]).toMatchObject({
      state: 'runs',
      pauses: [{ fromOn: '2026-11-30', untilOn: '2026-12-10' }],
      period: { fromOn: '2026-11-01', untilOn: '2026-12-11' },
    });
    await ok(send(ada, draft));
  });

  it('that is offered no more stays with who has it and is given to nobody', async () => {
    const planId = await addPlan();
    await ok(give(clientA, planId, '2026-11-01'));
    await ok(coach.ask('post', `/api/plans/${planId}/retire`, { retired: true }));
    expect((await give(clientB, planId, '2026-11-01')).body.message).toContain('not offered any more');
    expect((await own(ada))[0]!.state).toBe('runs');
  });
});

describe('a promise', () => {
  const promise = async (id: string) => (await ada.ask('get', `/api/requests/${id}/promise`)).body;

  it('is said before sending, kept with the request, and counts working hours of the plan', async () => {
    await ok(give(clientA, await addPlan(), '2026-11-01'));
    const id = await draftOf(ada, clientA);
    const said = await promise(id);
    // Sixteen hours from Monday noon: five on Monday, eight on Tuesday, three on Wednesday.
    expect(said).toMatchObject({
      dueAt: '2026-12-02T11:00:00.000Z',
      coachZone: 'Europe/Berlin',
      left: 2,
      planName: 'Steady',
      pausedUntil: null,
    });
    // Ten minutes of bout take half an hour, in eight of ten cases little more than twice that at most.
    expect(Date.parse(said.byAt)).toBeGreaterThan(monday.getTime() + 30 * 60_000);
    expect(Date.parse(said.byAt)).toBeLessThan(monday.getTime() + 75 * 60_000);
    await ok(send(ada, id));
    const row = (await house.db.requests.findByPk(id))!.get({ plain: true });
    expect([row.saidByAt?.toISOString(), row.dueAt.toISOString(), row.readyAt]).toEqual([said.byAt, said.dueAt, monday]);
    expect((await promise(id)).code).toBe('not-a-draft');
  });

  it('comes later for who comes behind others, by the policy: before those of a lower rank', async () => {
    for (let i = 0; i < 4; i++) await bringRequest(house, clientB, 'ready');
    await house.db.requests.update({ dueAt: new Date('2026-12-01T08:00:00Z') }, { where: { clientId: clientB } });
    await house.db.footages.update({ seconds: 1800 }, { where: {} });
    await ok(give(clientA, await addPlan(), '2026-11-01'));
    const id = await draftOf(ada, clientA);
    const behind = Date.parse((await promise(id)).byAt);
    await ok(coach.ask('put', '/api/today/policy', { policy: 'plan-rank' }));
    const before = Date.parse((await promise(id)).byAt);
    expect(behind - before).toBeGreaterThan(4 * 3_600_000);
    await ok(coach.ask('put', '/api/today/policy', { policy: 'due-first' }));
  });

  it('moves on when the coach is ill, and its people are told until when and by when', async () => {
    await ok(give(clientA, await addPlan(), '2026-11-01'));
    const id = await draftOf(ada, clientA);
    await ok(send(ada, id));
    const before = (await house.db.requests.findByPk(id))!.get({ plain: true });
    await house.db.letters.destroy({ where: {} });
    const pause = { fromAt: '2026-11-30T10:00:00Z', untilAt: '2026-12-03T08:00:00Z', words: 'A cold; nothing serious.' };
    expect((await assistant.ask('post', '/api/pauses', pause)).status).toBe(403);
    expect(await ok(coach.ask('post', '/api/pauses', pause))).toMatchObject({ moved: 1 });
    const after = (await house.db.requests.findByPk(id))!.get({ plain: true });
    // The sixteen hours begin again on Thursday 3 December at nine: eight, then eight.
    expect(after.dueAt.toISOString()).toBe('2026-12-04T16:00:00.000Z');
    expect(after.saidByAt!.getTime() - before.saidByAt!.getTime()).toBe(69 * 3_600_000);
    expect(await letters()).toEqual([
      expect.stringMatching(/until Thursday 3 December at 9:00 \(Europe\/Berlin\).*by Friday 4 December at 17:00/s),
    ]);
    expect((await letters())[0]).toContain('A cold; nothing serious.');
    expect((await promise(await draftOf(ada, clientA))).pausedUntil).toBe('2026-12-03T08:00:00.000Z');
    expect((await coach.ask('post', '/api/pauses', pause)).body.message).toContain('lies in these days already');
    const { pauses } = (await coach.ask('get', '/api/practice')).body;
    house.time = new Date('2026-12-01T10:00:00Z');
    await ok(coach.ask('post', `/api/pauses/${pauses[0].id}/end`, {}));
    expect((await coach.ask('get', '/api/practice')).body.pauses).toEqual([]);
    expect((await house.db.requests.findByPk(id))!.get('dueAt')).toEqual(after.dueAt);
  });

  it('is no test of the forecast once it was moved, and is listed with what came of it', async () => {
    const id = await draftOf(ada, clientA);
    await ok(send(ada, id));
    await ok(coach.ask('post', `/api/requests/${id}/ask-first`, { need: 'context', words: 'Which round?' }));
    house.time = new Date('2026-12-02T11:00:00Z');
    await ok(ada.ask('post', `/api/requests/${id}/answer`, { words: 'The second.' }));
    const { promises } = (await coach.ask('get', '/api/promises')).body;
    // Eight hours from Monday noon were Tuesday noon; two days stood still.
    expect(promises).toMatchObject([
      { requestId: id, movedAt: '2026-12-02T11:00:00.000Z', dueAt: '2026-12-03T11:00:00.000Z', sentAt: null },
    ]);
  });
});

describe('time at the desk', () => {
  it('is learnt from what was sent and measured, in the order in which it became ready', async () => {
    const sent: string[] = [];
    for (const [hoursAgo, minutes] of [
      [1, 3],
      [30, 1],
      [7, 2],
      [2, 0],
    ] as const) {
      const { requestId } = await bringRequest(house, clientA, 'ready');
      if (minutes > 0)
        await ok(
          coach.ask('post', `/api/requests/${requestId}/desk-time`, {
            minutes: Array.from({ length: minutes }, (_, minutesAgo) => ({ minutesAgo, seconds: 60 })),
          }),
        );
      await house.db.requests.update({ state: 'sent', readyAt: new Date(Date.now() - hoursAgo * 3600_000) }, { where: { id: requestId } });
      sent.push(requestId);
    }
    const { past } = (await coach.ask('get', '/api/today')).body as { past: { requestId: string; deskMinutes: number }[] };
    expect(past.map(({ requestId, deskMinutes }) => [sent.indexOf(requestId), deskMinutes])).toEqual([
      [1, 1],
      [2, 2],
      [0, 3],
    ]);
  });

  it('is kept by the minute: told twice it counts once, and the next estimate is made of what was sent', async () => {
    const { requestId } = await bringRequest(house, clientA, 'ready');
    const tell = (minutes: object[]) => coach.ask('post', `/api/requests/${requestId}/desk-time`, { minutes });
    await ok(tell([{ minutesAgo: 0, seconds: 20 }]));
    await ok(
      tell([
        { minutesAgo: 0, seconds: 50 },
        { minutesAgo: 1, seconds: 60 },
      ]),
    );
    await ok(tell([{ minutesAgo: 0, seconds: 40 }]));
    await ok(assistant.ask('post', `/api/requests/${requestId}/desk-time`, { minutes: [{ minutesAgo: 0, seconds: 10 }] }));
    const today = async () => (await coach.ask('get', '/api/today')).body;
    expect((await today()).rows[0]).toMatchObject({ spentMinutes: 2, boutMinutes: 1 });
    expect((await today()).past).toEqual([]);
    await house.db.requests.update({ state: 'sent' }, { where: { id: requestId } });
    expect((await today()).past).toEqual([{ requestId, kind: 'sparring', boutMinutes: 1, deskMinutes: 2, spoken: false }]);
    expect((await coach.ask('post', `/api/requests/${requestId}/desk-time`, { minutes: [{ minutesAgo: 2, seconds: 61 }] })).status).toBe(
      400,
    );
  });
});

describe('the order by hand', () => {
  it('is kept with the request and given back', async () => {
    const { requestId } = await bringRequest(house, clientA, 'ready');
    const place = async () => (await coach.ask('get', '/api/today')).body.rows[0].place;
    await ok(assistant.ask('put', `/api/requests/${requestId}/place`, { place: 0 }));
    expect(await place()).toBe(0);
    await ok(coach.ask('put', `/api/requests/${requestId}/place`, { place: null }));
    expect(await place()).toBeNull();
  });

  it('moves up when one is sent, and not beyond the first', async () => {
    const { requestId } = await bringRequest(house, clientA, 'ready');
    await ok(coach.ask('put', `/api/requests/${requestId}/place`, { place: 1 }));
    const place = async () => (await coach.ask('get', '/api/today')).body.rows.find(({ id }: { id: string }) => id === requestId).place;
    for (const now of [0, 0]) {
      const { requestId: done } = await bringRequest(house, clientB, 'ready');
      await house.db.sequelize.transaction((transaction) => requestAnswered(house, done, transaction));
      expect(await place()).toBe(now);
    }
  });
});

describe('the workload', () => {
  it('counts by plan what came in, what it took and what it paid, and who worked how long', async () => {
    const planId = await addPlan({ price: '42.00' });
    await ok(give(clientA, planId, '2026-11-16'));
    const id = await draftOf(ada, clientA);
    await ok(send(ada, id));
    const { requestId: loose } = await bringRequest(house, clientB, 'ready');
    await house.db.requests.update({ readyAt: monday }, { where: { id: loose } });
    await ok(
      coach.ask('post', `/api/requests/${id}/desk-time`, {
        minutes: Array.from({ length: 30 }, (_, i) => ({ minutesAgo: i, seconds: 60 })),
      }),
    );
    await ok(assistant.ask('post', `/api/requests/${id}/desk-time`, { minutes: [{ minutesAgo: 0, seconds: 60 }] }));
    const { sources, hands, weeks } = await ok(coach.ask('get', '/api/workload'));
    expect(weeks).toBe(12);
    expect(sources).toMatchObject([
      // Fifteen days with today, of a month of 30.44.
      { planId, planName: 'Steady', clients: 1, requests: 1, deskMinutes: 31, paid: '20.70', bouts: [{ kind: 'sparring', minutes: 10 }] },
      { planId: null, clients: 1, requests: 1, paid: '0.00' },
    ]);
    expect((sources as { clientWeeks: number }[])[0]!.clientWeeks).toBeCloseTo(15 / 7, 9);
    expect(hands).toEqual([
      { name: 'Cora Lind', hours: 0.5, requests: 1 },
      { name: 'Abel Stone', hours: 1 / 60, requests: 1 },
    ]);
    expect((await assistant.ask('get', '/api/workload')).status).toBe(403);
  });

  it('looks for seasons in the same weeks of earlier years', async () => {
    const week = 7 * 86_400_000;
    // Ready in the middle of each of the 120 weeks before now; of those that lie 48 to 51 weeks back, three times.
    for (let ago = 0; ago < 120; ago++)
      for (let i = 0; i < (ago >= 48 && ago < 52 ? 3 : 1); i++) {
        const { requestId } = await bringRequest(house, clientB, 'ready');
        await house.db.requests.update({ readyAt: new Date(monday.getTime() - (ago + 0.5) * week) }, { where: { id: requestId } });
      }
    const { seasons } = (await ok(coach.ask('get', '/api/workload'))) as unknown as { seasons: Seasons };
    expect(seasons.ahead.map(({ requests }) => requests)).toEqual([12 + 4, 4 + 4]);
    expect(seasonFactor(seasons.ahead[0]!)).toBeGreaterThan(1.2);
  });
});
