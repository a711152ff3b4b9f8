import type { OwnRuleSheet } from '@lean-mentor/contract';
import { describe, expect, it } from 'vitest';
import { bringRequest, clientA } from '../../testing/people.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { visit } from '../../testing/visitor.ts';

const { house, open, coach } = peopledHouse('coach');

const save = (familyId: string, sheet: object, id = house.newId()) => coach.ask('post', '/api/rule-sheets', { id, familyId, sheet });
const sheets = async () => (await coach.ask('get', '/api/rule-sheets')).body.sheets as OwnRuleSheet[];

describe('a rule sheet of the coach’s own', () => {
  it('is kept version by version, and a version never changes', async () => {
    const familyId = house.newId();
    const first = (await save(familyId, { name: 'House', holdSeconds: 2 })).body as OwnRuleSheet;
    const second = (await save(familyId, { name: 'House', holdSeconds: 4 })).body as OwnRuleSheet;
    expect([first.version, second.version]).toEqual([1, 2]);
    // An answer that was lost may be asked for again.
    expect((await save(familyId, { name: 'House', holdSeconds: 9 }, second.id)).body).toEqual(second);
    const kept = (await sheets()).filter((sheet) => sheet.familyId === familyId);
    expect(kept.map(({ version, sheet }) => [version, sheet.holdSeconds])).toEqual([
      [2, 4],
      [1, 2],
    ]);
  });

  it('that contradicts itself is refused in words', async () => {
    const refused = await save(house.newId(), { name: 'Odd', tie: ['points', 'penalties'] });
    expect([refused.status, refused.body.message]).toEqual([
      400,
      'tie: near points are given, but never compared. Put them among the tie-breaks, or give none.',
    ]);
  });

  it('is no longer offered once it is retired, and what was scored by it keeps it', async () => {
    const familyId = house.newId();
    const { id } = (await save(familyId, { name: 'Old' })).body as OwnRuleSheet;
    expect((await coach.ask('delete', `/api/rule-sheets/${familyId}`)).status).toBe(200);
    expect((await sheets()).find((sheet) => sheet.id === id)).toMatchObject({ retired: true, sheet: { name: 'Old' } });
    expect((await coach.ask('delete', `/api/rule-sheets/${house.newId()}`)).status).toBe(404);
    const assistant = await visit(open.app, 'assistant');
    expect((await assistant.ask('post', '/api/rule-sheets', { id: house.newId(), familyId, sheet: {} })).status).toBe(403);
  });
});

describe('what positions are worth', () => {
  it('is the coach’s to set, and everybody’s to see', async () => {
    const client = await visit(open.app, 'client');
    expect((await client.ask('get', '/api/position-worth')).body).toEqual({ preset: 'balanced', own: {} });
    const worth = { preset: 'top-first', own: { turtle: 60, 'closed-guard': -40 } };
    expect((await coach.ask('put', '/api/position-worth', worth)).status).toBe(200);
    expect((await client.ask('get', '/api/position-worth')).body).toEqual(worth);
    expect((await client.ask('put', '/api/position-worth', worth)).status).toBe(403);
    expect((await coach.ask('put', '/api/position-worth', { preset: 'balanced', own: { turtle: 101 } })).status).toBe(400);
  });
});

describe('bouts of a client', () => {
  it('come in seconds, each with the sheet it is scored by', async () => {
    const { footageId } = await bringRequest(house, clientA, 'ready');
    const bout = (fromFrame: number, timed: object | null) => ({
      id: house.newId(),
      footageId,
      fromFrame,
      toFrame: fromFrame + 80,
      spans: [],
      events: [],
      proposed: false,
      order: 1,
      lengthSeconds: null,
      ruleSheet: null,
      sheetId: null,
      clientWords: '',
      partnerWords: '',
      outcome: null,
      outcomeWords: '',
      timed,
    });
    const coded = { lengthSeconds: 3, clockSeconds: null, spans: [{ position: 'standing', holder: null, from: 0, to: 3 }], events: [] };
    const [first, blank] = [bout(0, coded), bout(100, null)];
    for (const one of [first, blank]) await house.db.bouts.create(one as never);
    const { id: sheetId } = (await save(house.newId(), { name: 'House' })).body as OwnRuleSheet;
    const choose = (boutId: string, of: string | null) =>
      coach.ask('put', `/api/bouts/${boutId}/rule-sheet`, { ruleSheet: 'finish-only', sheetId: of });
    expect((await choose(first.id, sheetId)).status).toBe(200);
    expect((await choose(first.id, house.newId())).status).toBe(404);
    expect((await choose(house.newId(), null)).status).toBe(404);
    const { body } = await coach.ask('get', `/api/clients/${clientA}/bouts`);
    expect(body.bouts).toMatchObject([{ id: first.id, footageId, ruleSheet: 'finish-only', sheetId, timed: coded }]);
  });
});
