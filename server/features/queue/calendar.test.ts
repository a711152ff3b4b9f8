import ICAL from 'ical.js';
import { beforeEach, describe, expect, it } from 'vitest';
import { bringRequest, clientA, clientB } from '../../testing/people.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { visit } from '../../testing/visitor.ts';

const { house, open, coach, assistant, client } = peopledHouse('coach', 'assistant', 'client');
const hours = { zone: 'Europe/Berlin', weekly: [1, 2].map((day) => ({ day, from: '09:00', to: '10:00' })), exceptions: [], stays: [] };

beforeEach(async () => {
  house.time = new Date('2026-11-30T08:00:00Z');
  await house.db.requests.destroy({ where: {} });
  await house.db.pauses.destroy({ where: {} });
  const { revision } = (await coach.ask('get', '/api/practice')).body;
  await coach.ask('put', '/api/practice/hours', { revision, hours, turnaround: { hours: 8, kind: 'working' }, currency: 'EUR' });
});

/** Minutes of a request's bout, and by when it is promised. */
const bring = async (clientId: string, minutes: number, dueAt: string): Promise<string> => {
  const { requestId } = await bringRequest(house, clientId, 'ready');
  await house.db.requests.update({ dueAt: new Date(dueAt), readyAt: house.now() }, { where: { id: requestId } });
  await house.db.footages.update({ seconds: minutes * 60 }, { where: { requestId } });
  return requestId;
};
const make = async (who = coach): Promise<string> => (await who.ask('post', '/api/calendar-link')).body.path;
const read = async (path: string) => (await visit(open.app, null)).ask('get', path);

/** What another program reads out of it. */
const eventsOf = (text: string) =>
  new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent').map((component) => {
    const event = new ICAL.Event(component);
    return {
      what: event.summary,
      from: event.startDate.toJSDate().toISOString(),
      to: event.endDate.toJSDate().toISOString(),
      words: event.description,
    };
  });

describe('the calendar of the day', () => {
  it('has reviews as they lie in the windows, one over two windows as two, and pauses; of a client the name and no word', async () => {
    await bring(clientA, 10, '2026-11-30T12:00:00Z');
    const second = await bring(clientB, 20, '2026-12-01T12:00:00Z');
    await coach.ask('post', '/api/pauses', { fromAt: '2026-12-08T00:00:00Z', untilAt: '2026-12-09T00:00:00Z', words: 'Ill.' });
    const answer = await read(await make());
    expect([answer.status, answer.type]).toEqual([200, 'text/calendar']);
    const events = eventsOf(answer.text);
    // Half an hour, then an hour of which the second half lies in Tuesday's window; the draws move the middle by a little.
    expect(events.map(({ what }) => what)).toEqual(['Review: Ada Moor', 'Review: Ben Ruhl', 'Review: Ben Ruhl', 'Away']);
    expect(events[0]!.from).toBe('2026-11-30T08:00:00.000Z');
    expect(events[1]!.to).toBe('2026-11-30T09:00:00.000Z');
    expect(events[2]!.from).toBe('2026-12-01T08:00:00.000Z');
    expect(events[2]!.words).toContain(`/requests/${second}/desk`);
    expect(events[3]).toMatchObject({ from: '2026-12-08T00:00:00.000Z', to: '2026-12-09T00:00:00.000Z' });
    expect(answer.text).not.toContain('Where does it begin');
  });

  it('is read under an address that is told once; a new one, or none, closes it; nobody else has one', async () => {
    const first = await make();
    expect((await read(first)).status).toBe(200);
    expect((await coach.ask('get', '/api/calendar-link')).body.link).toEqual({
      madeAt: '2026-11-30T08:00:00.000Z',
      readAt: '2026-11-30T08:00:00.000Z',
    });
    const second = await make();
    expect([(await read(first)).status, (await read(second)).status]).toEqual([404, 200]);
    await coach.ask('delete', '/api/calendar-link');
    expect((await read(second)).status).toBe(404);
    expect((await coach.ask('get', '/api/calendar-link')).body.link).toBeNull();
  });

  it('is a client’s own for a client: nothing of the coach’s day is in it', async () => {
    await bringRequest(house, clientA, 'ready');
    const answer = await read(await make(client));
    expect(answer.status).toBe(200);
    expect(answer.text).not.toContain('Review');
  });

  it('is closed to who is paused', async () => {
    const path = await make(assistant);
    await house.db.accounts.update({ pausedAt: house.now() }, { where: { email: 'assistant@test.example' } });
    expect((await read(path)).status).toBe(404);
    await house.db.accounts.update({ pausedAt: null }, { where: { email: 'assistant@test.example' } });
    expect((await read(path)).status).toBe(200);
  });
});
