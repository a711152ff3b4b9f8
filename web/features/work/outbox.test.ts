import { beforeEach, describe, expect, it, vi } from 'vitest';
import { Outbox, type SendEntry } from './outbox.ts';
import type { Unsent } from './workShelves.ts';

const entry = (doneWorkId: string, line = ''): Unsent => ({
  ...{ clientId: 'c', workId: 'w', doneWorkId },
  body: { doneOn: '2026-09-07', rounds: [], felt: 3, line, pains: [] },
});
let online: boolean;
let server: Map<string, string>;
let sends: string[];
const send: SendEntry = ({ doneWorkId, body }) => {
  sends.push(doneWorkId);
  if (!online) return Promise.resolve({ error: { code: 'offline', message: 'away' } });
  if (body.line === 'never') return Promise.resolve({ error: { code: 'not-valid', message: 'It counts something else.' } });
  server.set(doneWorkId, body.line);
  return Promise.resolve({ data: { pains: [] } });
};
beforeEach(() => {
  [online, server, sends] = [true, new Map(), []];
  const kept = new Map<string, string>();
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  });
});

describe('what was done without a network', () => {
  it('lies in the browser until it has arrived, also for a page that was killed and one that comes after it', async () => {
    online = false;
    const killed = new Outbox('ada', send);
    killed.add(entry('one'));
    killed.add(entry('two'));
    await killed.flush();
    expect([server.size, new Outbox('ben', send).lying().waiting]).toEqual([0, []]);
    const next = new Outbox('ada', send);
    expect(next.lying().waiting.map(({ doneWorkId }) => doneWorkId)).toEqual(['one', 'two']);
    // What it tried at once has come to nothing.
    await next.flush();
    online = true;
    expect(await next.flush()).toBe(true);
    expect([[...server.keys()], next.lying().waiting, new Outbox('ada', send).lying().waiting]).toEqual([['one', 'two'], [], []]);
  });

  it('is one entry under one id: what is written anew takes the place of what waits', async () => {
    online = false;
    const outbox = new Outbox('ada', send);
    outbox.add(entry('one', 'first'));
    outbox.add(entry('one', 'second'));
    await outbox.flush();
    online = true;
    await outbox.flush();
    expect([...server]).toEqual([['one', 'second']]);
  });

  it('loses nothing that another tab wrote meanwhile', async () => {
    online = false;
    const [here, there] = [new Outbox('ada', send), new Outbox('ada', send)];
    here.add(entry('one'));
    there.add(entry('two'));
    here.add(entry('three'));
    online = true;
    await Promise.all([here.flush(), there.flush()]);
    await new Outbox('ada', send).flush();
    expect([...server.keys()].sort()).toEqual(['one', 'three', 'two']);
  });

  it('that the server does not take is set aside with the reason, and the rest goes on', async () => {
    const outbox = new Outbox('ada', send);
    outbox.add(entry('bad', 'never'));
    outbox.add(entry('good'));
    await outbox.flush();
    expect([...server.keys()]).toEqual(['good']);
    expect(outbox.lying().refused).toMatchObject([{ entry: { doneWorkId: 'bad' }, why: 'It counts something else.' }]);
    outbox.dropRefused('bad');
    expect(outbox.lying().refused).toEqual([]);
  });

  it('of a phone whose clock was wrong goes out again with another day, under its own id', async () => {
    const outbox = new Outbox('ada', (one) =>
      one.body.doneOn > '2026-12-01' ? Promise.resolve({ error: { code: 'not-valid', message: 'It is still to come.' } }) : send(one),
    );
    outbox.add({ ...entry('one'), body: { ...entry('one').body, doneOn: '2031-01-01' } });
    await outbox.flush();
    expect(outbox.lying().refused).toHaveLength(1);
    outbox.sendAgain('one', '2026-09-07');
    await outbox.flush();
    expect([outbox.lying().refused, [...server.keys()]]).toEqual([[], ['one']]);
  });
});
