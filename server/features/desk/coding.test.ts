import type { CodedCut, CodedEvent, CodedThreat, Coding, DeskChange } from '@lean-mentor/core/desk';
import { beforeEach, describe, expect, it } from 'vitest';
import { frameTableKey } from '../../storage/index.ts';
import { bringRequest, clientA } from '../../testing/people.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { type Visitor } from '../../testing/visitor.ts';

const { house, coach, assistant } = peopledHouse('coach', 'assistant');
let requestId: string;
let footageId: string;
let boutId: string;
beforeEach(async () => {
  ({ requestId, footageId } = await bringRequest(house, clientA, 'ready'));
  boutId = house.newId();
  await house.db.bouts.create({
    version: 1,
    id: boutId,
    footageId,
    fromFrame: 10,
    toFrame: 90,
    spans: [],
    events: [],
    threats: [],
    proposed: false,
    order: 1,
    lengthSeconds: null,
    ruleSheet: null,
    sheetId: null,
    clientWords: '',
    partnerWords: '',
    outcome: null,
    outcomeWords: '',
  });
  // An uneven rate: every other frame lasts twice as long.
  const times = Array.from({ length: 100 }, (_, i) => Math.floor(i / 2) * 0.15 + (i % 2) * 0.05);
  await house.storage.putBytes(frameTableKey(footageId), JSON.stringify({ times, endSeconds: 7.5 }));
});

const accountOf = async (email: string): Promise<string> =>
  (await house.db.accounts.findOne({ where: { email: `${email}@test.example` } }))!.get('id') as string;
const made = <T extends { id: string }>(entity: DeskChange['entity'], after: T): DeskChange =>
  ({ changeId: house.newId(), entity, id: after.id, before: null, after }) as unknown as DeskChange;
const save = (who: Visitor, ...changes: DeskChange[]) => who.ask('post', `/api/requests/${requestId}/desk/changes`, { changes, since: 0 });
const bout = async () => (await house.db.bouts.findByPk(boutId))!.get({ plain: true });

async function coding(by: 'coach' | 'assistant', state: Coding['state']) {
  const own: Coding = { id: house.newId(), footageId, boutId, coderId: await accountOf(by), coderName: by, state };
  const cut = (atFrame: number, position: CodedCut['position'], holder: CodedCut['holder']): CodedCut => ({
    id: house.newId(),
    footageId,
    codingId: own.id,
    atFrame,
    position,
    holder,
  });
  const event: CodedEvent = {
    id: house.newId(),
    footageId,
    codingId: own.id,
    atFrame: 30,
    kind: 'guard-pull',
    athlete: 'partner',
    technique: null,
    outcome: null,
    close: false,
    gripped: true,
    position: null,
    holder: null,
  };
  const cuts = [cut(10, 'standing', null), cut(40, 'half-guard', 'client')];
  return { own, cuts, event, changes: [made('coding', own), ...cuts.map((one) => made('cut', one)), made('event', event)] };
}

describe('an attack', () => {
  const attack = (codingId: string, more: Partial<CodedThreat> = {}): CodedThreat => ({
    ...{
      id: house.newId(),
      footageId,
      codingId,
      athlete: 'partner',
      name: 'Kimura',
      fromFrame: 45,
      lockedFrame: 50,
      toFrame: null,
      ended: 'escape',
    },
    ...more,
  });

  it('of the accepted coding is the bout’s, up to its end while it goes on, and is counted by its name', async () => {
    const { changes, own } = await coding('coach', 'accepted');
    const on = attack(own.id);
    await save(coach, ...changes, made('threat', on));
    expect((await bout()).threats).toEqual([
      { athlete: 'partner', name: 'Kimura', fromFrame: 45, lockedFrame: 50, toFrame: 90, ended: 'escape' },
    ]);
    const ends = {
      changeId: house.newId(),
      entity: 'threat',
      id: on.id,
      before: { toFrame: null },
      after: { toFrame: 60 },
    } as unknown as DeskChange;
    await save(coach, ends);
    expect((await bout()).threats).toMatchObject([{ toFrame: 60 }]);
    expect((await coach.ask('get', '/api/technique-names')).body.uses).toMatchObject({ Kimura: expect.any(Number) });
  });

  it('is refused in a coding of somebody else, and where it ends before it begins', async () => {
    const { changes, own } = await coding('coach', 'accepted');
    await save(coach, ...changes);
    const refusals = async (who: Visitor, threat: CodedThreat) =>
      ((await save(who, made('threat', threat))).body.refused as unknown[]).length;
    expect(await refusals(assistant, attack(own.id))).toBe(1);
    expect(await refusals(coach, attack(own.id, { toFrame: 40 }))).toBe(1);
    expect(await refusals(coach, attack(own.id))).toBe(0);
  });
});

describe('a coding', () => {
  it('that is accepted is the bout’s, in frames and in the footage’s own seconds', async () => {
    const { changes, cuts } = await coding('coach', 'accepted');
    expect((await save(coach, ...changes)).status).toBe(200);
    expect(await bout()).toMatchObject({
      spans: [
        { position: 'standing', holder: null, fromFrame: 10, toFrame: 40 },
        { position: 'half-guard', holder: 'client', fromFrame: 40, toFrame: 90 },
      ],
      events: [{ kind: 'guard-pull', athlete: 'partner', gripped: true, atFrame: 30 }],
    });
    const { timed } = await bout();
    expect(timed!.spans[1]!.from).toBeCloseTo(2.25, 9);
    expect(timed!.lengthSeconds).toBeCloseTo(6, 9);
    // Taking a cut away is seen as well.
    const { id, ...rest } = cuts[1]!;
    await save(coach, { changeId: house.newId(), entity: 'cut', id, before: { id, ...rest }, after: null } as DeskChange);
    expect((await bout()).spans).toHaveLength(1);
  });

  it('of an assistant is theirs until the coach accepts it', async () => {
    const { own, changes } = await coding('assistant', 'draft');
    expect((await save(assistant, ...changes)).status).toBe(200);
    expect((await bout()).spans).toEqual([]);
    const accept = {
      changeId: house.newId(),
      entity: 'coding',
      id: own.id,
      before: { state: 'draft' },
      after: { state: 'accepted' },
    } as DeskChange;
    expect((await save(assistant, accept)).body.refused[0].why).toBe('The coach accepts codings.');
    expect((await save(coach, accept)).status).toBe(200);
    expect((await bout()).spans).toHaveLength(2);
  });

  it('of the coach is not the assistant’s to change, nor is the score', async () => {
    const { own, cuts, changes } = await coding('coach', 'accepted');
    await save(coach, ...changes);
    const move = { changeId: house.newId(), entity: 'cut', id: cuts[1]!.id, before: { atFrame: 40 }, after: { atFrame: 50 } } as DeskChange;
    expect((await save(assistant, move)).body.refused).toHaveLength(1);
    const foreign = made('cut', { ...cuts[0]!, id: house.newId(), codingId: own.id, atFrame: 60 });
    expect((await save(assistant, foreign)).body.refused).toHaveLength(1);
    const override = { id: house.newId(), footageId, boutId, athlete: 'client', action: 'mount', atFrame: 50, points: 4, near: 0, why: '' };
    expect((await save(assistant, made('override', override))).body.refused).toHaveLength(1);
    expect((await save(coach, made('override', override))).status).toBe(200);
    expect((await bout()).spans[1]).toMatchObject({ fromFrame: 40 });
  });
});
