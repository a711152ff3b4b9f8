import { blankPrinciple } from '@lean-mentor/core/book';
import { beforeAll, describe, expect, it } from 'vitest';
import { aNote, bringCritique, bringRequest, clientA, clientB } from '../../testing/people.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { visit, type Visitor } from '../../testing/visitor.ts';

const { house, open, coach } = peopledHouse('coach');
const principleId = '00000000-0000-4000-8000-0000000000aa';

/** A reviewed request on a day with so many mistakes of the principle; its footage is a minute long. */
async function review(day: number, mistakes: number, words = 'The hand is late.', kind: 'mistake' | 'good' = 'mistake'): Promise<string> {
  const { requestId, footageId } = await bringRequest(house, clientA, 'ready');
  const sentAt = new Date(Date.UTC(2025, 0, day));
  await house.db.requests.update({ sentAt, state: 'sent' }, { where: { id: requestId } });
  const notes = Array.from({ length: mistakes }, (_, i) =>
    aNote(house.newId(), footageId, { principleId, kind, fromFrame: i, what: words }),
  );
  const changes = notes.map((note) => ({ changeId: house.newId(), entity: 'note', id: note.id, before: null, after: note }));
  await coach.ask('post', `/api/requests/${requestId}/desk/changes`, { changes, since: 0 });
  await bringCritique(house, requestId, { sentAt, fixes: [{ fixId: principleId, principleId, name: 'Post when lifted', noteIds: [] }] });
  return requestId;
}

beforeAll(async () => {
  await house.db.principles.create({ id: principleId, name: 'Post when lifted' });
});

describe('the progress of a client', () => {
  it('follows each fix that was sent over the reviewed requests, with its interval and verdict', async () => {
    await review(1, 9);
    await review(5, 1);
    const { requestId } = await bringRequest(house, clientA, 'ready');
    expect(requestId).toBeTruthy();
    const { threads, positions } = (await coach.ask('get', `/api/clients/${clientA}/progress`)).body;
    expect(threads).toMatchObject([
      { principleId, name: 'Post when lifted', counts: 'rate', state: 'better', verdict: 'better', closedAt: null },
    ]);
    expect(threads[0].points.map((one: { count: number; exposure: number }) => [one.count, one.exposure])).toEqual([
      [9, 1],
      [1, 1],
    ]);
    expect(threads[0].points[0].interval[0]).toBeGreaterThan(4);
    // What nobody has reviewed yet says nothing.
    expect(positions.length).toBe(2);
  });

  it('counts for the client only what the client may read; what is written of them for the coaching side they do not get', async () => {
    const requestId = await review(9, 4);
    const [one, two] = await house.db.notes.findAll({ where: { requestId } });
    for (const note of [one!, two!]) await note.update({ visible: 'coach' });
    await house.db.clients.update(
      { about: 'Shy of the coach’s voice.', agreements: ['needs every word written'] },
      { where: { id: clientA } },
    );
    const client = await visit(open.app, 'client');
    const lastOf = async (who: Visitor) => (await who.ask('get', `/api/clients/${clientA}/progress`)).body.threads[0].points.at(-1).count;
    expect([await lastOf(coach), await lastOf(client)]).toEqual([4, 2]);
    const told = async (who: Visitor) => (await who.ask('get', `/api/clients/${clientA}/history`)).body.client;
    expect(await told(coach)).toMatchObject({ about: 'Shy of the coach’s voice.', agreements: ['needs every word written'] });
    expect(await told(client)).toMatchObject({ about: '', agreements: [] });
    await house.db.requests.destroy({ where: { id: requestId } });
  });

  it('says apart from it what they chose where a critique asked what they would do, and nothing where nobody asked', async () => {
    const requestId = await review(12, 0);
    const { id: critiqueId } = (await house.db.critiques.findOne({ where: { requestId } }))!.get() as { id: string };
    const footageId = (await house.db.footages.findOne({ where: { requestId } }))!.get('id') as string;
    const fork = (right: string) => ({
      ...{ opensFrame: 0, lastFrame: 5, actedFrame: null },
      options: [right, 'reach'].map((words, i) => ({ do: words, taken: i === 1 })),
    });
    const moment = (more: object) => ({
      note: aNote(house.newId(), footageId, { principleId, kind: 'mistake', fromFrame: 5, ...more }),
      ...{ drawings: [], atSeconds: 1, clipFromSeconds: 0, clipToSeconds: 3, beside: null },
    });
    const moments = [moment({ fork: fork('frame') }), moment({ fork: fork('post') }), moment({ fork: fork('hide') }), moment({})];
    await house.db.critiqueVersions.update({ moments: moments as never }, { where: { critiqueId } });
    const client = await visit(open.app, 'client');
    const choose = async (i: number, choice: number) =>
      (await client.ask('put', `/api/critiques/${critiqueId}/forks/${moments[i]!.note.id}`, { choice })).status;
    const knowing = async () => (await coach.ask('get', `/api/clients/${clientA}/progress`)).body.threads[0].knowing;
    expect(await knowing()).toEqual({ right: 0, asked: 0 });
    expect([await choose(0, 0), await choose(1, 1)]).toEqual([200, 200]);
    expect(await knowing()).toEqual({ right: 1, asked: 2 });
    await house.db.requests.destroy({ where: { id: requestId } });
  });

  it('is closed by the coach only, and opened again', async () => {
    const path = `/api/clients/${clientA}/threads/${principleId}`;
    const closedAt = async () => (await coach.ask('get', `/api/clients/${clientA}/progress`)).body.threads[0].closedAt;
    await coach.ask('put', path, { closed: true });
    expect(await closedAt()).not.toBeNull();
    await coach.ask('put', path, { closed: false });
    expect(await closedAt()).toBeNull();
    expect((await (await visit(open.app, 'assistant')).ask('put', path, { closed: true })).status).toBe(403);
  });

  it('is seen by the client, and by nobody else’s', async () => {
    expect((await (await visit(open.app, 'client')).ask('get', `/api/clients/${clientA}/progress`)).body.threads.length).toBe(1);
    expect((await (await visit(open.app, 'other')).ask('get', `/api/clients/${clientA}/progress`)).status).toBe(404);
  });
});

