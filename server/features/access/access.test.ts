import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createApp, type OpenApp } from '../../http/app.ts';
import { movePeopleIn, password } from '../../testing/people.ts';
import { openTestHouse, type TestHouse } from '../../testing/testHouse.ts';
import { visit } from '../../testing/visitor.ts';

let house: TestHouse;
let open: OpenApp;
beforeAll(async () => {
  house = await openTestHouse();
  await movePeopleIn(house);
  open = createApp(house);
});
afterAll(async () => {
  open.close();
  await house.close();
});

describe('signing in', () => {
  it('answers the account with the clients it stands for, and nothing of the password', async () => {
    const guardian = await visit(open.app, 'guardian');
    const { body } = await guardian.ask('get', '/api/session');
    expect(body.account).toMatchObject({ name: 'Gerd Ruhl', role: 'guardian', clients: [{ name: 'Ben Ruhl' }] });
    expect(JSON.stringify(body)).not.toContain('argon2');
  });

  it('stores passwords as Argon2id only', async () => {
    const rows = await house.db.accounts.findAll();
    for (const row of rows) expect(row.get('passwordHash')).toMatch(/^\$argon2id\$/);
  });

  it('takes the address in any case', async () => {
    const visitor = await visit(open.app, null);
    const answer = await visitor.ask('post', '/api/session', { email: 'Coach@Test.Example', password });
    expect(answer.body.account).toMatchObject({ role: 'coach' });
  });

  it('says the same for an unknown address as for a wrong password', async () => {
    const visitor = await visit(open.app, null);
    const unknown = await visitor.ask('post', '/api/session', { email: 'nobody@test.example', password });
    const wrong = await visitor.ask('post', '/api/session', { email: 'coach@test.example', password: 'not this one' });
    expect([unknown.status, wrong.status]).toEqual([401, 401]);
    expect(unknown.body).toEqual(wrong.body);
  });

  it('names the field that is wrong and why', async () => {
    const visitor = await visit(open.app, null);
    const answer = await visitor.ask('post', '/api/session', { email: 'no address', password: '' });
    expect(answer.status).toBe(400);
    expect(answer.body.fields).toEqual([
      { field: 'email', why: 'Write an address such as name@example.org.' },
      { field: 'password', why: 'Write something here.' },
    ]);
  });

  it('gives a new session id at sign-in, and the old one opens nothing', async () => {
    const visitor = await visit(open.app, null);
    const before = await house.db.sequelize.model('session').count();
    const answer = await visitor.ask('post', '/api/session', { email: 'client@test.example', password });
    expect(answer.headers['set-cookie']?.[0]).toMatch(/lean\.sid=.*HttpOnly.*SameSite=Lax/);
    expect(await house.db.sequelize.model('session').count()).toBe(before);
  });

  it('forgets the session when signing out', async () => {
    const client = await visit(open.app, 'client');
    expect((await client.ask('delete', '/api/session')).body.account).toBeNull();
    expect((await client.ask('get', '/api/requests')).status).toBe(401);
  });

  it('puts an account that is removed out at once', async () => {
    const assistant = await visit(open.app, 'assistant');
    expect((await assistant.ask('get', '/api/today')).status).toBe(200);
    await house.db.accounts.destroy({ where: { email: 'assistant@test.example' } });
    expect((await assistant.ask('get', '/api/today')).status).toBe(401);
  });
});

describe('changes', () => {
  it('are refused without the page’s token or with another one', async () => {
    const coach = await visit(open.app, 'coach');
    const good = coach.token;
    for (const token of ['', 'another', `${good}x`]) {
      coach.token = token;
      const answer = await coach.ask('delete', '/api/session');
      expect([answer.status, answer.body.code]).toEqual([403, 'stale-page']);
    }
    coach.token = good;
    expect((await coach.ask('delete', '/api/session')).status).toBe(200);
  });
});

describe('many tries', () => {
  it('are stopped after twenty in five minutes, with words that say what to do', async () => {
    const visitor = await visit(open.app, null);
    let answer;
    for (let i = 0; i < 25; i++)
      answer = await visitor.ask('post', '/api/session', { email: 'coach@test.example', password: `guess ${i}` });
    expect([answer?.status, answer?.body.code]).toEqual([429, 'too-many-sign-ins']);
    expect(answer?.body.message).toMatch(/Wait a few minutes/);
  });
});
