import { operations } from '@lean-mentor/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createApp, type OpenApp } from '../../app.ts';
import { openTestHouse, type TestHouse } from '../../testing/testHouse.ts';
import { visit } from '../../testing/visitor.ts';

let house: TestHouse;
let open: OpenApp;
beforeAll(async () => {
  house = await openTestHouse();
  open = createApp(house);
});
afterAll(async () => {
  open.close();
  await house.close().catch(() => undefined);
});

describe('health', () => {
  it('describes every operation of the contract, its access, body and answer (OpenAPI 3.1)', async () => {
    const { body } = await (await visit(open.app, null)).ask('get', '/api/docs');
    expect(body.openapi).toBe('3.1.0');
    const described = Object.values(body.paths as Record<string, Record<string, { operationId: string; description: string }>>).flatMap(
      (way) => Object.values(way),
    );
    expect(described.map((o) => o.operationId).sort()).toEqual(operations.map((o) => o.name).sort());
    for (const { description } of described) expect(description).toMatch(/^Access: ./);
    const choose = body.paths['/api/requests/{requestId}/ladder'].put;
    expect(choose.requestBody.content['application/json'].schema.properties.cut).toMatchObject({ type: 'integer', minimum: 0, maximum: 3 });
    const send = body.paths['/api/requests/{requestId}/critique/send'].post;
    expect(send.requestBody.content['application/json'].schema.properties.revision).toMatchObject({ type: 'integer', minimum: 0 });
    expect(send.parameters[0]).toMatchObject({ name: 'requestId', in: 'path', required: true });
  });

  it('is alive and ready while the database answers, and alive but not ready when it does not', async () => {
    const visitor = await visit(open.app, null);
    expect((await visitor.ask('get', '/api/ready')).body).toEqual({ ready: true });
    const { sequelize } = house.db;
    const authenticate = sequelize.authenticate;
    sequelize.authenticate = () => Promise.reject(new Error('gone'));
    const answer = await visitor.ask('get', '/api/ready');
    expect([answer.status, answer.body]).toEqual([503, { ready: false }]);
    expect((await visitor.ask('get', '/api/health')).body).toEqual({ alive: true });
    sequelize.authenticate = authenticate;
  });
});
