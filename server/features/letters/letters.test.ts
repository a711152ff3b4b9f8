import type { Letter } from '@lean-mentor/contract';
import type { AddressInfo } from 'node:net';
import { SMTPServer } from 'smtp-server';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { readConfig } from '../../config/config.ts';
import { runDue } from '../../testing/jobs.ts';
import { clientA } from '../../testing/people.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { visit, type Visitor } from '../../testing/visitor.ts';

const { house, open, coach } = peopledHouse('coach');
let come: { to: string[]; text: string }[] = [];
/** Whom the mail server does not take letters for. */
let refused: string | null = null;
const server = new SMTPServer({
  authOptional: true,
  disabledCommands: ['STARTTLS'],
  onRcptTo: ({ address }, _session, done) =>
    address === refused ? done(Object.assign(new Error('No such mailbox here'), { responseCode: 550 })) : done(),
  onData: (stream, session, done) => {
    const parts: Buffer[] = [];
    stream
      .on('data', (part: Buffer) => parts.push(part))
      .on('end', () => {
        come.push({ to: session.envelope.rcptTo.map(({ address }) => address), text: Buffer.concat(parts).toString() });
        done();
      });
  },
});
beforeAll(async () => {
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.server.address() as AddressInfo;
  Object.assign(house.config, {
    mail: { server: `smtp://127.0.0.1:${port}`, from: 'Marit <coach@lind.example>' },
    url: 'https://mentor.example',
  });
});
afterAll(() => new Promise<void>((resolve) => server.close(resolve)));
beforeEach(async () => {
  [come, refused] = [[], null];
  await house.db.letters.destroy({ where: {} });
  await house.db.jobs.destroy({ where: {} });
  await house.db.forgottenPasswords.destroy({ where: {} });
});

const forget = async (email = 'client@test.example') => (await visit(open.app, null)).ask('post', '/api/forgotten', { email });
const letters = async (): Promise<{ letters: Letter[]; leave: boolean }> => (await coach.ask('get', '/api/letters')).body;

describe('a letter, where the house has a mail server', () => {
  it('leaves for its reader with addresses that open from anywhere, once; its link is nobody else’s to see', async () => {
    await forget();
    const before = await letters();
    expect(before).toMatchObject({ leave: true, letters: [{ link: null, sentAt: null, failure: null }] });
    await runDue(house, 'send-letter');
    expect(come).toHaveLength(1);
    const { to, text } = come[0]!;
    // Quoted-printable breaks long lines.
    const plain = text.replace(/=\r\n/g, '').replace(/=3D/g, '=');
    expect(to).toEqual(['client@test.example']);
    expect(plain).toMatch(/^From: Marit <coach@lind\.example>/m);
    expect(plain).toMatch(/^Subject: A new password/m);
    expect(plain).toMatch(/^Auto-Submitted: auto-generated/m);
    expect(plain).toMatch(new RegExp(`^Message-ID: <${before.letters[0]!.id}@mentor\\.example>`, 'm'));
    const [, token] = /https:\/\/mentor\.example\/forgotten\/([\w-]{43})\s/.exec(plain)!;
    expect((await letters()).letters).toMatchObject([{ sentAt: expect.any(String), failure: null, link: null }]);
    expect(JSON.stringify(await house.db.letters.findAll())).not.toContain(token);
    const visitor = await visit(open.app, null);
    expect((await visitor.ask('post', `/api/forgotten/${token}`, { password: 'a password for the tests' })).status).toBe(200);
    // Asked for again by a process that died before it was noted, one that was sent is left.
    come = [];
    await house.db.jobs.update({ state: 'waiting' }, { where: { subjectId: before.letters[0]!.id } });
    await runDue(house, 'send-letter');
    expect(come.filter((one) => one.text.includes('A new password'))).toEqual([]);
  });

  it('that the server does not take says so, and is sent again when it does', async () => {
    refused = 'client@test.example';
    await forget();
    await house.db.jobs.update({ attempts: 9 }, { where: { kind: 'send-letter' } });
    await runDue(house, 'send-letter');
    const [letter] = (await letters()).letters;
    expect(letter).toMatchObject({ sentAt: null, failure: expect.stringContaining('did not take it') });
    refused = null;
    expect((await coach.ask('post', `/api/letters/${letter!.id}/again`)).status).toBe(200);
    await runDue(house, 'send-letter');
    expect((await letters()).letters).toMatchObject([{ sentAt: expect.any(String), failure: null }]);
    expect((await coach.ask('post', `/api/letters/${letter!.id}/again`)).body.code).toBe('not-now');
  });

  it('names no address of the house that was only meant for its own pages, and leaves words with a stroke alone', async () => {
    const body = 'Either/or.\n\nOpen it: /c/abcd2345\n\nCora';
    const id = house.newId();
    await house.db.letters.create({
      ...{ id, toName: 'Ada', toAddress: 'ada@new.example', subject: 'Your critique', body, writtenAt: house.now(), link: null },
    });
    const { sendLetter } = await import('./index.ts');
    await sendLetter(house, id);
    expect(come[0]!.text).toContain('Either/or.\r\n\r\nOpen it: https://mentor.example/c/abcd2345\r\n');
  });
});

