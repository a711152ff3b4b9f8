import type { Retention } from '@lean-mentor/contract';
import { addMonths } from 'date-fns';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { bringBelongings, type Belongings } from '../../testing/belongings.ts';
import { clientA, coachId } from '../../testing/people.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { removeWhatIsOver } from './index.ts';

const { house, coach } = peopledHouse('coach');
const nothing: Retention = { drafts: null, footage: null, letters: null, trail: null };

const setTo = async (retention: Retention): Promise<void> => {
  const { revision } = (await coach.ask('get', '/api/retention')).body as { revision: number };
  expect((await coach.ask('put', '/api/retention', { retention, revision })).status).toBe(200);
};
const preview = async (retention: Retention): Promise<object> =>
  (await coach.ask('post', '/api/retention/preview', retention)).body as object;
const stateOf = async (footageId: string | undefined): Promise<unknown> =>
  (await house.db.footages.findByPk(footageId))?.get('state') ?? 'gone';

let own: Belongings;
beforeEach(async () => {
  own = await bringBelongings(house, clientA, coachId);
});
afterEach(async () => {
  house.time = null;
  await house.db.requests.destroy({ where: {} });
  await house.db.letters.destroy({ where: {} });
});

describe('what is kept long enough', () => {
  it('is nothing until the coach says so, but for who looked at what', async () => {
    expect((await coach.ask('get', '/api/retention')).body).toMatchObject({ retention: { ...nothing, trail: 12 } });
    house.time = addMonths(new Date(), 11);
    const before = [await house.db.footages.count(), await house.db.letters.count(), await house.db.trail.count()];
    await removeWhatIsOver(house);
    expect([await house.db.footages.count(), await house.db.letters.count(), await house.db.trail.count()]).toEqual(before);
  });

  it('goes as the preview said: drafts, letters, and footage of requests that were answered; what waits for the coach stays', async () => {
    const rules = { drafts: 6, footage: 6, letters: 6, trail: 6 };
    expect(await preview(rules)).toEqual({ drafts: 0, footage: 0, footageBytes: 0, letters: 0, trail: 0 });
    house.time = addMonths(new Date(), 7);
    const foreseen = { drafts: 1, footage: 1, footageBytes: 1000, letters: await house.db.letters.count() };
    expect(await preview(rules)).toMatchObject(foreseen);
    await setTo(rules);
    await removeWhatIsOver(house);
    expect([await stateOf(own['answeredFootageId']), await stateOf(own['draftFootageId'])]).toEqual(['removed', 'gone']);
    for (const id of ['footageId', 'needFirstFootageId', 'guardianFootageId', 'unreadableFootageId'])
      if (own[id]) expect([id, await stateOf(own[id])]).not.toEqual([id, 'removed']);
    expect(await house.db.letters.count()).toBe(0);
    expect(await preview(rules)).toMatchObject({ drafts: 0, footage: 0, letters: 0, trail: 0 });
    // The bytes go by a job, the words of the critique stay.
    expect(await house.db.jobs.count({ where: { kind: 'remove-footage', subjectId: own['answeredFootageId'] } })).toBe(1);
    expect(await house.db.critiques.count({ where: { id: own['critiqueId'] } })).toBe(1);
  });

  it('begins anew with a new version of the critique', async () => {
    house.time = addMonths(new Date(), 7);
    await house.db.critiqueVersions.update({ sentAt: addMonths(new Date(), 2) }, { where: { critiqueId: own['critiqueId'] } });
    await setTo({ ...nothing, footage: 6 });
    await removeWhatIsOver(house);
    expect(await stateOf(own['answeredFootageId'])).toBe('ready');
  });

  it('is a draft only while it is one', async () => {
    house.time = addMonths(new Date(), 7);
    await house.db.requests.update({ state: 'waiting' }, { where: { id: own['draftId'] } });
    await setTo({ ...nothing, drafts: 6 });
    await removeWhatIsOver(house);
    expect(await house.db.requests.count({ where: { id: own['draftId'] } })).toBe(1);
  });

  it('is set by the coach who knew how it was, and never to less than a month', async () => {
    expect((await coach.ask('put', '/api/retention', { retention: nothing, revision: 9999 })).status).toBe(409);
    expect((await coach.ask('post', '/api/retention/preview', { ...nothing, letters: 0 })).status).toBe(400);
  });
});
