import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bringRequest, clientA } from '../testing/people.ts';
import { peopledHouse } from '../testing/peopledHouse.ts';
import { visit, type Visitor } from '../testing/visitor.ts';
import { deepest, jsonShape, usualLimits } from './readBody.ts';

const { house, open, coach, client } = peopledHouse('coach', 'client');

const all = { depth: 1e9, values: 1e9 };
const shapeOf = (text: string) => jsonShape(Buffer.from(text), all);

describe('the shape of JSON, told from its bytes', () => {
  it('is how deep it nests and about how many values it holds; what stands in texts does not count', () => {
    expect(shapeOf('[[1,2],{"a":[]}]')).toEqual({ depth: 3, values: 6 });
    expect(shapeOf('{"a":"[[[,,,\\"]]]"}')).toEqual({ depth: 1, values: 1 });
  });

  it('is never less deep than what is built of it', () => {
    const depthOf = (value: unknown): number =>
      typeof value === 'object' && value !== null ? 1 + Math.max(0, ...Object.values(value).map(depthOf)) : 0;
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 6 }), (value) => shapeOf(JSON.stringify(value)).depth === depthOf(value)),
      { seed: 4 },
    );
  });

  it('is not counted further than it matters', () => {
    expect(jsonShape(Buffer.from('['.repeat(1_000_000)), { depth: deepest, values: 10 }).values).toBeLessThan(20);
  });
});

describe('a body', () => {
  const nested = '['.repeat(200_000) + ']'.repeat(200_000);
  const raw = (who: Visitor, path: string, text: string) => who.ask('post', path).set('content-type', 'application/json').send(text);

  it('is not read of those who may not call, whatever it is', async () => {
    const stranger = await visit(open.app, null);
    for (const text of [nested, '{"email": ']) {
      expect((await raw(stranger, '/api/drafts', text)).status).toBe(401);
      expect((await raw(coach, '/api/drafts', text)).status).toBe(403);
    }
    const wrong = coach.token;
    coach.token = 'none';
    expect((await raw(coach, '/api/search', nested)).body.code).toBe('stale-page');
    coach.token = wrong;
  });

  it('that nests too deep, holds too much or is too long is refused as that, the usual limit being 64 KB', async () => {
    expect((await raw(client, '/api/drafts', nested)).status).toBe(413);
    expect((await raw(client, '/api/drafts', `{"a":${'['.repeat(deepest)}${']'.repeat(deepest)}}`)).status).toBe(413);
    expect((await raw(client, '/api/drafts', `[${'1,'.repeat(usualLimits.values)}1]`)).status).toBe(413);
    expect((await raw(client, '/api/drafts', JSON.stringify({ clientId: 'x'.repeat(usualLimits.bytes) }))).status).toBe(413);
    expect((await raw(client, '/api/drafts', '{"clientId": 1}')).status).toBe(400);
  });

  it('may be larger where its operation says so', async () => {
    const { requestId } = await bringRequest(house, clientA, 'ready');
    const changes = Array.from({ length: 200 }, () => ({
      changeId: house.newId(),
      entity: 'mark',
      id: house.newId(),
      before: { atFrame: 1 },
      after: { atFrame: 2 },
    }));
    const padded = `${JSON.stringify({ changes, since: 0 }).slice(0, -1)}, "x": "${'x'.repeat(3_000_000)}"}`;
    expect((await raw(coach, `/api/requests/${requestId}/desk/changes`, padded)).status).toBe(200);
  });

  it('with half a symbol in a text is taken, and what is kept of it can be kept', async () => {
    const { id } = (await client.ask('post', '/api/drafts', { clientId: clientA })).body as { id: string };
    const half = `{"step":"question","intake":{"question":"Why \\ud83d and \\u0000 here?"}}`;
    const answer = await client.ask('patch', `/api/drafts/${id}`).set('content-type', 'application/json').send(half);
    expect([answer.status, answer.body.intake.question]).toEqual([200, 'Why � and  here?']);
  });

  it('tells at most fifty of its faults', async () => {
    const { requestId } = await bringRequest(house, clientA, 'ready');
    const answer = await coach.ask('post', `/api/requests/${requestId}/desk/changes`, {
      changes: Array.from({ length: 200 }, () => ({})),
      since: 0,
    });
    expect([answer.status, answer.body.fields.length]).toEqual([400, 50]);
  });
});
