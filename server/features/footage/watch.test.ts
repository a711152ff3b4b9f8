import type { Account, FootageProgress } from '@lean-mentor/contract';
import { addHours } from 'date-fns';
import { beforeAll, describe, expect, it } from 'vitest';
import { bringRequest, clientA, clientB } from '../../testing/people.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { changeFootage, releaseFootages } from './repository.ts';
import { sessions } from '../../http/session.ts';
import { FootageWatch } from './watch.ts';

const { house } = peopledHouse();
const sessionId = 'a-session';
beforeAll(async () => {
  sessions(house).stop();
  await house.db.sequelize.model('session').create({ sid: sessionId, expires: addHours(new Date(), 1), data: '{}' });
});

const accountOf = (role: Account['role'], ...clientIds: string[]): Account => ({
  id: house.newId(),
  name: 'Somebody',
  role,
  clients: clientIds.map((id) => ({ id, name: 'A client', agreed: true })),
});

/** Everything that a listener hears until `enough` says so. */
const hear = (watch: FootageWatch, account: Account, enough: (heard: FootageProgress[]) => boolean): Promise<FootageProgress[]> =>
  new Promise((resolve) => {
    const heard: FootageProgress[] = [];
    const leave = watch.listen({
      account,
      sessionId,
      end: () => undefined,
      keepAlive: () => undefined,
      send: (progress) => {
        heard.push(progress);
        if (!enough(heard)) return;
        leave();
        resolve(heard);
      },
    });
  });

describe('watching footage', () => {
  it('tells what a jobs process writes, to the coach and to the client whose footage it is, and to nobody else', async () => {
    const mine = await bringRequest(house, clientA, 'working' as 'waiting');
    const theirs = await bringRequest(house, clientB, 'working' as 'waiting');
    const watch = new FootageWatch(house);
    const coach = hear(watch, accountOf('coach'), (heard) => heard.filter((p) => p.share === 0.5).length === 2);
    const client = hear(watch, accountOf('client', clientA), (heard) => heard.some((p) => p.share === 0.5));
    await changeFootage(house, theirs.footageId, { state: 'working', share: 0.5, step: 'Making the review copy', secondsLeft: 4 });
    await changeFootage(house, mine.footageId, { state: 'working', share: 0.5, step: 'Making the review copy', secondsLeft: 4 });
    expect(new Set((await client).map((p) => p.id))).toEqual(new Set([mine.footageId]));
    expect(new Set((await coach).map((p) => p.id))).toEqual(new Set([mine.footageId, theirs.footageId]));
    expect((await client).at(-1)).toMatchObject({ state: 'working', step: 'Making the review copy', secondsLeft: 4 });
    watch.stop();
  });

  it('tells the coach what was let go, though nothing else of it has changed since, and though its transaction took some seconds', async () => {
    const { requestId, footageId } = await bringRequest(house, clientA, 'waiting');
    await house.db.footages.update({ released: false }, { where: { id: footageId } });
    const other = await bringRequest(house, clientB, 'waiting');
    const watch = new FootageWatch(house);
    const client = hear(watch, accountOf('client', clientA), (all) => all.some(({ id }) => id === footageId));
    const coach = hear(watch, accountOf('coach'), (all) => all.some(({ id }) => id === footageId));
    await changeFootage(house, footageId, { state: 'waiting', share: 0 });
    await client;
    await house.db.sequelize.transaction(async (transaction) => {
      await releaseFootages(house, requestId, transaction);
      // Meanwhile what others do goes on.
      await new Promise((resolve) => setTimeout(resolve, 1500));
      await changeFootage(house, other.footageId, { state: 'working', share: 0.3 });
      await new Promise((resolve) => setTimeout(resolve, 800));
    });
    expect((await coach).some(({ id }) => id === footageId)).toBe(true);
    watch.stop();
  });

  it('goes on hearing when the clock was set back', async () => {
    const { footageId } = await bringRequest(house, clientA, 'waiting');
    const watch = new FootageWatch(house);
    const heard = hear(watch, accountOf('coach'), (all) => all.some(({ id, share }) => id === footageId && share === 0.7));
    await new Promise((resolve) => setTimeout(resolve, 600));
    house.time = new Date(Date.now() - 86_400_000);
    await new Promise((resolve) => setTimeout(resolve, 600));
    await changeFootage(house, footageId, { state: 'working', share: 0.7 });
    await heard;
    house.time = null;
    watch.stop();
  });

  it('does not say the same thing twice', async () => {
    const { footageId } = await bringRequest(house, clientA, 'waiting');
    const watch = new FootageWatch(house);
    const heard = hear(watch, accountOf('client', clientA), (all) => all.some((p) => p.share === 0.9));
    for (const share of [0.2, 0.2, 0.9]) {
      await changeFootage(house, footageId, { state: 'working', share });
      await new Promise((resolve) => setTimeout(resolve, 500));
    }
    expect((await heard).filter((p) => p.share === 0.2)).toHaveLength(1);
    watch.stop();
  });
});
