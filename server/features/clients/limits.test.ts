import { sparedOf } from '@lean-mentor/core/book';
import { limitsOf, proposedLimits, type Limit } from '@lean-mentor/core/care';
import { beforeEach, describe, expect, it } from 'vitest';
import { anIntake, bringRequest, clientA, clientB } from '../../testing/people.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import type { Visitor } from '../../testing/visitor.ts';

const { house, coach, client, other, guardian, assistant } = peopledHouse('coach', 'client', 'other', 'guardian', 'assistant');
beforeEach(async () => {
  await house.db.clients.update({ hurts: ['Left shoulder'], limits: [] }, { where: { id: clientA } });
});

const path = (id = clientA): string => `/api/clients/${id}/limits`;
const now = async (): Promise<{ hurts: string[]; limits: Limit[] }> => (await coach.ask('get', path())).body;
const keep = (who: Visitor, hurts: string[], limits: Limit[], id = clientA) => who.ask('put', path(id), { hurts, limits });
const [shoulder] = proposedLimits('Left shoulder') as [Limit];

describe('what a client’s body must not bear', () => {
  it('is what their words propose until the coach or the client agrees, and says who did', async () => {
    expect((await now()).limits).toEqual([]);
    expect((await keep(client, ['Left shoulder'], [shoulder])).status).toBe(200);
    expect((await now()).limits).toMatchObject([{ part: 'shoulder', side: 'left', byClient: true, byCoach: false }]);
    await keep(coach, ['Left shoulder'], (await now()).limits);
    expect((await now()).limits).toMatchObject([{ byClient: true, byCoach: true }]);
  });

  it('is agreed on anew by the other side once it says something else', async () => {
    await keep(client, ['Left shoulder'], [shoulder]);
    await keep(coach, ['Left shoulder'], [{ ...(await now()).limits[0]!, burdens: ['twisted'] }]);
    expect((await now()).limits).toMatchObject([{ burdens: ['twisted'], byClient: false, byCoach: true }]);
  });

  it('is added to by the client, who ends nothing; the coach does, and what was read from the words goes with them', async () => {
    expect((await keep(client, ['Left shoulder', 'Right knee'], [shoulder])).status).toBe(200);
    const refused = await keep(client, ['Right knee'], []);
    expect([refused.status, refused.body.message]).toEqual([400, '“Left shoulder” is ended by your coach, when you have spoken about it.']);
    expect((await keep(coach, ['Right knee'], [shoulder])).status).toBe(200);
    expect(await now()).toMatchObject({ hurts: ['Right knee'], limits: [] });
  });

  it('asks for a clinician until the coach has written down what one said: nobody else can', async () => {
    await keep(coach, ['Concussion in May'], []);
    const [asked] = limitsOf(['Concussion in May'], []) as [Limit];
    const refused = await keep(client, ['Concussion in May'], [{ ...asked, cleared: 'All fine.' }]);
    expect([refused.status, refused.body.message]).toEqual([400, 'What a clinician said is written down by your coach. Tell them.']);
    await keep(coach, ['Concussion in May'], [{ ...asked, cleared: 'Cleared by hers on 3 June.' }]);
    expect((await now()).limits).toMatchObject([{ alarm: 'head-knock', cleared: 'Cleared by hers on 3 June.' }]);
    // It stays as it was said when the client agrees to it.
    expect((await keep(client, ['Concussion in May'], (await now()).limits)).status).toBe(200);
  });

  it('is nobody else’s to see or change; a guardian does it for their minor', async () => {
    for (const who of [other, guardian]) {
      expect((await who.ask('get', path())).status).toBe(404);
      expect((await keep(who, ['Left shoulder'], [])).status).toBe(404);
    }
    expect((await assistant.ask('get', path())).status).toBe(200);
    expect((await keep(assistant, ['Left shoulder'], [])).status).toBe(403);
    expect((await keep(guardian, ['Wrist sprained'], [], clientB)).status).toBe(200);
    expect((await keep(coach, ['x'], [], '00000000-0000-4000-8000-0000000000ff')).status).toBe(404);
  });
});

describe('what a request says hurts that day, and hurts the partner', () => {
  const words = ['Left shoulder', 'Right knee'] as const;
  const [own] = proposedLimits(words[0]) as [Limit];
  const [partner] = proposedLimits(words[1]) as [Limit];
  const bring = async (): Promise<string> => {
    const { requestId } = await bringRequest(house, clientA, 'ready');
    await house.db.requests.update({ intake: { ...anIntake, hurtsToday: words[0], partnerHurts: words[1] } }, { where: { id: requestId } });
    return `/api/requests/${requestId}`;
  };
  const put = (who: Visitor, at: string, limits: object) => who.ask('put', `${at}/limits`, limits);

  it('is agreed on by both, and what was said more closely goes before what the words propose', async () => {
    const at = await bring();
    expect((await coach.ask('get', at)).body.limits).toEqual({ own: [], partner: [] });
    await put(client, at, { own: [own], partner: [{ ...partner, burdens: ['bent'] }] });
    const { limits } = (await put(coach, at, { own: [own], partner: [{ ...partner, burdens: ['bent'] }] })).body;
    expect(limits.own).toMatchObject([{ byClient: true, byCoach: true }]);
    const request = (await coach.ask('get', at)).body;
    const spared = sparedOf({ name: 'Ada Moor', hurts: [], limits: [] }, request);
    expect(spared.partnerLimits).toMatchObject([{ part: 'knee', side: 'right', burdens: ['bent'] }]);
  });

  it('asks for a clinician until the coach has written down what one said, and is nobody else’s', async () => {
    const at = await bring();
    const refused = await put(client, at, { own: [{ ...own, cleared: 'Fine.' }], partner: [] });
    expect([refused.status, refused.body.message]).toEqual([400, 'What a clinician said is written down by your coach. Tell them.']);
    expect((await put(coach, at, { own: [{ ...own, cleared: 'Seen on Monday.' }], partner: [] })).status).toBe(200);
    for (const [who, status] of [
      [other, 404],
      [guardian, 404],
      [assistant, 403],
    ] as const)
      expect((await put(who, at, { own: [], partner: [] })).status).toBe(status);
    await house.db.requests.update({ state: 'withdrawn' }, { where: { id: at.split('/').at(-1)! } });
    expect((await put(coach, at, { own: [], partner: [] })).body.code).toBe('not-now');
  });
});