describe('a letter to a client', () => {
  let ada: Visitor;
  // Anew: the tests above have signed her out by a new password.
  beforeAll(async () => {
    ada = await visit(open.app, 'client');
  });
  const plan = { ...{ name: 'Steady', price: '45.00', extraPrice: '25.00', period: 'month', requestsPerPeriod: 2, rank: 1 } };
  const write = async (): Promise<void> => {
    const body = { ...plan, includes: ['written'], turnaround: { hours: 16, kind: 'working' } };
    const { planId } = (await coach.ask('post', '/api/plans', body)).body;
    await coach.ask('post', `/api/clients/${clientA}/memberships`, { planId, fromOn: '2026-11-01', untilOn: null, gifted: true });
  };
  const wordsNow = async () => (await coach.ask('get', '/api/letter-words')).body as { words: object; revision: number };
  const word = async (kind: string, template: object | null) =>
    coach.ask('put', `/api/letter-words/${kind}`, { revision: (await wordsNow()).revision, template });
  const own = async () =>
    (await ada.ask('get', '/api/own-letters')).body as { letters: { body: string; readAt: string | null }[]; by: string };
  const personOf = async () =>
    ((await coach.ask('get', '/api/people')).body.people as { id: string; email: string; letters: object }[]).find(
      ({ email }) => email === 'client@test.example',
    )!;

  it('goes in the coach’s own words from when they were kept, and again as it came when they are taken away', async () => {
    expect((await word('plan', { subject: 'Dein Plan', body: 'Hallo {name}, {change} {nmae}' })).body).toMatchObject({
      code: 'not-valid',
      fields: [{ field: 'template.body', why: '“{nmae}” is no field of this letter. There are {name}, {change}.' }],
    });
    expect((await word('plan', { subject: 'Dein Plan', body: 'Hallo {name}.' })).body.message).toContain('{change} must stand in it');
    const stale = (await wordsNow()).revision;
    expect((await word('plan', { subject: 'Dein Plan', body: 'Hallo {name}, {change}' })).status).toBe(200);
    await write();
    expect(come).toEqual([]);
    await runDue(house, 'send-letter');
    expect(come[0]!.text).toContain('Subject: Dein Plan');
    expect((await letters()).letters[0]!.body).toMatch(/^Hallo Ada Moor, From 2026-11-01 on your plan/);
    const late = await coach.ask('put', '/api/letter-words/plan', { revision: stale, template: null });
    expect(late.body.code).toBe('changed-meanwhile');
    await word('plan', null);
    await write();
    expect((await letters()).letters[0]!.body).toMatch(/^Hello Ada Moor,/);
  });

  it('is stopped by the address that stands in it, stays in the app, and only they themselves have it sent again', async () => {
    await write();
    await runDue(house, 'send-letter');
    const text = come[0]!.text.replace(/=\r\n/g, '').replace(/=3D/g, '=');
    const [page] = /\/stop-letters\/[\w-]+\/[\w-]{43}/.exec(text)!;
    // A long header is folded onto a second line.
    expect(text.replace(/\r\n\s+/g, ' ')).toContain(`List-Unsubscribe: <https://mentor.example${page}>`);
    const stranger = await visit(open.app, null);
    const wrong = page.replace(/.$/, (last) => (last === 'A' ? 'B' : 'A'));
    expect((await stranger.ask('post', `/api${wrong}`, {})).status).toBe(404);
    expect((await own()).by).toBe('letter');
    expect((await stranger.ask('post', `/api${page}`, {})).status).toBe(200);
    come = [];
    await write();
    await runDue(house, 'send-letter');
    expect(come).toEqual([]);
    expect((await letters()).letters[0]).toMatchObject({ inApp: true, sentAt: null });
    expect(await own()).toMatchObject({ by: 'app', letters: [{ readAt: null }, { readAt: null }] });
    await ada.ask('post', '/api/own-letters/read', {});
    expect((await own()).letters.every(({ readAt }) => readAt !== null)).toBe(true);
    const { id, letters: how } = await personOf();
    expect(how).toEqual({ by: 'app', stopped: true });
    expect((await coach.ask('put', `/api/people/${id}/letters`, { by: 'letter' })).body.message).toBe(
      'Ada Moor has stopped letters. Only they can have them sent again.',
    );
    await ada.ask('put', '/api/own-letters/by', { by: 'letter' });
    await coach.ask('put', `/api/people/${id}/letters`, { by: 'app' });
    expect((await personOf()).letters).toEqual({ by: 'app', stopped: false });
    expect((await coach.ask('put', `/api/people/${id}/letters`, { by: 'letter' })).status).toBe(200);
  });

  it('that opens a way in comes all the same to who has stopped letters, and holds no way to stop it', async () => {
    await ada.ask('put', '/api/own-letters/by', { by: 'app' });
    await forget();
    await runDue(house, 'send-letter');
    expect(come[0]!.text).toContain('Subject: A new password');
    expect(come[0]!.text).not.toContain('stop-letters');
    await ada.ask('put', '/api/own-letters/by', { by: 'letter' });
  });
});

describe('the mail server in the environment', () => {
  it('needs whom letters are from and where people reach the house, or says so', () => {
    const read = (env: object) => readConfig({ LEAN_DB_PASSWORD: 'x'.repeat(12), LEAN_SECRET: 'x'.repeat(20), ...env }).mail;
    expect(read({})).toBeNull();
    expect(() => read({ LEAN_SMTP_URL: 'mail.example' })).toThrow('LEAN_SMTP_URL must be an address');
    expect(() => read({ LEAN_SMTP_URL: 'smtp://mail.example', LEAN_MAIL_FROM: 'a@b.example' })).toThrow('LEAN_URL');
    expect(() => read({ LEAN_SMTP_URL: 'smtp://mail.example', LEAN_URL: 'https://m.example' })).toThrow('LEAN_MAIL_FROM');
    const all = { LEAN_SMTP_URL: 'smtp://mail.example', LEAN_MAIL_FROM: 'Marit <a@b.example>', LEAN_URL: 'https://m.example' };
    expect(read(all)).toEqual({ server: 'smtp://mail.example', from: 'Marit <a@b.example>' });
  });
});
