import type { ClientWork, PainFlag, ResponseOf } from '@lean-mentor/contract';
import type * as contract from '@lean-mentor/contract';
import { blankPrinciple } from '@lean-mentor/core/book';
import { startWays, type DoneRound, type WorkTerms } from '@lean-mentor/core/work';
import ICAL from 'ical.js';
import { beforeEach, describe, expect, it } from 'vitest';
import { aDrill, aNote, bringCritique, bringRequest, clientA, clientB } from '../../testing/people.ts';
import { insertClient } from '../clients/index.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { visit } from '../../testing/visitor.ts';
import { endWorkThatHolds } from '../followup/index.ts';
import { remindOfWork } from './reminders.ts';

const {
  house,
  open,
  coach,
  assistant,
  client: ada,
  other: ben,
  guardian: gerd,
} = peopledHouse('coach', 'assistant', 'client', 'other', 'guardian');

const aRound: WorkTerms = {
  ...aDrill,
  ...{ kind: 'round', name: 'Half guard, from below', loads: [{ part: 'knee', side: null }] },
  test: {
    start: { position: 'half-guard', clientHolds: false, grips: 'underhook' },
    ...{ ways: startWays('half-guard', false), minutes: 5, counts: 'chance' },
  },
  ...{ rounds: 2, restSeconds: 60, wanted: { level: 'same', size: 'same' }, swaps: false, advice: '', order: 'one-way' },
} as WorkTerms;

beforeEach(async () => {
  house.time = new Date('2026-11-30T11:00:00Z');
  for (const table of ['pains', 'workDone', 'work', 'training', 'letters', 'requests'] as const)
    await (house.db[table] as typeof house.db.work).destroy({ where: {} });
});

const give = (terms: WorkTerms, more: object = {}, clientId = clientA, workId = house.newId(), who = coach) =>
  who
    .ask('put', `/api/clients/${clientId}/work/${workId}`, {
      ...{ revision: 0, principleId: null, requestId: null, terms, fromOn: '2026-11-30', care: '', ...more },
    })
    .then((answer) => ({ ...answer, body: answer.body as { message: string; code: string; revision: number }, workId }));
const workOf = async (who = ada, clientId = clientA): Promise<ResponseOf<typeof contract.getClientWork>> =>
  (await who.ask('get', `/api/clients/${clientId}/work`)).body;
const round = (won: number, lost: number, when: DoneRound['when'] = null): DoneRound => ({
  ...{ when, place: 'own', ranMs: 300_000, partner: { level: 'same', size: 'same' }, by: 'third' },
  presses: [
    ...Array.from({ length: won }, (_, i) => ({ wayId: 'w1', atMs: i * 1000 })),
    ...Array.from({ length: lost }, (_, i) => ({ wayId: 'w3', atMs: 200_000 + i * 1000 })),
  ],
});
const log = (workId: string, more: object = {}, id = house.newId(), who = ada, clientId = clientA) =>
  who.ask('put', `/api/clients/${clientId}/work/${workId}/done/${id}`, {
    ...{ doneOn: '2026-11-30', rounds: [], felt: 4, line: '', pains: [], ...more },
  });
const letters = async (): Promise<string[]> =>
  (await house.db.letters.findAll({ order: [['toName', 'ASC']] })).map((row) => `${row.get('toName')}: ${row.get('subject')}`);