describe('the client’s own eye', () => {
  it('stands beside what was sent: agreed within two seconds, not seen, seen differently, and where it began', async () => {
    const { requestId, footageId } = await bringRequest(house, clientB, 'ready');
    const mark = (atSeconds: number, began: boolean) => ({ id: house.newId(), footageId, atSeconds, words: '', began });
    const row = (await house.db.requests.findByPk(requestId))!;
    await row.update({
      state: 'sent',
      intake: { ...(row.get('intake') as object), clientMarks: [mark(1, true), mark(40, false)] } as never,
    });
    const moment = (fromFrame: number, atSeconds: number) => ({
      note: aNote(house.newId(), footageId, { principleId, kind: 'mistake', fromFrame }),
      ...{ drawings: [], atSeconds, clipFromSeconds: 0, clipToSeconds: 3, beside: null },
    });
    const moments = [moment(30, 2), moment(300, 12)];
    const noteIds = [moments[0]!.note.id];
    await bringCritique(house, requestId, { moments, fixes: [{ fixId: principleId, principleId, name: 'Post when lifted', noteIds }] });
    const eyeOf = async (who: Visitor) => (await who.ask('get', `/api/clients/${clientB}/own-eye`)).body;
    const other = await visit(open.app, 'other');
    const expected = { critiques: [{ agreed: 1, notShared: 1, notSeen: 1, began: 'agreed' }], verdict: null };
    expect(await eyeOf(other)).toMatchObject(expected);
    expect(await eyeOf(coach)).toMatchObject(expected);
    expect((await (await visit(open.app, 'client')).ask('get', `/api/clients/${clientB}/own-eye`)).status).toBe(404);
    await house.db.requests.destroy({ where: { id: requestId } });
  });
});

describe('search', () => {
  const search = async (words: string, clientId: string | null = null) =>
    (await coach.ask('post', '/api/search', { words, clientId })).body as {
      found: { words: string; kind: string | null; entry: string; clientName: string; requestId: string }[];
      more: boolean;
    };

  it('finds “every good post when lifted” over all clients: kind, principle and words, newest first', async () => {
    const requestId = await review(9, 2, 'Caught it with the palm.', 'good');
    const { found } = await search('every good post when lifted');
    expect(found.map(({ kind, clientName }) => [kind, clientName])).toEqual([
      ['good', 'Ada Moor'],
      ['good', 'Ada Moor'],
    ]);
    expect(found[0]).toMatchObject({ requestId, entry: 'note' });
    expect((await search('good post lifted', clientB)).found).toEqual([]);
    expect((await search('palm')).found.length).toBe(2);
  });

  it('follows a note that is changed, taken away, or whose principle is called something else', async () => {
    const requestId = await review(10, 1, 'A word like xylophone.');
    const [{ id }] = (await search('xylophone')).found as unknown as [{ id: string }];
    const change = (before: object | null, after: object | null) =>
      coach.ask('post', `/api/requests/${requestId}/desk/changes`, {
        changes: [{ changeId: house.newId(), entity: 'note', id, before, after }],
        since: 0,
      });
    await change({ what: 'A word like xylophone.' }, { what: 'A word like marimba.' });
    expect([(await search('xylophone')).found.length, (await search('marim')).found.length]).toEqual([0, 1]);
    await coach.ask('put', `/api/book/principles/${principleId}`, blankPrinciple({ id: principleId, name: 'Palm first' }));
    expect((await search('palm first marimba')).found.length).toBe(1);
    await change({ what: 'A word like marimba.' }, null);
    expect((await search('marimba')).found).toEqual([]);
  });

  it('takes whatever a person types', async () => {
    for (const words of ['+(*"', '   ', 'the', 'a-b @ 5', "Robert'); DROP TABLE notes;--"]) expect((await search(words)).found).toEqual([]);
  });

  it('takes a note of whatever was written: very long words, quotes, backslashes, other alphabets', async () => {
    const words = `${'very'.repeat(30)} "quoted" \\ back\\slash 膝 колено emoji🙂 tab\there`;
    const requestId = await review(11, 1, words);
    expect((await search('колено')).found).toMatchObject([{ requestId }]);
    expect((await search('backslash')).found).toEqual([]);
    expect((await search('slash quoted')).found.length).toBe(1);
  });

  it('finds what was asked and answered, and the critique itself', async () => {
    const { body } = await coach.ask('get', `/api/clients/${clientA}/history`);
    const critiqueId = body.critiques[0].id as string;
    const client = await visit(open.app, 'client');
    const question = (
      await client.ask('post', `/api/critiques/${critiqueId}/questions`, {
        id: house.newId(),
        fixId: null,
        noteId: null,
        words: 'Which trombone?',
      })
    ).body;
    await coach.ask('put', `/api/questions/${question.id}/answer`, { words: 'The left clarinet.' });
    expect((await coach.ask('get', `/api/clients/${clientA}/history`)).body.questions).toMatchObject([
      { words: 'Which trombone?', answer: 'The left clarinet.' },
    ]);
    expect((await search('trombone clarinet')).found).toMatchObject([{ entry: 'question', clientName: 'Ada Moor' }]);
  });
});
