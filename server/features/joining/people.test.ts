import type { Person } from '@lean-mentor/contract';
import { beforeEach, describe, expect, it } from 'vitest';
import { insertRequest, newRequest } from '../requests/index.ts';
import { anIntake, bringFootage, clientB, coachId, password } from '../../testing/people.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { visit } from '../../testing/visitor.ts';
import { handOver } from './people.ts';

const { house, open, coach, assistant, other: ben, guardian: gerd } = peopledHouse('coach', 'assistant', 'other', 'guardian');
beforeEach(async () => {
  house.time = null;
  await house.db.letters.destroy({ where: {} });
});
const people = async (): Promise<Person[]> => (await coach.ask('get', '/api/people')).body.people;
const personOf = async (email: string): Promise<Person> => (await people()).find((one) => one.email === email)!;
const letters = async (): Promise<string[]> =>
  (await house.db.letters.findAll()).map((l) => `${l.get('toAddress') as string}: ${l.get('subject') as string}`).sort();
const signIn = async (email: string) => {
  const visitor = await visit(open.app, null);
  return visitor.ask('post', '/api/session', { email, password });
};

describe('people', () => {
  it('are listed with whom they stand for, and since when a guardian has agreed', async () => {
    expect((await people()).map(({ name }) => name)).toEqual(['Abel Stone', 'Ada Moor', 'Ben Ruhl', 'Cora Lind', 'Gerd Ruhl']);
    expect(await personOf('guardian@test.example')).toMatchObject({
      role: 'guardian',
      pausedAt: null,
      clients: [{ name: 'Ben Ruhl', agreedAt: expect.any(String) }],
    });
    expect((await assistant.ask('get', '/api/people')).status).toBe(403);
  });

  it('are given another name and address, which both addresses are told, and no one else’s', async () => {
    const { id } = await personOf('client@test.example');
    const change = (body: object) => coach.ask('put', `/api/people/${id}`, body);
    expect((await change({ name: 'Ada', email: 'coach@test.example' })).body.fields).toMatchObject([{ field: 'email' }]);
    expect((await change({ name: 'Ada Moor-Lind', email: 'Ada@New.example' })).status).toBe(200);
    expect(await letters()).toEqual([
      'ada@new.example: Your address here has changed',
      'client@test.example: Your address here has changed',
    ]);
    expect((await signIn('client@test.example')).status).toBe(401);
    expect((await signIn('ada@new.example')).body.account.name).toBe('Ada Moor-Lind');
    expect((await change({ name: 'Ada Moor', email: 'client@test.example' })).status).toBe(200);
  });

  it('who are paused are out at once and come in again when that is taken back', async () => {
    const abel = await visit(open.app, 'assistant');
    const { id } = await personOf('assistant@test.example');
    const pause = (paused: boolean) => coach.ask('post', `/api/people/${id}/pause`, { paused });
    expect((await pause(true)).status).toBe(200);
    expect((await abel.ask('get', '/api/today')).status).toBe(401);
    expect((await signIn('assistant@test.example')).body.code).toBe('paused');
    // Whoever has not the password is told nothing of it.
    const visitor = await visit(open.app, null);
    const guessed = await visitor.ask('post', '/api/session', { email: 'assistant@test.example', password: 'not this one' });
    expect(guessed.body.code).toBe('wrong-sign-in');
    expect((await pause(false)).status).toBe(200);
    expect((await signIn('assistant@test.example')).status).toBe(200);
  });

  it('do not pause or remove themselves; who is removed is out, and what their client sent stays', async () => {
    expect((await coach.ask('post', `/api/people/${coachId}/pause`, { paused: true })).status).toBe(400);
    expect((await coach.ask('delete', `/api/people/${coachId}`)).status).toBe(400);
    const ada = await visit(open.app, 'client');
    const { id } = await personOf('client@test.example');
    expect((await coach.ask('delete', `/api/people/${id}`)).status).toBe(200);
    expect((await ada.ask('get', '/api/requests')).status).toBe(401);
    expect((await coach.ask('get', '/api/clients')).body.clients.map(({ name }: { name: string }) => name)).toContain('Ada Moor');
    expect((await coach.ask('delete', `/api/people/${id}`)).status).toBe(404);
  });
});

/** A request of Ben's that waits for his guardian's yes. */
async function waitingForYes(): Promise<string> {
  const id = house.newId();
  const now = house.now();
  await insertRequest(house, newRequest({ id, clientId: clientB, state: 'guardian', intake: anIntake, sentAt: now, dueAt: now }));
  await bringFootage(house, id, { state: 'ready', released: false });
  return id;
}
const stateOf = async (id: string) => (await house.db.requests.findByPk(id))!.get('state');

describe('a guardian', () => {
  it('who has not agreed lets nothing go, and their minor is told that nobody has; once they agree it is dated and goes on', async () => {
    await house.db.accountClients.update({ agreedAt: null }, { where: { clientId: clientB } });
    const id = await waitingForYes();
    expect((await gerd.ask('post', `/api/requests/${id}/approve`, {})).body.code).toBe('not-agreed');
    expect(
      (await coach.ask('get', '/api/clients')).body.clients.find(({ id: of }: { id: string }) => of === clientB).guardianName,
    ).toBeNull();
    expect((await ben.ask('post', `/api/clients/${clientB}/agree`, {})).status).toBe(403);
    house.time = new Date('2026-12-01T10:00:00Z');
    expect((await gerd.ask('post', `/api/clients/${clientB}/agree`, {})).status).toBe(200);
    house.time = new Date('2026-12-05T10:00:00Z');
    await gerd.ask('post', `/api/clients/${clientB}/agree`, {});
    expect((await personOf('guardian@test.example')).clients[0]!.agreedAt).toBe('2026-12-01T10:00:00.000Z');
    expect((await gerd.ask('post', `/api/requests/${id}/approve`, {})).status).toBe(200);
    expect(await stateOf(id)).toBe('waiting');
  });

  it('sees nothing any more from the day the client is eighteen; what waited for a yes goes on, and both are told', async () => {
    const id = await waitingForYes();
    // Ben was born on 1 May 2012.
    house.time = new Date('2030-04-30T10:00:00Z');
    await handOver(house);
    expect([await letters(), await stateOf(id)]).toEqual([[], 'guardian']);
    house.time = new Date('2030-05-01T10:00:00Z');
    await handOver(house);
    await handOver(house);
    expect(await letters()).toEqual(['guardian@test.example: Ben Ruhl has come of age', 'other@test.example: You have come of age']);
    expect(await stateOf(id)).toBe('waiting');
    house.time = null;
    expect((await gerd.ask('get', `/api/requests/${id}`)).status).toBe(404);
    expect((await ben.ask('get', `/api/requests/${id}`)).status).toBe(200);
  });
});
