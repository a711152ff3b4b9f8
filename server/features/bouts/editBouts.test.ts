import { bout as boutSchema, boutFields, type Bout, type BoutEdit } from '@lean-mentor/contract';
import type { DeskChange } from '@lean-mentor/core/desk';
import { beforeEach, describe, expect, it } from 'vitest';
import { frameTableKey } from '../../storage/index.ts';
import { bringBout, bringRequest, clientA, coachId } from '../../testing/people.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { visit, type Visitor } from '../../testing/visitor.ts';

const { house, open, coach, assistant, client: ada } = peopledHouse('coach', 'assistant', 'client');
let [requestId, footageId] = ['', ''];
beforeEach(async () => {
  ({ requestId, footageId } = await bringRequest(house, clientA, 'ready'));
  await house.db.footages.update({ frameCount: 1000 }, { where: { id: footageId } });
  const times = Array.from({ length: 1000 }, (_, i) => i / 25);
  await house.storage.putBytes(frameTableKey(footageId), JSON.stringify({ times, endSeconds: 40 }));
});

const fieldsOf = (fromFrame: number, toFrame: number, more: object = {}) =>
  boutFields.parse(boutSchema.parse({ id: house.newId(), fromFrame, toFrame, spans: [], ...more }));
const edit = (id: string, base: number, after: BoutEdit['after'], splitFrom: string | null = null): BoutEdit => ({
  id,
  base,
  after,
  splitFrom,
});
const send = (who: Visitor, ...edits: BoutEdit[]) => who.ask('post', `/api/footages/${footageId}/bouts`, { edits });
const stored = async (): Promise<Bout[]> =>
  ((await coach.ask('get', `/api/requests/${requestId}`)).body as { footages: { bouts: Bout[] }[] }).footages[0]!.bouts;
const spans = [
  { position: 'standing', holder: null, fromFrame: 0, toFrame: 200 },
  { position: 'mount', holder: 'client', fromFrame: 200, toFrame: 500 },
] as const;
/** The coach codes a bout at the desk, and accepts it. */
async function code(boutId: string): Promise<void> {
  const codingId = house.newId();
  const made = (entity: string, after: { id: string }) =>
    ({ changeId: house.newId(), entity, id: after.id, before: null, after }) as unknown as DeskChange;
  const cut = (atFrame: number, position: string, holder: string | null) =>
    made('cut', { id: house.newId(), footageId, codingId, atFrame, position, holder } as never);
  const coding = { id: codingId, footageId, boutId, coderId: coachId, coderName: 'Cora Lind', state: 'accepted' };
  const changes = [made('coding', coding), cut(0, 'standing', null), cut(200, 'mount', 'client')];
  await coach.ask('post', `/api/requests/${requestId}/desk/changes`, { changes, since: 0 });
}