describe('work that is given', () => {
  it('is the client’s with its days ahead, and they are told; a minor’s guardian is told as well', async () => {
    const { workId } = await give(aDrill);
    expect((await workOf()).work).toMatchObject([
      {
        id: workId,
        terms: { name: 'Shin wall' },
        state: 'going',
        dates: ['2026-11-30', '2026-12-04', '2026-12-09', '2026-12-15', '2026-12-23'],
        givenBy: 'Cora Lind',
      },
    ]);
    expect(await letters()).toEqual(['Ada Moor: Cora Lind has work for you']);
    await give(aDrill, {}, clientB, house.newId(), assistant);
    expect(await letters()).toEqual([
      'Ada Moor: Cora Lind has work for you',
      'Ben Ruhl: Abel Stone has work for you',
      'Gerd Ruhl: Abel Stone has work for Ben Ruhl',
    ]);
  });

  it('is given by the coaching side alone, and seen by nobody else’s client', async () => {
    expect((await give(aDrill, {}, clientA, house.newId(), ada)).status).toBe(403);
    expect((await ben.ask('get', `/api/clients/${clientA}/work`)).status).toBe(404);
    const { workId } = await give(aDrill);
    // By the address of one's own client nobody reaches another's work.
    expect((await log(workId, {}, house.newId(), ben, clientB)).status).toBe(404);
    expect((await give(aDrill, { revision: 1 }, clientB, workId)).status).toBe(404);
  });

  it('is refused where it is restricted for a minor; one of age may be given it', async () => {
    const heel: WorkTerms = { ...aDrill, name: 'Heel control', caution: 'knee-and-heel' };
    const refused = await give(heel, {}, clientB);
    expect([refused.status, refused.body.message]).toEqual([
      400,
      '“Heel control” carries a caution for knee and heel, which nobody under 18 is given.',
    ]);
    expect((await give({ ...aDrill, techniques: ['heel hook'] }, {}, clientB)).status).toBe(400);
    expect((await give(heel)).status).toBe(200);
  });

  it('waits for a minor until a guardian has agreed', async () => {
    const agreed = (at: Date | null) => house.db.accountClients.update({ agreedAt: at }, { where: { clientId: clientB } });
    await agreed(null);
    const refused = await give(aDrill, {}, clientB);
    expect([refused.status, refused.body.message]).toEqual([
      400,
      'Ben Ruhl is under 18 and no guardian has agreed here yet. Work can be given once one has.',
    ]);
    await agreed(house.now());
    expect((await give(aDrill, {}, clientB)).status).toBe(200);
  });

  it('that loads what hurts is refused without a reason, which is kept', async () => {
    const shoulder: WorkTerms = { ...aDrill, loads: [{ part: 'shoulder', side: 'left' }] };
    const refused = await give(shoulder);
    expect([refused.status, refused.body.message]).toEqual([
      400,
      'It loads what hurts Ada Moor: left shoulder. Say why it is given all the same, or choose another.',
    ]);
    expect((await give({ ...aDrill, loads: [{ part: 'shoulder', side: 'right' }] })).status).toBe(200);
    const { workId, status } = await give(shoulder, { care: 'The physiotherapist asked for it.' });
    expect(status).toBe(200);
    expect((await house.db.work.findByPk(workId))!.get('care')).toBe('The physiotherapist asked for it.');
  });

  it('is not given at all while a clinician has to be asked first, whatever the reason', async () => {
    const before = (await house.db.clients.findByPk(clientA))!.get('hurts');
    await house.db.clients.update({ hurts: ['Concussion in May'] }, { where: { id: clientA } });
    const refused = await give(aDrill, { care: 'It is only three minutes.' });
    expect([refused.status, refused.body.message]).toEqual([
      400,
      'Ada Moor says: “Concussion in May”. With a knock to the head: ask a clinician before the mat.',
    ]);
    await house.db.clients.update({ hurts: before as string[] }, { where: { id: clientA } });
  });

  it('changes for who knew it as it is; what makes its tests comparable stays once it was done', async () => {
    const { workId } = await give(aRound);
    const minutes = (test: number): WorkTerms =>
      ({ ...aRound, test: { ...(aRound as { test: object }).test, minutes: test } }) as WorkTerms;
    expect((await give(minutes(7), { revision: 0 }, clientA, workId)).body.code).toBe('changed-meanwhile');
    expect((await give(minutes(7), { revision: 1 }, clientA, workId)).body.revision).toBe(2);
    await log(workId, { rounds: [round(1, 2)] });
    const refused = await give(minutes(5), { revision: 2 }, clientA, workId);
    expect([refused.status, refused.body.message.includes('would be of something else')]).toEqual([400, true]);
    expect((await give({ ...minutes(7), weeks: 6 }, { revision: 2 }, clientA, workId)).status).toBe(200);
  });

  it('ends with a word, and goes on again', async () => {
    const { workId } = await give(aDrill);
    await coach.ask('post', `/api/clients/${clientA}/work/${workId}/end`, { ended: true, words: 'Enough of it.' });
    expect((await workOf()).work).toMatchObject([{ state: 'ended', endedOn: '2026-11-30', endedWords: 'Enough of it.', dates: [] }]);
    await coach.ask('post', `/api/clients/${clientA}/work/${workId}/end`, { ended: false, words: '' });
    expect((await workOf()).work).toMatchObject([{ state: 'going', endedOn: null }]);
  });

  it('is proposed out of the book, for this client', async () => {
    const id = house.newId();
    await coach.ask(
      'put',
      `/api/book/principles/${id}`,
      blankPrinciple({ id, name: 'Knee first', where: [{ position: 'half-guard', role: 'other' }] }),
    );
    const { proposals } = (await coach.ask('get', `/api/clients/${clientA}/work-proposals/${id}`)).body;
    expect(proposals.map((one: { terms: { name: string } }) => one.terms.name)).toEqual(['Half guard, from below: Knee first']);
    expect((await give(proposals[0].terms, { principleId: id })).status).toBe(200);
    expect((await workOf()).work[0]!.principleName).toBe('Knee first');
  });
});

