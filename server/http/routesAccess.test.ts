import type { IncomingMessage } from 'node:http';
import { operations, roles, type Operation } from '@lean-mentor/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { bringCritique, bringRequest, clientA, clientB, movePeopleIn } from '../testing/people.ts';
import { openTestHouse, type TestHouse } from '../testing/testHouse.ts';
import { visit, type Visitor } from '../testing/visitor.ts';
import { createApp, type OpenApp } from './app.ts';

let house: TestHouse;
let open: OpenApp;
const visitors = new Map<string, Visitor>();
let ids: Record<string, string>;

beforeAll(async () => {
  house = await openTestHouse();
  await movePeopleIn(house);
  open = createApp(house);
  const { requestId, footageId } = await bringRequest(house, clientB, 'ready');
  const critiqueId = await bringCritique(house, requestId);
  ids = {
    requestId,
    footageId,
    critiqueId,
    clientId: clientB,
    version: '1',
    as: 'md',
    token: 'a'.repeat(43),
    linkId: house.newId(),
    noteId: house.newId(),
    fixId: house.newId(),
    clipId: house.newId(),
    code: 'abcdefgh',
    frame: '0',
    uploadId: 'a'.repeat(32),
  };
  for (const who of ['coach', 'assistant', 'client', 'other', 'guardian']) visitors.set(who, await visit(open.app, who));
});
afterAll(async () => {
  open.close();
  await house.close();
});

const pathOf = (operation: Operation): string => operation.path.replace(/:(\w+)/g, (_, name: string) => ids[name]!);
/** Whoever has the role and may see client B. `client` is Ben himself. */
const visitorOf = (role: string): Visitor => visitors.get(role === 'client' ? 'other' : role)!;
/** What an operation wants to be sent before it looks whose thing it is. */
const bodies: Record<string, object> = {
  editBouts: { edits: [] },
  markUnderstood: { understood: true },
  askQuestion: { id: '00000000-0000-4000-8000-000000000001', fixId: null, noteId: null, words: 'Which hand?' },
};
/** Event streams do not end: access is told by the headers alone. */
const statusOf = (visitor: Visitor, operation: Operation): Promise<number> =>
  new Promise((resolve, reject) => {
    const request = visitor.ask(operation.method, pathOf(operation), operation.body ? (bodies[operation.name] ?? {}) : undefined);
    if (operation.stream !== 'text/event-stream') return void request.then((answer) => resolve(answer.status), reject);
    const cut = (response: IncomingMessage, done: (error: null, body: null) => void): void => {
      response.on('error', () => undefined);
      response.destroy();
      done(null, null);
      resolve(response.statusCode ?? 0);
    };
    request.buffer(true).parse(cut as never);
    request.then(
      (answer) => resolve(answer.status),
      () => undefined,
    );
  });

describe('the contract', () => {
  it('states for every operation who may call it', () => {
    for (const { name, access } of operations) expect(access === 'anyone' || access.length > 0, name).toBe(true);
  });

  it('gives each operation a name and a way of its own', () => {
    expect(new Set(operations.map((o) => o.name)).size).toBe(operations.length);
    expect(new Set(operations.map((o) => `${o.method} ${o.path}`)).size).toBe(operations.length);
  });

  it('is served whole, and nothing beside it is', () => {
    expect(open.routes.map((r) => r.operation.name).sort()).toEqual(operations.map((o) => o.name).sort());
    const layers = (
      open.app as unknown as { router: { stack: { route?: { path: string; methods: Record<string, boolean>; stack: unknown[] } }[] } }
    ).router.stack;
    const served = layers.flatMap(({ route }) =>
      route && route.path.startsWith('/api') ? Object.keys(route.methods).map((method) => `${method} ${route.path}`) : [],
    );
    const stated = new Set(operations.map((o) => `${o.method} ${o.path}`));
    expect(served.filter((way) => !stated.has(way))).toEqual([]);
  });
});

describe('access', () => {
  for (const operation of operations) {
    const { access } = operation;
    if (access === 'anyone') {
      it(`lets anyone call ${operation.name}`, async () => {
        expect(await statusOf(await visit(open.app, null), operation)).not.toBe(401);
      });
      continue;
    }
    it(`asks strangers at ${operation.name} to sign in`, async () => {
      expect(await statusOf(await visit(open.app, null), operation)).toBe(401);
    });
    for (const role of roles)
      if (access.includes(role))
        it(`lets the ${role} call ${operation.name}`, async () => {
          // Signing out is shown elsewhere: it would end the visit that the other rows need.
          if (operation.name === 'signOut') return expect((await visitorOf(role).ask('get', '/api/session')).body.account.role).toBe(role);
          expect([401, 403]).not.toContain(await statusOf(visitorOf(role), operation));
        });
      else
        it(`refuses ${operation.name} to the ${role}`, async () => {
          expect(await statusOf(visitorOf(role), operation)).toBe(403);
        });
  }

  const own = operations.filter(
    (o) => o.access !== 'anyone' && o.access.includes('client') && /:(clientId|footageId|critiqueId)/.test(o.path),
  );
  it.each(own.map((o) => [o.name, o] as const))('hides another client’s things at %s, as if they were not there', async (_, operation) => {
    expect(await statusOf(visitors.get('client')!, operation)).toBe(404);
    expect(await statusOf(visitors.get('other')!, operation)).not.toBe(403);
  });

  it('lists to a client only what is theirs', async () => {
    await bringRequest(house, clientA);
    const mine = (await visitors.get('client')!.ask('get', '/api/requests')).body.requests as { clientId: string }[];
    expect(mine.map((r) => r.clientId)).toEqual([clientA]);
    const all = (await visitors.get('coach')!.ask('get', '/api/requests')).body.requests as unknown[];
    expect(all).toHaveLength(2);
  });

  it('does not let a client open a request in another one’s name', async () => {
    expect((await visitors.get('client')!.ask('post', '/api/drafts', { clientId: clientB })).status).toBe(404);
    expect((await visitors.get('guardian')!.ask('post', '/api/drafts', { clientId: clientB })).status).toBe(200);
  });
});
