import type { DeskChange } from '@lean-mentor/core/desk';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { createApp, type OpenApp } from '../../http/app.ts';
import { frameTableKey } from '../../storage/index.ts';
import { aNote, bringRequest, clientA, clientB, movePeopleIn } from '../../testing/people.ts';
import { openTestHouse, type TestHouse } from '../../testing/testHouse.ts';
import { visit, type Visitor } from '../../testing/visitor.ts';

let house: TestHouse;
let open: OpenApp;
let coach: Visitor;
let requestId: string;
let noteIds: string[];

const times = Array.from({ length: 300 }, (_, i) => i / 30);

/** A request whose footage is ready (its frame table is), with four notes on its desk. */
async function bringReviewed(clientId: string): Promise<void> {
  const brought = await bringRequest(house, clientId, 'ready');
  requestId = brought.requestId;
  await house.storage.putBytes(frameTableKey(brought.footageId), JSON.stringify({ times, endSeconds: 10 }));
  noteIds = Array.from({ length: 4 }, () => house.newId());
  const changes: DeskChange[] = noteIds.map((id, i) => ({
    changeId: house.newId(),
    entity: 'note',
    id,
    before: null,
    after: aNote(id, brought.footageId, { fromFrame: 15 + i * 90 }),
  }));
  const id = house.newId();
  changes.push({
    changeId: house.newId(),
    entity: 'drawing',
    id,
    before: null,
    after: {
      id,
      footageId: brought.footageId,
      tool: 'arrow',
      colour: 'client',
      weight: 'plain',
      words: '',
      keys: [],
      points: [
        { x: 0, y: 0 },
        { x: 1, y: 1 },
      ],
      fromFrame: 100,
      toFrame: 110,
    },
  });
  await coach.ask('post', `/api/requests/${requestId}/desk/changes`, { changes, since: 0 });
}
const send = (body: object, who = coach) => who.ask('post', `/api/requests/${requestId}/critique/send`, body);

beforeAll(async () => {
  house = await openTestHouse();
  await movePeopleIn(house);
  open = createApp(house);
  coach = await visit(open.app, 'coach');
});
beforeEach(() => bringReviewed(clientA));
afterAll(async () => {
  open.close();
  await house.close();
});