describe('work that was done', () => {
  it('is there once, however often it is sent; the last wording counts, and it is taken back', async () => {
    const { workId } = await give(aRound);
    const id = house.newId();
    await Promise.all([1, 2, 3].map(() => log(workId, { rounds: [round(1, 4)] }, id)));
    await log(workId, { rounds: [round(2, 4)], line: 'Tired.' }, id);
    const { work } = await workOf();
    expect(work[0]!.done).toMatchObject([{ id, line: 'Tired.', seenAt: null }]);
    expect(work[0]!.retests).toMatchObject([{ tests: [{ counted: { successes: 2, chances: 6 } }], trend: null }]);
    expect((await ada.ask('delete', `/api/clients/${clientA}/work/${workId}/done/${id}`)).status).toBe(200);
    expect((await workOf()).work[0]!.done).toEqual([]);
  });

  it('moves the days ahead, and its retests are read by one exact test', async () => {
    const { workId } = await give({ ...aRound, weeks: 8 }, { fromOn: '2026-11-02' });
    for (const [day, won] of [
      ['2026-11-02', 1],
      ['2026-11-09', 3],
      ['2026-11-16', 5],
      ['2026-11-30', 7],
    ] as const)
      await log(workId, { doneOn: day, rounds: [round(won, 8 - won)] });
    const { work } = await workOf();
    expect(work[0]!.retests[0]!.trend).toMatchObject({ verdict: 'better', of: 4 });
    expect(work[0]!.retests[0]!.trend!.pOneSided).toBeLessThan(0.1 / 7);
    expect(work[0]!.dates[0]! > '2026-12-05').toBe(true);
  });

  it('is refused where it counts what this work does not, or lies ahead; nothing is kept of it', async () => {
    const { workId } = await give(aRound);
    expect((await log(workId, { rounds: [{ ...round(0, 0), presses: [{ wayId: 'w9', atMs: 1 }] }] })).status).toBe(400);
    expect((await log(workId, { doneOn: '2026-12-03' })).status).toBe(400);
    expect((await workOf()).work[0]!.done).toEqual([]);
  });

  it('before and after advice on one day, early and late in the round, stand beside it', async () => {
    const { workId } = await give({ ...aRound, advice: 'Knee first.' } as WorkTerms);
    await log(workId, { rounds: [round(1, 7, 'before'), round(6, 2, 'after')] });
    const [done] = (await workOf()).work[0]!.done;
    expect(done!.within).toMatchObject({ verdict: 'better', order: 'one-way' });
    expect(done!.earlyLate).toMatchObject({ early: { successes: 7, chances: 7 }, late: { successes: 0, chances: 9 } });
  });
});

