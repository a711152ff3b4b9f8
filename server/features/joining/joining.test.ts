import type { Invitation, Letter } from '@lean-mentor/contract';
import { addDays, addHours, addMinutes } from 'date-fns';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { clientA, password } from '../../testing/people.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { visit, type Visitor } from '../../testing/visitor.ts';
import { passwordFault } from './index.ts';

const { house, open, coach, assistant, client } = peopledHouse('coach', 'assistant', 'client');
const words = 'slow hips before quick hands';
beforeEach(() => house.db.signInTries.destroy({ where: {} }));
afterEach(() => void (house.time = null));

let number = 0;
const address = (): string => `person${(number += 1)}@new.example`;
const invite = (fields: object, by = coach) =>
  by.ask('post', '/api/invitations', { role: 'client', name: 'Runa Vik', email: address(), level: 2, bornOn: '1994-03-01', ...fields });
const letters = async (by = coach): Promise<Letter[]> => (await by.ask('get', '/api/letters')).body.letters;
/** The link in the latest letter to an address, as this visitor sees it. */
const linkTo = async (email: string, by = coach): Promise<string | null> =>
  (await letters(by)).find(({ toAddress }) => toAddress === email)?.link ?? null;
/** As a page asks for what its own address names. */
const wire = (link: string): string => `/api${link}`;
const comer = (): Promise<Visitor> => visit(open.app, null);
const signIn = async (email: string, chosen: string): Promise<number> =>
  (await (await comer()).ask('post', '/api/session', { email, password: chosen })).status;

describe('an invitation', () => {
  it('lets a new client choose a password, come in, and be found; its link opens once', async () => {
    const email = address();
    const made = (await invite({ email: email.toUpperCase() })).body.invitation as Invitation;
    expect(made).toMatchObject({ role: 'client', name: 'Runa Vik', email, state: 'open', clientName: null });
    const link = (await linkTo(email))!;
    const visitor = await comer();
    expect((await visitor.ask('get', wire(link))).body).toEqual({
      ...{ name: 'Runa Vik', email, role: 'client', clientName: null, from: expect.any(String) },
    });
    const joined = await visitor.ask('post', wire(link), { password: words });
    expect(joined.body.account).toMatchObject({ name: 'Runa Vik', role: 'client', clients: [{ name: 'Runa Vik' }] });
    visitor.token = joined.body.token as string;
    expect((await visitor.ask('get', '/api/requests')).status).toBe(200);
    const { clients } = (await coach.ask('get', '/api/clients')).body;
    expect(clients).toContainEqual(expect.objectContaining({ name: 'Runa Vik', level: 2, age: expect.any(Number) }));
    // Used, it opens nothing and is not shown any more.
    for (const method of ['get', 'post'] as const)
      expect((await (await comer()).ask(method, wire(link), method === 'post' ? { password: words } : undefined)).status).toBe(410);
    expect(await linkTo(email)).toBeNull();
    expect(await signIn(email, words)).toBe(200);
    expect(((await coach.ask('get', '/api/invitations')).body.invitations as Invitation[])[0]).toMatchObject({ email, state: 'accepted' });
  });

  it('of two who come by the same link at once takes one', async () => {
    const email = address();
    await invite({ email });
    const link = wire((await linkTo(email))!);
    const comers = [await comer(), await comer()];
    const answers = await Promise.all(comers.map((one) => one.ask('post', link, { password: words })));
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 410]);
    expect(await house.db.accounts.count({ where: { email } })).toBe(1);
  });

  it('sent again opens by its new link alone; taken back or too old by none', async () => {
    const email = address();
    const { id } = (await invite({ email })).body.invitation as Invitation;
    const first = wire((await linkTo(email))!);
    expect((await coach.ask('post', `/api/invitations/${id}/again`)).body).toMatchObject({ id, state: 'open' });
    const second = wire((await linkTo(email))!);
    const visitor = await comer();
    expect([(await visitor.ask('get', first)).status, (await visitor.ask('get', second)).status]).toEqual([410, 200]);
    house.time = addDays(new Date(), 15);
    expect((await (await comer()).ask('post', second, { password: words })).status).toBe(410);
    expect(((await coach.ask('get', '/api/invitations')).body.invitations as Invitation[]).find((one) => one.id === id)?.state).toBe(
      'expired',
    );
    house.time = null;
    expect((await coach.ask('delete', `/api/invitations/${id}`)).status).toBe(200);
    expect((await visitor.ask('get', second)).status).toBe(410);
    expect((await coach.ask('post', `/api/invitations/${id}/again`)).status).toBe(404);
  });

  it('of a guardian is for one client; who is a guardian here already becomes this one’s too, without a letter', async () => {
    const email = address();
    await invite({ role: 'guardian', name: 'Ada Moor’s mother', email, clientId: clientA });
    const visitor = await comer();
    const joined = await visitor.ask('post', wire((await linkTo(email))!), { password: words });
    expect(joined.body.account).toMatchObject({ role: 'guardian', clients: [{ id: clientA }] });
    const second = address();
    await invite({ email: second, name: 'Ole Vik', bornOn: '2014-01-01' });
    await (await comer()).ask('post', wire((await linkTo(second))!), { password: words });
    const child = ((await coach.ask('get', '/api/clients')).body.clients as { id: string; name: string }[]).find(
      (one) => one.name === 'Ole Vik',
    )!;
    const before = (await letters()).length;
    expect((await invite({ role: 'guardian', name: 'The same', email, clientId: child.id })).body).toEqual({ invitation: null });
    visitor.token = joined.body.token as string;
    expect((await visitor.ask('get', '/api/session')).body.account.clients).toHaveLength(2);
    expect((await letters()).length).toBe(before);
    expect((await invite({ role: 'guardian', name: 'Nobody’s', email: address(), clientId: house.newId() })).status).toBe(404);
  });

  it('goes to nobody who signs in here or is invited already, and says which', async () => {
    const email = address();
    await invite({ email });
    const [again, known] = [await invite({ email }), await invite({ email: 'Client@test.example' })];
    expect([again.body.fields, known.body.fields].map(([one]) => [one.field, one.why])).toEqual([
      ['email', 'Whoever has this address is invited already.'],
      ['email', 'Whoever has this address signs in here already.'],
    ]);
    expect((await invite({ role: 'guardian', email: 'client@test.example', clientId: clientA })).body.fields[0].field).toBe('email');
  });

  it('is the coach’s alone to make; its link is shown to no assistant, who could come in as somebody else', async () => {
    const email = address();
    expect([(await invite({ email }, assistant)).status, (await invite({ email }, client)).status]).toEqual([403, 403]);
    await invite({ email, role: 'assistant', level: undefined });
    expect([await linkTo(email, assistant), typeof (await linkTo(email))]).toEqual([null, 'string']);
    const kept = JSON.stringify(await house.db.invitations.findAll());
    expect(kept).not.toContain((await linkTo(email))!.split('/')[2]);
  });
});

