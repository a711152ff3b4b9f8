import { createApp, type OpenApp } from '../../app.ts';
import { addMinutes, subMinutes } from 'date-fns';
import type { Readable } from 'node:stream';
import supertest from 'supertest';
import { describe, expect, it } from 'vitest';
import { reviewCopyKey } from '../../storage/index.ts';
import { bringRequest, clientA, password } from '../../testing/people.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { visit, type Visitor } from '../../testing/visitor.ts';
import { countTry, forgetOldTries, mostTries, windowMinutes } from './signInLimits.ts';

const { house, open } = peopledHouse();

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

  it('gives a new session id at every sign-in, and the one before opens nothing any more (session fixation)', async () => {
    const visitor = await visit(open.app, 'client');
    const sidOf = (answer: { headers: Record<string, unknown> }): string =>
      (answer.headers['set-cookie'] as string[]).find((cookie) => cookie.startsWith('lean.sid='))!.split(';')[0]!;
    const sign = (email: string) => visitor.ask('post', '/api/session', { email: `${email}@test.example`, password });
    const first = await sign('client');
    for (const cookie of first.headers['set-cookie'] as unknown as string[]) expect(cookie).toMatch(/HttpOnly; SameSite=Lax/);
    visitor.token = first.body.token as string;
    const before = await house.db.sequelize.model('session').count();
    const second = await sign('coach');
    expect(sidOf(second)).not.toBe(sidOf(first));
    expect(await house.db.sequelize.model('session').count()).toBe(before);
    // Whoever planted or read the first id has nothing of what the second one opens.
    const planted = await supertest(open.app).get('/api/session').set('cookie', sidOf(first));
    expect(planted.body.account).toBeNull();
    expect((await supertest(open.app).get('/api/session').set('cookie', sidOf(second))).body.account.role).toBe('coach');
  });

  it('leaves no row of a visit in which nobody signed in', async () => {
    const before = await house.db.sequelize.model('session').count();
    const visitor = await visit(open.app, null);
    await visitor.ask('get', '/api/session');
    await visitor.ask('post', '/api/session', { email: 'nobody@test.example', password: 'x' });
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

describe('a session', () => {
  it('that has expired is refused at once, not at the next sweep', async () => {
    const client = await visit(open.app, 'client');
    const ids = (await house.db.sequelize.model('session').findAll()).filter((row) => (row.get('data') as string).includes(client.token));
    expect(ids).toHaveLength(1);
    await ids[0]!.update({ expires: new Date(Date.now() - 1000) });
    expect((await client.ask('get', '/api/requests')).status).toBe(401);
  });

  it('takes the signed addresses of its footage along when it ends', async () => {
    const { footageId } = await bringRequest(house, clientA, 'ready');
    await house.storage.putBytes(reviewCopyKey(footageId), 'bytes');
    const [client, elsewhere] = [await visit(open.app, 'client'), await visit(open.app, 'client')];
    const { reviewCopy } = (await client.ask('get', `/api/footages/${footageId}/viewing`)).body as { reviewCopy: string };
    expect((await client.ask('get', reviewCopy)).status).toBe(200);
    await client.ask('delete', '/api/session');
    // Signed in anew, or in another browser, the same person asks for an address of their own.
    expect((await elsewhere.ask('get', reviewCopy)).status).toBe(410);
  });

  it('takes what it listens to along when it ends', async () => {
    const client = await visit(open.app, 'client');
    const ended = new Promise<void>((resolve, reject) => {
      const request = client
        .ask('get', '/api/footages/watch')
        .buffer(true)
        .parse((response, done) => {
          (response as unknown as Readable).resume().on('end', () => (done(null, null), resolve()));
        });
      request.catch(reject);
    });
    await new Promise((resolve) => setTimeout(resolve, 300));
    await client.ask('delete', '/api/session');
    await ended;
  });
});

describe('many tries', () => {
  const guess = (visitor: Visitor, email: string, words: string) =>
    visitor.ask('post', '/api/session', { email: `${email}@test.example`, password: words });

  it('of one guesser shut the guessed account to unknown browsers, with words that say what to do, and nobody else out', async () => {
    await house.db.signInTries.destroy({ where: {} });
    const known = await visit(open.app, 'coach');
    await known.ask('delete', '/api/session');
    known.token = (await known.ask('get', '/api/session')).body.token as string;
    const guesser = await visit(open.app, null);
    let answer;
    for (let i = 0; i < 30; i++) answer = await guess(guesser, 'coach', `guess ${i}`);
    expect([answer?.status, answer?.body.code]).toEqual([429, 'too-many-sign-ins']);
    expect(answer?.body.message).toMatch(/Wait a few minutes/);
    // Also the right password, which the guesser may have found.
    expect((await guess(guesser, 'coach', password)).status).toBe(429);
    // The coach's own browser, and everybody else behind the same address, go on as before.
    expect((await guess(known, 'coach', password)).status).toBe(200);
    expect((await guess(await visit(open.app, null), 'client', password)).status).toBe(200);
  });

  it('at many accounts from one address are stopped too, and over time forgotten', async () => {
    await house.db.signInTries.destroy({ where: {} });
    const guesser = await visit(open.app, null);
    const answers = [];
    for (let i = 0; i < mostTries.address + 5; i++) answers.push((await guess(guesser, `somebody${i}`, 'x')).status);
    expect([answers[0], answers.at(-1)]).toEqual([401, 429]);
    house.time = addMinutes(new Date(), windowMinutes + 1);
    expect((await guess(guesser, 'other', password)).status).toBe(200);
    expect(JSON.stringify(await house.db.signInTries.findAll())).not.toMatch(/test\.example|127\.0\.0\.1/);
    await forgetOldTries(house);
    expect(await house.db.signInTries.count()).toBe(0);
    house.time = null;
  });
});

describe('people of one gym', () => {
  it('all get in at the same moment, whoever failed before and whatever is tidied meanwhile', async () => {
    const failed = Array.from({ length: 600 }, (_, i) => ({
      subject: `${i % 30}`.padEnd(64),
      triedAt: subMinutes(house.now(), windowMinutes),
    }));
    await house.db.signInTries.bulkCreate(failed);
    const comeIn = async (person: number): Promise<void> => {
      const trying = { email: `person${person}@gym.example`, accountId: null, address: '192.0.2.1', cookie: null };
      for (let time = 0; time < 20; time++) {
        const wasRight = await countTry(house, trying);
        if (person === 0) await forgetOldTries(house);
        await wasRight();
      }
    };
    await Promise.all(Array.from({ length: 30 }, (_, person) => comeIn(person)));
    expect(await house.db.signInTries.count()).toBe(0);
  });
});

describe('accounts of the demo', () => {
  it('are nobody where there is to be no demo, whatever was loaded before', async () => {
    const asked = await visit(open.app, 'client');
    await house.db.accounts.update({ demo: true }, { where: { email: 'client@test.example' } });
    house.config.demo = false;
    expect((await asked.ask('get', '/api/requests')).status).toBe(401);
    const again = await visit(open.app, null);
    expect((await again.ask('post', '/api/session', { email: 'client@test.example', password })).status).toBe(401);
    house.config.demo = true;
    expect((await asked.ask('get', '/api/requests')).status).toBe(200);
  });
});

describe('behind HTTPS', () => {
  it('cookies are Secure and browsers are told to stay with it; without it neither', async () => {
    const served = (https: boolean) => createApp({ ...house, config: { ...house.config, https, trustedProxies: 1 } });
    const [secure, plain] = [served(true), served(false)];
    const sign = async (app: OpenApp) => {
      const at = await supertest(app.app).get('/api/session').set('x-forwarded-proto', 'https');
      const body = { email: 'other@test.example', password };
      return supertest(app.app)
        .post('/api/session')
        .set({ 'x-lean-token': at.body.token as string, 'x-forwarded-proto': 'https' })
        .send(body);
    };
    const answer = await sign(secure);
    for (const cookie of answer.headers['set-cookie'] as unknown as string[]) expect(cookie).toContain('Secure');
    expect(answer.headers['strict-transport-security']).toMatch(/max-age=31536000/);
    expect((await supertest(plain.app).get('/api/health')).headers['strict-transport-security']).toBeUndefined();
    secure.close();
    plain.close();
  });
});