describe('footage of a round', () => {
  it('is a draft in which start, ends and counts are known, once; it is nobody else’s', async () => {
    const { workId } = await give(aRound);
    const id = house.newId();
    await log(workId, { rounds: [{ ...round(2, 3), partner: { level: 'higher', size: 'larger' } }] }, id);
    const send = (who = ada) => who.ask('post', `/api/clients/${clientA}/work/${workId}/done/${id}/footage`);
    const { requestId } = (await send()).body as { requestId: string };
    expect((await send()).body.requestId).toBe(requestId);
    const { drafts } = (await ada.ask('get', '/api/drafts')).body;
    expect(drafts).toMatchObject([
      {
        id: requestId,
        intake: {
          kind: 'positional',
          lengthMinutes: 5,
          partnerLevel: 'higher',
          round: { name: 'Half guard, from below', rounds: [{ ranMs: 300_000 }] },
        },
      },
    ]);
    expect([(await send(ben)).status, (await send(coach)).status]).toEqual([404, 403]);
    expect((await workOf()).work[0]!.done[0]!.requestId).toBe(requestId);
    // Thrown away, it can be begun again.
    await ada.ask('delete', `/api/drafts/${requestId}`);
    expect((await send()).body.requestId).not.toBe(requestId);
  });

  it('is not of a drill, in which nothing is counted', async () => {
    const { workId } = await give(aDrill);
    const id = house.newId();
    await log(workId, {}, id);
    expect((await ada.ask('post', `/api/clients/${clientA}/work/${workId}/done/${id}/footage`)).status).toBe(400);
  });
});

describe('pain', () => {
  const hurt = { pains: [{ part: 'knee', side: 'left', words: 'A pull.' }] };
  const state = async (): Promise<(ClientWork['state'] | string)[]> =>
    (await workOf()).work.map((one) => `${one.terms.name}: ${one.state}`);

  it('at a part stops what loads it, once told, until coach and client have spoken; everyone of theirs is told both', async () => {
    const { workId } = await give(aRound);
    house.time = new Date('2026-11-30T11:00:01Z');
    await give(aDrill);
    await house.db.letters.destroy({ where: {} });
    const { pains } = (await log(workId, hurt)).body as { pains: PainFlag[] };
    expect(await state()).toEqual(['Shin wall: going', 'Half guard, from below: stopped']);
    expect((await workOf()).work[1]!.dates).toEqual([]);
    expect(await letters()).toEqual(['Ada Moor: Some of your work rests']);
    // The same again is no second pain.
    await log(workId, hurt);
    expect((await workOf()).pains).toHaveLength(1);
    expect((await give(aRound)).status).toBe(400);
    const settle = (who = coach, words = 'The knee is fine; half the minutes.') =>
      who.ask('post', `/api/clients/${clientA}/pains/${pains[0]!.id}/settle`, { words });
    expect([(await settle(ada)).status, (await settle()).status, (await settle()).status]).toEqual([403, 200, 409]);
    expect(await state()).toEqual(['Shin wall: going', 'Half guard, from below: going']);
    expect(await letters()).toContain('Ada Moor: Cora Lind: what we agreed about the pain');
  });

  it('that is told again after it was settled is flagged again; entering the old day again is not telling it again', async () => {
    const { workId } = await give(aRound);
    const id = house.newId();
    const { pains } = (await log(workId, hurt, id)).body as { pains: PainFlag[] };
    await coach.ask('post', `/api/clients/${clientA}/pains/${pains[0]!.id}/settle`, { words: 'Fine.' });
    await log(workId, { ...hurt, line: 'More words.' }, id);
    expect((await workOf()).work[0]!.state).toBe('going');
    await log(workId, hurt);
    expect((await workOf()).work[0]!.state).toBe('stopped');
  });

  it('stays told where the day that told it is taken back', async () => {
    const { workId } = await give(aRound);
    const id = house.newId();
    await log(workId, hurt, id);
    await ada.ask('delete', `/api/clients/${clientA}/work/${workId}/done/${id}`);
    expect((await workOf()).pains).toMatchObject([{ part: 'knee', settledAt: null }]);
  });
});

