import { ruleSheets } from '@lean-mentor/core/scoring';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { CritiqueHouse } from '../../testing/critiqueHouse.ts';
import { clientA } from '../../testing/people.ts';

let at: CritiqueHouse;
const [sheetId, familyId] = ['00000000-0000-4000-8000-00000000d0b1', '00000000-0000-4000-8000-00000000d0b2'];
beforeAll(async () => {
  at = await CritiqueHouse.opened();
  const sheet = { ...ruleSheets['points-jacket'], originSeconds: 1 };
  expect((await at.coach.ask('post', '/api/rule-sheets', { id: sheetId, familyId, sheet })).status).toBe(200);
});
beforeEach(() => at.bringReviewed(clientA));
afterAll(() => at.close());

const doubts = async () => (await at.coach.ask('get', '/api/doubts')).body.doubts as { requestId: string; words: string; at: number }[];

describe('doubts about the score', () => {
  it('of requests that wait are listed with their frame until they are answered', async () => {
    const boutId = at.house.newId();
    await at.house.db.bouts.create({
      ...{ id: boutId, footageId: at.footageId, fromFrame: 0, toFrame: 300, order: 1, proposed: false, lengthSeconds: null },
      ...{ ruleSheet: null, sheetId, events: [], timed: {} },
      spans: [
        { position: 'half-guard', holder: 'partner', fromFrame: 0, toFrame: 60 },
        { position: 'scramble', holder: null, fromFrame: 60, toFrame: 150 },
        { position: 'half-guard', holder: 'client', fromFrame: 150, toFrame: 300 },
      ],
    } as never);
    await at.house.db.requests.update({ state: 'waiting' }, { where: { id: at.requestId } });
    const found = (await doubts()).filter(({ requestId }) => requestId === at.requestId);
    expect(found).toMatchObject([
      { clientName: 'Ada Moor', footageId: at.footageId, fromFrame: 0, at: 5, words: expect.stringContaining('was it anything?') },
    ]);
    await at.put('override', {
      ...{ footageId: at.footageId, boutId, athlete: 'client', action: 'sweep', atFrame: 150, points: 2, near: 0, why: '' },
    });
    expect((await doubts()).filter(({ requestId }) => requestId === at.requestId)).toEqual([]);
  });

  it('of what was answered already are nobody’s any more', async () => {
    await at.house.db.requests.update({ state: 'sent' }, { where: {} });
    expect(await doubts()).toEqual([]);
  });
});