describe('a critique', () => {
  it('is kept as a draft, with how many fixes suit the client’s level', async () => {
    const draft = { opening: 'You hold well.', noteIds: [noteIds[2], noteIds[0]] };
    await coach.ask('put', `/api/requests/${requestId}/critique`, draft);
    await coach.ask('put', `/api/requests/${requestId}/critique`, { ...draft, opening: 'You hold very well.' });
    const { body } = await coach.ask('get', `/api/requests/${requestId}/critique`);
    expect(body).toMatchObject({ opening: 'You hold very well.', noteIds: draft.noteIds, sentAt: null, suggestedFixes: 2 });
  });

  it('is sent with its fixes in order, each with the moment, the drawings on it and a clip from 2 s before', async () => {
    const { body } = await send({ opening: 'Here it begins.', noteIds: [noteIds[1], noteIds[0]] });
    expect(body.fixes.map((f: { note: { id: string } }) => f.note.id)).toEqual([noteIds[1], noteIds[0]]);
    expect(body.fixes[0]).toMatchObject({ position: 1, atFrame: 105, atSeconds: 3.5, clipFromSeconds: 1.5, clipToSeconds: 5.5 });
    expect(body.fixes[0].drawings).toHaveLength(1);
    // The footage begins half a second before this moment.
    expect(body.fixes[1]).toMatchObject({ clipFromSeconds: 0, drawings: [] });
  });

  it('never carries a note that is for the coach’s eyes only', async () => {
    const change = { changeId: house.newId(), entity: 'note', id: noteIds[0]!, before: { visible: 'client' }, after: { visible: 'coach' } };
    await coach.ask('post', `/api/requests/${requestId}/desk/changes`, { changes: [change], since: 0 });
    const refused = await send({ opening: 'Here.', noteIds: [noteIds[0]] });
    expect([refused.status, refused.body.message]).toEqual([
      400,
      'One of these notes is for our eyes only. Take it out, or let the client see it.',
    ]);
  });

  it('stays as it was sent, whatever happens on the desk afterwards', async () => {
    const { body } = await send({ opening: 'Here.', noteIds: [noteIds[1]] });
    const change: DeskChange = {
      changeId: house.newId(),
      entity: 'note',
      id: noteIds[1]!,
      before: { what: '' },
      after: { what: 'Changed my mind.' },
    };
    await coach.ask('post', `/api/requests/${requestId}/desk/changes`, { changes: [change], since: 0 });
    const again = await coach.ask('get', `/api/critiques/${body.id}`);
    expect(again.body.fixes[0].note.what).toBe('The elbow leaves the ribs.');
  });

  it('carries one to three fixes and an opening line', async () => {
    expect((await send({ opening: 'x', noteIds: [] })).body.fields[0]).toEqual({ field: 'noteIds', why: 'Choose at least one note.' });
    expect((await send({ opening: 'x', noteIds })).status).toBe(400);
    expect((await send({ opening: '  ', noteIds: [noteIds[0]] })).body.fields[0].field).toBe('opening');
  });

  it('is refused, and nothing of it kept, when a note has left the desk', async () => {
    const gone = house.newId();
    const answer = await send({ opening: 'x', noteIds: [noteIds[0], gone] });
    expect([answer.status, answer.body.message]).toEqual([400, `Note ${gone} is not on this desk any more. Choose again.`]);
    expect(await house.db.critiques.count({ where: { requestId } })).toBe(0);
  });

  it('is sent once', async () => {
    const answers = await Promise.all([1, 2, 3].map(() => send({ opening: 'x', noteIds: [noteIds[0]] })));
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409, 409]);
    expect((await coach.ask('put', `/api/requests/${requestId}/critique`, { opening: 'y', noteIds: [] })).body.code).toBe('already-sent');
  });

  it('is the coach’s to send, not the assistant’s', async () => {
    expect((await send({ opening: 'x', noteIds: [noteIds[0]] }, await visit(open.app, 'assistant'))).status).toBe(403);
  });

  it('leaves Today and writes a letter to the client that tells no detail', async () => {
    await send({ opening: 'The secret is the elbow.', noteIds: [noteIds[0]] });
    const today = (await coach.ask('get', '/api/today')).body.rows as { id: string }[];
    expect(today.map((r) => r.id)).not.toContain(requestId);
    const [letter] = (await coach.ask('get', '/api/letters')).body.letters;
    expect(letter).toMatchObject({ toName: 'Ada Moor', toAddress: 'client@test.example', subject: 'Cora Lind has looked at your footage' });
    expect(letter.body).toContain('one thing to work on');
    expect(letter.body).not.toContain('elbow');
  });

  it('writes to the guardian of a minor as well', async () => {
    await bringReviewed(clientB);
    await send({ opening: 'x', noteIds: noteIds.slice(0, 2) });
    const letters = (await coach.ask('get', '/api/letters')).body.letters.slice(0, 2);
    expect(letters.map((l: { toAddress: string }) => l.toAddress).sort()).toEqual(['guardian@test.example', 'other@test.example']);
    expect(letters.find((l: { toAddress: string }) => l.toAddress.startsWith('guardian')).subject).toBe(
      'Cora Lind has looked at Ben Ruhl’s footage',
    );
  });

  it('is marked read by the client, and the first time counts', async () => {
    const { body } = await send({ opening: 'x', noteIds: [noteIds[0]] });
    const client = await visit(open.app, 'client');
    house.time = new Date('2030-01-01T10:00:00Z');
    const first = await client.ask('post', `/api/critiques/${body.id}/read`, {});
    house.time = new Date('2030-01-02T10:00:00Z');
    const second = await client.ask('post', `/api/critiques/${body.id}/read`, {});
    house.time = null;
    expect([first.body.readAt, second.body.readAt]).toEqual(['2030-01-01T10:00:00.000Z', '2030-01-01T10:00:00.000Z']);
  });

  it('stands in the client’s history with the fixes given, newest first', async () => {
    const { body } = await send({ opening: 'x', noteIds: [noteIds[0]] });
    const history = (await coach.ask('get', `/api/clients/${clientA}/history`)).body;
    expect(history.critiques[0].id).toBe(body.id);
    expect(history.requests.find((r: { id: string }) => r.id === requestId)).toMatchObject({ state: 'sent', critiqueId: body.id });
    const sent = history.requests.map((r: { sentAt: string }) => r.sentAt);
    expect(sent).toEqual([...sent].sort().reverse());
  });

  it('cannot be sent while the footage is being made ready', async () => {
    ({ requestId } = await bringRequest(house, clientA, 'waiting'));
    expect((await send({ opening: 'x', noteIds: [noteIds[0]] })).body.code).toBe('footage-not-ready');
  });
});