describe('how a client trains', () => {
  const training = { days: [2, 4], zone: 'Pacific/Auckland', equipment: 'a band', attire: 'jacket', remind: true, breaks: [] };

  it('decides on the days of work, where they are', async () => {
    await give(aDrill, { fromOn: '2026-12-01' });
    await ada.ask('put', `/api/clients/${clientA}/training`, training);
    // 11:00 UTC is the first of December there.
    expect(await workOf()).toMatchObject({
      today: '2026-12-01',
      training,
      work: [{ dates: ['2026-12-01', '2026-12-08', '2026-12-15', '2026-12-22'] }],
    });
    expect((await ben.ask('put', `/api/clients/${clientA}/training`, training)).status).toBe(404);
    const broken = { ...training, breaks: [{ fromOn: '2026-12-01', untilOn: null, why: 'ill' }] };
    await gerd.ask('put', `/api/clients/${clientB}/training`, broken);
    await ada.ask('put', `/api/clients/${clientA}/training`, broken);
    expect((await workOf()).work).toMatchObject([{ state: 'paused', dates: [] }]);
  });

  it('is a calendar of whole days for other programs', async () => {
    await give(aDrill);
    const { text, headers } = await ada.ask('get', `/api/clients/${clientA}/work.ics`).buffer(true);
    expect(headers['content-type']).toContain('text/calendar');
    const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent').map((one) => new ICAL.Event(one));
    expect(events.map(({ summary, startDate }) => [summary, startDate.toString()]).slice(0, 2)).toEqual([
      ['Shin wall', '2026-11-30'],
      ['Shin wall', '2026-12-04'],
    ]);
    expect(events[0]!.endDate.toString()).toBe('2026-12-01');
  });

  it('is read by a calendar program under an address of the client’s own, until they end it', async () => {
    await give(aDrill);
    await give({ ...aDrill, name: 'Another’s' }, {}, clientB);
    const { path } = (await ada.ask('post', '/api/calendar-link')).body as { path: string };
    const read = async () => (await visit(open.app, null)).ask('get', path).buffer(true);
    const { text } = await read();
    expect([text.includes('SUMMARY:Shin wall'), text.includes('Another')]).toEqual([true, false]);
    await ada.ask('delete', '/api/calendar-link');
    expect((await read()).status).toBe(404);
  });

  it('brings a letter on the morning of a day with work, once, to those who want it and have not done it', async () => {
    const { workId } = await give(aDrill);
    await house.db.letters.destroy({ where: {} });
    await remindOfWork(house);
    expect(await letters()).toEqual([]);
    await ada.ask('put', `/api/clients/${clientA}/training`, { ...training, days: [], zone: 'UTC' });
    house.time = new Date('2026-11-30T05:00:00Z');
    await remindOfWork(house);
    expect(await letters()).toEqual([]);
    house.time = new Date('2026-11-30T08:00:00Z');
    await remindOfWork(house);
    await remindOfWork(house);
    expect(await letters()).toEqual(['Ada Moor: Today: Shin wall']);
    await log(workId);
    house.time = new Date('2026-12-04T08:00:00Z');
    await log(workId, { doneOn: '2026-12-04' });
    await remindOfWork(house);
    expect(await letters()).toHaveLength(1);
  });
});