describe('bouts', () => {
  it('are kept as coach or client say, each edit on the version it was made on', async () => {
    const [a, b] = [house.newId(), house.newId()];
    const more = { order: 2, outcome: 'won', outcomeWords: 'by 4 to 2', partnerWords: 'blue belt' };
    expect((await send(coach, edit(a, 0, fieldsOf(10, 400)), edit(b, 0, fieldsOf(450, 900)))).body.bouts).toMatchObject([
      { id: a, version: 1 },
      { id: b, version: 1 },
    ]);
    expect((await send(ada, edit(a, 1, fieldsOf(10, 400, more)), edit(b, 1, fieldsOf(450, 800)))).status).toBe(200);
    expect(await stored()).toMatchObject([
      { ...more, version: 2 },
      { toFrame: 800, version: 2 },
    ]);
    expect((await send(ada, edit(b, 2, null))).body.bouts).toHaveLength(1);
    // Asked again since the answer was lost: it is done already.
    expect((await send(ada, edit(b, 2, null), edit(a, 1, fieldsOf(10, 400, more)))).status).toBe(200);
  });

  it('that overlap, run beyond the footage, or are another footage’s are refused in words, and nothing of the edits is kept', async () => {
    const mine = await bringBout(house, footageId, 0, 500);
    expect((await send(coach, edit(mine, 1, fieldsOf(0, 400)), edit(house.newId(), 0, fieldsOf(399, 900)))).body.message).toBe(
      'Two bouts overlap: one ends at frame 400, the next begins at 399.',
    );
    expect((await send(coach, edit(mine, 1, fieldsOf(0, 1001)))).body.message).toBe(
      'A bout ends at frame 1001; the footage has 1000 frames.',
    );
    expect(await stored()).toMatchObject([{ fromFrame: 0, toFrame: 500, version: 1 }]);
    const other = await bringRequest(house, clientA, 'ready');
    const theirs = await bringBout(house, other.footageId, 600, 900);
    expect((await send(coach, edit(theirs, 0, fieldsOf(600, 900)))).body.message).toBe('A bout of this id belongs to another footage.');
  });

  it('changed by somebody else meanwhile are not written over, by one’s own other tab they are', async () => {
    const id = await bringBout(house, footageId, 0, 500);
    await send(ada, edit(id, 1, fieldsOf(0, 480)));
    const stale = await send(coach, edit(id, 1, fieldsOf(0, 300)));
    expect([stale.status, stale.body.code, (await stored())[0]!.toFrame]).toEqual([409, 'changed-meanwhile', 480]);
    expect((await send(coach, edit(id, 1, null))).body.code).toBe('changed-meanwhile');
    await send(coach, edit(id, 2, fieldsOf(0, 470)));
    const otherTab = await visit(open.app, 'coach');
    expect((await send(otherTab, edit(id, 2, fieldsOf(0, 460)))).status).toBe(200);
  });
});

describe('what is coded', () => {
  it.each(['client', 'coach', 'assistant'] as const)('does not vanish by a save of the %s’s, nor by an empty list', async (who) => {
    const id = await bringBout(house, footageId, 0, 500);
    await code(id);
    const visitor = { client: ada, coach, assistant }[who];
    expect((await send(visitor, edit(id, 1, null))).status).not.toBe(200);
    await send(visitor);
    expect(await stored()).toMatchObject([{ id, spans }]);
    const { codings } = (await coach.ask('get', `/api/requests/${requestId}/desk`)).body.document as { codings: object };
    expect(Object.keys(codings)).toHaveLength(1);
  });

  it('stays within edges that a client may not move, and may say the rest', async () => {
    const id = await bringBout(house, footageId, 0, 500);
    await code(id);
    expect((await send(ada, edit(id, 1, fieldsOf(0, 100)))).body.message).toMatch(/^Your coach has coded this bout already/);
    expect((await send(ada, edit(id, 1, fieldsOf(0, 500, { partnerWords: 'purple belt' })))).status).toBe(200);
    expect(await stored()).toMatchObject([{ spans, partnerWords: 'purple belt' }]);
  });

  it('is fitted where the coach moves the edges, and goes along where a bout is split', async () => {
    const [id, second] = [await bringBout(house, footageId, 0, 500), house.newId()];
    await code(id);
    await send(coach, edit(second, 0, fieldsOf(300, 500), id), edit(id, 1, fieldsOf(0, 300)));
    expect(await stored()).toMatchObject([
      { id, spans: [{ toFrame: 200 }, { position: 'mount', fromFrame: 200, toFrame: 300 }] },
      { id: second, spans: [{ position: 'mount', fromFrame: 300, toFrame: 500 }] },
    ]);
    expect((await house.db.bouts.findByPk(second))!.get('timed')).toMatchObject({ lengthSeconds: 8 });
  });

  it('by which of the coach’s sheets, no client says', async () => {
    const id = await bringBout(house, footageId, 0, 500);
    await send(ada, edit(id, 1, fieldsOf(0, 500, { sheetId: house.newId(), partnerWords: 'x' })));
    expect((await stored())[0]!.sheetId).toBeNull();
  });
});

describe('once the critique is sent', () => {
  it('clients change no bouts any more', async () => {
    const id = await bringBout(house, footageId, 0, 500);
    await house.db.requests.update({ state: 'sent' }, { where: { id: requestId } });
    expect((await send(ada, edit(id, 1, fieldsOf(0, 400)))).body.code).toBe('not-now');
    expect((await send(coach, edit(id, 1, fieldsOf(0, 400)))).status).toBe(200);
  });
});