describe('a password', () => {
  it('may be anything of twelve characters that nobody tries first and that is not one’s own name', () => {
    const fault = (chosen: string) => passwordFault(chosen, { name: 'Runa Vikström', email: 'runa.vik@harbour.example' });
    for (const good of [words, 'AAAAbbbb1234!?', 'ñandú sobre la pared', 'runavikström eats 7 pears'])
      expect([good, fault(good)]).toEqual([good, null]);
    for (const bad of ['q1w2e3r4t5y6', 'QWERTYUIOP', 'aaaaaaaaaaaa', 'vikströmruna', 'runa.vik@harbour.example', 'harbour2024'])
      expect([bad, fault(bad)]).toEqual([bad, expect.stringContaining('Take another')]);
  });

  it('is changed by whoever knows the present one, which ends every other session', async () => {
    const email = address();
    await invite({ email });
    const here = await comer();
    here.token = (await here.ask('post', wire((await linkTo(email))!), { password: words })).body.token as string;
    const elsewhere = await comer();
    elsewhere.token = (await elsewhere.ask('post', '/api/session', { email, password: words })).body.token as string;
    const change = (present: string, chosen: string) => here.ask('post', '/api/account/password', { present, password: chosen });
    expect((await change('not this one', 'a quite different one')).body.fields[0].field).toBe('present');
    expect((await change(words, 'too short')).body.fields[0].field).toBe('password');
    expect((await change(words, 'q1w2e3r4t5y6')).body.fields[0]).toMatchObject({
      field: 'password',
      why: expect.stringContaining('tried first'),
    });
    expect((await change(words, 'a quite different one')).status).toBe(200);
    expect([(await here.ask('get', '/api/requests')).status, (await elsewhere.ask('get', '/api/requests')).status]).toEqual([200, 401]);
    expect([await signIn(email, words), await signIn(email, 'a quite different one')]).toEqual([401, 200]);
  });

  it('cannot be guessed on the page of one who left their browser open', async () => {
    const email = address();
    await invite({ email });
    const here = await comer();
    here.token = (await here.ask('post', wire((await linkTo(email))!), { password: words })).body.token as string;
    const statuses: number[] = [];
    for (let i = 0; i < 25; i++)
      statuses.push((await here.ask('post', '/api/account/password', { present: `guess ${i}`, password: 'a quite different one' })).status);
    expect([statuses[0], statuses.at(-1)]).toEqual([400, 429]);
  });

  it('that was forgotten is set anew by a link, once, which ends every session; nobody is told whether an address is known', async () => {
    const email = address();
    await invite({ email });
    const lost = await comer();
    lost.token = (await lost.ask('post', wire((await linkTo(email))!), { password: words })).body.token as string;
    const visitor = await comer();
    const ask = (of: string) => visitor.ask('post', '/api/forgotten', { email: of });
    const [known, unknown] = [await ask(email.toUpperCase()), await ask('nobody@new.example')];
    expect([known.status, known.body]).toEqual([unknown.status, unknown.body]);
    const first = wire((await linkTo(email))!);
    await ask(email);
    const second = wire((await linkTo(email))!);
    const set = (link: string, chosen: string) => visitor.ask('post', link, { password: chosen });
    expect((await set(second, 'q1w2e3r4t5y6')).status).toBe(400);
    const came = await set(second, 'a quite different one');
    expect(came.body.account).toMatchObject({ role: 'client' });
    visitor.token = came.body.token as string;
    expect((await lost.ask('get', '/api/requests')).status).toBe(401);
    // The other letter's link opens nothing either.
    for (const link of [first, second]) expect((await set(link, 'yet another long one')).status).toBe(410);
    expect([await signIn(email, words), await signIn(email, 'a quite different one')]).toEqual([401, 200]);
  });

  it('is written about three times an hour at most, and its link opens for an hour', async () => {
    const [email, visitor] = ['client@test.example', await comer()];
    const begun = new Date();
    for (let i = 0; i < 5; i++) {
      house.time = addMinutes(begun, i);
      await visitor.ask('post', '/api/forgotten', { email });
    }
    expect((await letters()).filter(({ toAddress, subject }) => toAddress === email && subject === 'A new password')).toHaveLength(3);
    const link = wire((await linkTo(email))!);
    house.time = addHours(begun, 2);
    expect((await visitor.ask('post', link, { password: words })).status).toBe(410);
    expect(await signIn(email, password)).toBe(200);
  });

  it('of a coach is never set by a link that the outbox shows', async () => {
    await (await comer()).ask('post', '/api/forgotten', { email: 'coach@test.example' });
    const [letter] = (await letters()).filter(({ toAddress }) => toAddress === 'coach@test.example');
    expect([letter!.subject, letter!.link]).toEqual(['A new password', null]);
  });
});