describe('for the coaching side', () => {
  it('the week says who works on what, what was done and felt, and who is stuck first', async () => {
    const { workId } = await give(aRound);
    await give(aDrill, { fromOn: '2026-11-16' }, clientB);
    await log(workId, { rounds: [round(2, 3)], felt: 2, line: 'Heavy.' });
    const { fromOn, untilOn, rows } = (await coach.ask('get', '/api/work-weeks/2026-12-02')).body;
    expect([fromOn, untilOn]).toEqual(['2026-11-30', '2026-12-07']);
    expect(rows).toMatchObject([
      { clientName: 'Ben Ruhl', state: 'missed', stuck: 'Was due and has not been done for over a week.' },
      {
        clientName: 'Ada Moor',
        name: 'Half guard, from below',
        times: 1,
        stuck: '',
        done: [{ felt: 2, line: 'Heavy.', counted: [{ successes: 2, chances: 5 }] }],
      },
    ]);
    expect((await ada.ask('get', '/api/work-weeks/2026-12-02')).status).toBe(403);
  });

  it('Today has pains, and what was done since somebody looked', async () => {
    const { workId } = await give(aRound);
    await log(workId, { rounds: [round(2, 3)], pains: [{ part: 'knee', side: null, words: '' }] });
    const toSee = async () => (await assistant.ask('get', '/api/work-to-see')).body;
    expect(await toSee()).toMatchObject({
      pains: [{ clientName: 'Ada Moor', part: 'knee' }],
      clients: [{ clientName: 'Ada Moor', times: 1, lastOn: '2026-11-30' }],
    });
    await coach.ask('post', `/api/clients/${clientA}/work-seen`);
    expect(await toSee()).toMatchObject({ pains: [{ part: 'knee' }], clients: [] });
  });

  it('work whose fix holds ends by itself, and says so', async () => {
    const principleId = house.newId();
    await house.db.principles.create({ id: principleId, name: 'Post when lifted' });
    const { workId } = await give(aDrill, { principleId });
    await house.db.work.update({ givenAt: new Date('2026-01-01T00:00:00Z') }, { where: { id: workId } });
    for (const [day, mistakes] of [
      [1, 9],
      [5, 1],
      [9, 1],
      [13, 0],
    ] as const) {
      const { requestId, footageId } = await bringRequest(house, clientA, 'ready');
      const sentAt = new Date(Date.UTC(2026, 5, day));
      await house.db.requests.update({ sentAt, state: 'sent' }, { where: { id: requestId } });
      const notes = Array.from({ length: mistakes }, (_, i) =>
        aNote(house.newId(), footageId, { principleId, kind: 'mistake', fromFrame: i }),
      );
      for (const note of notes) await house.db.notes.create({ ...note, requestId });
      await bringCritique(house, requestId, {
        sentAt,
        fixes: [{ fixId: principleId, principleId, name: 'Post when lifted', noteIds: [] }],
      });
    }
    // Long after anything was sent nobody is looked at.
    await endWorkThatHolds(house);
    expect((await workOf()).work).toMatchObject([{ endedWhy: null }]);
    house.time = new Date('2026-06-14T08:00:00Z');
    await endWorkThatHolds(house);
    expect((await workOf()).work).toMatchObject([{ state: 'ended', endedWhy: 'holds', endedOn: '2026-06-14' }]);
  });

  it('what moved a fix is said over five clients and more, of the work and of its words, and names nobody', async () => {
    const principleId = house.newId();
    await house.db.principles.create({ id: principleId, name: 'Post when lifted' });
    const review = async (clientId: string, day: number, mistakes: number): Promise<void> => {
      const { requestId, footageId } = await bringRequest(house, clientId, 'ready');
      const sentAt = new Date(Date.UTC(2026, 5, day));
      await house.db.requests.update({ sentAt, state: 'sent' }, { where: { id: requestId } });
      for (let i = 0; i < mistakes; i++)
        await house.db.notes.create({ ...aNote(house.newId(), footageId, { principleId, kind: 'mistake', fromFrame: i }), requestId });
      await bringCritique(house, requestId, {
        sentAt,
        fixes: [{ fixId: principleId, principleId, name: 'Post when lifted', noteIds: [] }],
      });
    };
    const follow = async (clientId: string): Promise<void> => {
      await review(clientId, 1, 8);
      const { workId } = await give(aDrill, { principleId }, clientId);
      await house.db.work.update({ givenAt: new Date('2026-06-03T00:00:00Z') }, { where: { id: workId } });
      await review(clientId, 9, 2);
    };
    const effects = async () => (await coach.ask('get', `/api/work-effects/${principleId}`)).body.effects;
    await follow(clientA);
    expect(await effects()).toMatchObject([
      { of: 'work', name: 'Shin wall', clients: 1, ratio: null },
      { of: 'words', name: 'Knee first.' },
    ]);
    for (let i = 0; i < 4; i++) {
      const id = house.newId();
      await insertClient(house, { id, name: `Client ${i}`, level: 1, bornOn: null, about: '', hurts: [], agreements: [] });
      await follow(id);
    }
    const [work] = await effects();
    expect(work).toMatchObject({ of: 'work', clients: 5 });
    expect(work.ratio).toBeLessThan(0.5);
    expect(JSON.stringify(await effects())).not.toContain('Ada');
    expect((await ada.ask('get', `/api/work-effects/${principleId}`)).status).toBe(403);
  });
});
