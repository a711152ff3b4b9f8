import type { IncomingMessage } from 'node:http';
import { operations, watchFootages } from '@lean-mentor/contract';
import { beforeAll, describe, expect, it } from 'vitest';
import { bringRequest, clientA, clientB } from '../testing/people.ts';
import { peopledHouse } from '../testing/peopledHouse.ts';
import { visit, type Visitor } from '../testing/visitor.ts';

const { house, open } = peopledHouse();
const visitors = new Map<string, Visitor>();

beforeAll(async () => {
  await bringRequest(house, clientB, 'ready');
  for (const who of ['coach', 'assistant', 'client', 'other', 'guardian']) visitors.set(who, await visit(open.app, who));
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
  it('to the stream of events is for whoever is signed in, and for nobody else', async () => {
    const status = (visitor: Visitor): Promise<number> =>
      new Promise((resolve) => {
        const cut = (response: IncomingMessage, done: (error: null, body: null) => void): void => {
          response.on('error', () => undefined);
          response.destroy();
          done(null, null);
          resolve(response.statusCode ?? 0);
        };
        visitor
          .ask('get', watchFootages.path)
          .buffer(true)
          .parse(cut as never)
          .then(
            (answer) => resolve(answer.status),
            () => undefined,
          );
      });
    expect(await status(await visit(open.app, null))).toBe(401);
    for (const visitor of visitors.values()) expect(await status(visitor)).toBe(200);
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
