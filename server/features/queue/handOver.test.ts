import type { HandOver } from '@lean-mentor/contract';
import { beforeEach, describe, expect, it } from 'vitest';
import { bringBout, bringRequest, clientA } from '../../testing/people.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import type { Visitor } from '../../testing/visitor.ts';

const { house, coach, assistant, client: ada } = peopledHouse('coach', 'assistant', 'client');

let requestId: string;
let footageId: string;
let assistantId: string;
beforeEach(async () => {
  house.time = new Date('2026-11-30T11:00:00Z');
  await house.db.requests.destroy({ where: {} });
  ({ requestId, footageId } = await bringRequest(house, clientA, 'ready'));
  assistantId = (await house.db.accounts.findOne({ where: { email: 'assistant@test.example' } }))!.get('id') as string;
});

const give = (more: object = {}) =>
  coach.ask('post', `/api/requests/${requestId}/hand-overs`, {
    ...{ toId: assistantId, part: 'code', boutId: null, dueOn: '2026-12-02', words: 'Only the second round.', ...more },
  });
const listed = async (who: Visitor): Promise<HandOver[]> => (await who.ask('get', '/api/hand-overs')).body.handOvers;
const act = (who: Visitor, id: string, what: string, words = '') => who.ask('post', `/api/hand-overs/${id}`, { act: what, words });

describe('work that is handed over', () => {
  it('is seen by who gets it with the day and the word, done, offered, sent back with a word, and taken', async () => {
    const { handOverId } = (await give()).body as { handOverId: string };
    expect(await listed(assistant)).toMatchObject([
      {
        id: handOverId,
        clientName: 'Ada Moor',
        part: 'code',
        dueOn: '2026-12-02',
        state: 'asked',
        side: 'doer',
        from: { name: 'Cora Lind' },
      },
    ]);
    expect((await listed(assistant))[0]!.said).toMatchObject([{ by: 'Cora Lind', words: 'Only the second round.' }]);
    expect((await act(assistant, handOverId, 'take')).body.code).toBe('not-now');
    expect((await act(coach, handOverId, 'offer')).body.code).toBe('not-now');
    expect((await act(assistant, handOverId, 'offer')).status).toBe(200);
    expect((await listed(coach))[0]).toMatchObject({ state: 'offered', side: 'giver' });
    expect((await act(coach, handOverId, 'send-back')).body).toMatchObject({ code: 'not-valid', fields: [{ field: 'words' }] });
    expect((await act(coach, handOverId, 'send-back', 'The clinch at 2:10 is missing.')).status).toBe(200);
    expect((await listed(assistant))[0]).toMatchObject({ state: 'asked', said: [{}, { words: 'The clinch at 2:10 is missing.' }] });
    await act(assistant, handOverId, 'offer', 'It is in.');
    const both = await Promise.all([act(coach, handOverId, 'take'), act(coach, handOverId, 'take')]);
    expect(both.map(({ status }) => status).sort()).toEqual([200, 409]);
    expect([await listed(coach), await listed(assistant)]).toEqual([[], []]);
  });

  it('is in one hand at a time, of requests that wait, and in a hand that may sign in', async () => {
    const boutId = await bringBout(house, footageId, 0, 4);
    const both = await Promise.all([give(), give({ boutId })]);
    expect(both.map(({ status }) => status).sort()).toEqual([200, 409]);
    expect((await give({ part: 'notes' })).status).toBe(200);
    const coded = (await listed(assistant)).find(({ part }) => part === 'code')!;
    if (both[1].status === 200) expect(coded.bout).toEqual({ id: boutId, footageId, fromFrame: 0 });
    else expect(coded.bout).toBeNull();
    expect((await give({ part: 'review', boutId: house.newId() })).status).toBe(404);
    const coachId = (await house.db.accounts.findOne({ where: { email: 'coach@test.example' } }))!.get('id') as string;
    const clientId = (await house.db.accounts.findOne({ where: { email: 'client@test.example' } }))!.get('id') as string;
    for (const toId of [coachId, clientId]) expect((await give({ part: 'review', toId })).body.code).toBe('not-valid');
    await house.db.requests.update({ state: 'sent' }, { where: { id: requestId } });
    expect((await give({ part: 'review' })).body.code).toBe('not-now');
    expect(await listed(coach)).toEqual([]);
  });

  it('is nobody’s else to see or to act on, and its giver takes it back', async () => {
    const { handOverId } = (await give()).body as { handOverId: string };
    expect((await ada.ask('get', '/api/hand-overs')).status).toBe(403);
    const others = { fromId: assistantId, toId: (await house.db.accounts.findOne({ where: { email: 'coach@test.example' } }))!.get('id') };
    await house.db.handOvers.update(others as never, { where: { id: handOverId } });
    expect(await listed(assistant)).toEqual([]);
    await house.db.handOvers.update({ fromId: others.toId as string, toId: assistantId }, { where: { id: handOverId } });
    expect((await act(coach, handOverId, 'take-back')).status).toBe(200);
    expect((await act(assistant, handOverId, 'offer')).body.code).toBe('not-now');
    expect((await give()).status).toBe(200);
  });
});
