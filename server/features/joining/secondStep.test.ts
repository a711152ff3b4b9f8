import { addSeconds } from 'date-fns';
import { generateSync } from 'otplib';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { password } from '../../testing/people.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { visit, type Visitor } from '../../testing/visitor.ts';
import { seal, unseal } from '../../house/sealed.ts';

const { house, open, assistant, client } = peopledHouse('assistant', 'client');
const path = '/api/account/second-factor';
const begun = new Date('2031-05-01T10:00:00Z');
let coach: Visitor;
let secret: string;
let codes: string[];
/** What the device shows so many seconds later. */
const shown = (seconds = 0): string => generateSync({ secret, epoch: Math.floor(begun.getTime() / 1000) + seconds });
const at = (seconds: number): void => void (house.time = addSeconds(begun, seconds));
const signIn = async (code?: string, email = 'coach@test.example') => {
  const visitor = await visit(open.app, null);
  return visitor.ask('post', '/api/session', { email, password, ...(code && { code }) });
};

beforeEach(async () => {
  await house.db.signInTries.destroy({ where: {} });
  at(0);
  coach = await visit(open.app, 'coach');
  secret = (await coach.ask('post', path, { present: password })).body.secret as string;
  codes = (await coach.ask('put', path, { code: shown() })).body.codes as string[];
});
afterEach(async () => {
  await house.db.accounts.update({ secondSecret: null, secondSince: null, secondStep: 0 }, { where: {} });
  house.time = null;
});

describe('the second step at the door', () => {
  it('is asked for once it is confirmed by a code, after the password and not before', async () => {
    at(60);
    const without = await signIn();
    expect([without.status, without.body.code]).toEqual([401, 'needs-code']);
    const wrongPassword = await (await visit(open.app, null)).ask('post', '/api/session', { email: 'coach@test.example', password: 'x' });
    expect(wrongPassword.body.code).toBe('wrong-sign-in');
    expect((await signIn('000000')).body.code).toBe('wrong-code');
    expect((await signIn(shown(60))).body.account).toMatchObject({ role: 'coach' });
    expect((await signIn(undefined, 'assistant@test.example')).status).toBe(200);
  });

  it('takes each code once, those of half a minute before and after too, and none that is older than the last', async () => {
    at(300);
    const both = await Promise.all([signIn(shown(300)), signIn(shown(300))]);
    expect(both.map(({ status }) => status).sort()).toEqual([200, 401]);
    expect((await signIn(shown(270))).body.code).toBe('wrong-code');
    expect((await signIn(shown(330))).status).toBe(200);
    at(600);
    expect((await signIn(shown(510))).body.code).toBe('wrong-code');
  });

  it('is passed by a code for a lost device, each once, however it is written', async () => {
    expect(codes).toHaveLength(10);
    expect(new Set(codes).size).toBe(10);
    expect((await signIn(codes[3]!.toUpperCase().replace('-', ' '))).status).toBe(200);
    expect((await signIn(codes[3])).body.code).toBe('wrong-code');
    expect((await coach.ask('get', path)).body).toMatchObject({ since: expect.any(String), codesLeft: 9 });
  });

  it('is guessed at as slowly as a password, also by who has the password', async () => {
    const statuses: number[] = [];
    for (let i = 0; i < 12; i++) statuses.push((await signIn(String(100_000 + i))).status);
    expect([statuses[0], statuses.at(-1)]).toEqual([401, 429]);
  });

  it('is not passed by a letter about a forgotten password', async () => {
    await house.db.letters.destroy({ where: {} });
    const visitor = await visit(open.app, null);
    await visitor.ask('post', '/api/forgotten', { email: 'coach@test.example' });
    const link = (await house.db.letters.findOne({ where: { subject: 'A new password' } }))!.get('link') as string;
    const before = (await house.db.accounts.findOne({ where: { email: 'coach@test.example' } }))!.get('passwordHash') as string;
    const { body } = await visitor.ask('post', `/api${link}`, { password: 'slow hips before quick hands' });
    expect(body.account).toBeNull();
    await house.db.accounts.update({ passwordHash: before }, { where: { email: 'coach@test.example' } });
  });

  it('lies in the database sealed, its codes as digests; sealed for another purpose it opens nothing', async () => {
    const rows = JSON.stringify([await house.db.accounts.findAll(), await house.db.recoveryCodes.findAll()]);
    expect(rows).not.toContain(secret);
    for (const code of codes) expect(rows).not.toContain(code.replace('-', ''));
    const sealed = seal(house, 'one thing', 'words');
    expect(unseal(house, 'one thing', sealed)).toBe('words');
    expect(() => unseal(house, 'another', sealed)).toThrow();
    expect(() => unseal(house, 'one thing', `${sealed.slice(0, -4)}AAAA`)).toThrow();
  });
});

describe('setting it up and ending it', () => {
  it('needs the password and a code, is told by letter, and is the coaching side’s', async () => {
    const own = await visit(open.app, 'assistant');
    expect((await own.ask('post', path, { present: 'not this one' })).body.fields[0].field).toBe('present');
    const { body } = await own.ask('post', path, { present: password });
    expect([body.uri, body.picture]).toEqual([expect.stringMatching(/^otpauth:\/\/totp\/Lean%20Mentor/), expect.stringContaining('<svg')]);
    // Nothing is asked for before it is confirmed.
    expect((await signIn(undefined, 'assistant@test.example')).status).toBe(200);
    expect((await own.ask('put', path, { code: '000000' })).body.code).toBe('wrong-code');
    secret = body.secret as string;
    expect((await own.ask('put', path, { code: shown() })).body.codes).toHaveLength(10);
    expect((await own.ask('post', path, { present: password })).body.code).toBe('not-now');
    at(60);
    expect((await own.ask('post', `${path}/end`, { present: password, code: '000000' })).body.code).toBe('wrong-code');
    expect((await own.ask('post', `${path}/end`, { present: password, code: shown(60) })).status).toBe(200);
    expect((await own.ask('get', path)).body).toEqual({ since: null, codesLeft: 0 });
    expect((await signIn(undefined, 'assistant@test.example')).status).toBe(200);
    const told = await house.db.letters.count({ where: { toAddress: 'assistant@test.example', subject: 'Your sign-in was changed' } });
    expect(told).toBe(2);
    expect((await client.ask('get', path)).status).toBe(403);
    expect((await assistant.ask('get', path)).status).toBe(200);
  });
});