describe('one’s own sessions', () => {
  it('are listed with what they were begun with, and ended one by one; another’s cannot be', async () => {
    const there = await comer();
    const signed = await there
      .ask('post', '/api/session', { email: 'client@test.example', password })
      .set('user-agent', 'Mozilla/5.0 (Android 14; Mobile; rv:127.0) Gecko/127.0 Firefox/127.0');
    there.token = signed.body.token as string;
    const list = async (by: Visitor) =>
      (await by.ask('get', '/api/account/sessions')).body.sessions as { id: string; browser: string; here: boolean }[];
    const mine = await list(client);
    expect(mine.filter(({ here }) => here)).toHaveLength(1);
    const other = mine.find(({ browser }) => browser === 'Firefox on Android')!;
    expect((await coach.ask('delete', `/api/account/sessions/${other.id}`)).status).toBe(404);
    expect((await client.ask('delete', `/api/account/sessions/${other.id}`)).status).toBe(200);
    expect((await there.ask('get', '/api/requests')).status).toBe(401);
    expect((await list(client)).some(({ id }) => id === other.id)).toBe(false);
    // What is shown is not what opens a session.
    const sids = (await house.db.sequelize.model('session').findAll()).map((row) => row.get('sid') as string);
    for (const { id } of mine) expect(sids.some((sid) => sid.includes(id))).toBe(false);
  });
});
