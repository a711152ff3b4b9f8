import { blankPrinciple, type BookPrinciple } from '@lean-mentor/core/book';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { CritiqueHouse, fixOf } from '../../testing/critiqueHouse.ts';
import { clientA } from '../../testing/people.ts';

let at: CritiqueHouse;
const [elbow, heel] = ['00000000-0000-4000-8000-00000000e1b0', '00000000-0000-4000-8000-0000000041ee'];

const entry = (name: string, more: Partial<BookPrinciple> = {}): BookPrinciple =>
  blankPrinciple({
    id: elbow,
    name,
    area: 'escaping',
    cue: 'Elbow in.',
    why: 'Because it is locked.',
    where: [{ position: 'mount', role: 'other' }],
    ...more,
  });
const ladder = async () => (await at.coach.ask('get', `/api/requests/${at.requestId}/ladder`)).body;
const choose = async (fields: object) =>
  at.coach.ask('put', `/api/requests/${at.requestId}/ladder`, { ...(await ladder()).choice, ...fields });
/** Codes the bout of the footage: standing, then under mount from the third second on. */
const code = (id = at.house.newId()) =>
  at.house.db.bouts.create({
    id,
    footageId: at.footageId,
    fromFrame: 0,
    toFrame: 300,
    order: 1,
    proposed: false,
    lengthSeconds: null,
    ruleSheet: 'points-jacket',
    sheetId: null,
    events: [],
    timed: null,
    spans: [
      { position: 'standing', holder: null, fromFrame: 0, toFrame: 90 },
      { position: 'mount', holder: 'partner', fromFrame: 90, toFrame: 300 },
    ],
  } as never);

beforeAll(async () => {
  at = await CritiqueHouse.opened();
  await at.coach.ask('put', `/api/book/principles/${elbow}`, entry('Elbow in'));
  await at.coach.ask(
    'put',
    `/api/book/principles/${heel}`,
    entry('Hide the heel', { caution: 'knee-and-heel', techniques: ['twisting leg lock'] }),
  );
});
beforeEach(() => at.bringReviewed(clientA));
afterAll(() => at.close());

describe('the ladder', () => {
  it('has each note’s harm from score and lean, what is conceded counted once', async () => {
    await code();
    const { harms, input } = await ladder();
    // Notes stand at 0.5, 3.5, 6.5 and 9.5 s. The takedown into mount (2 and 4 points) is reached at 3 s: within 6 s of the first note.
    expect(harms[at.noteIds[0]!]).toMatchObject({ points: 6, leanDrop: 80, called: false });
    expect(harms[at.noteIds[0]!].harm).toBeCloseTo(0.15 * 6 + 0.5 * 0.8, 9);
    expect(harms[at.noteIds[1]!]).toMatchObject({ points: 0 });
    expect(input.boutMinutes).toBeCloseTo(10 / 60, 9);
  });

  it('lets what is coded carry what it cost, once a note is linked to it, and its share goes back along the chain', async () => {
    const boutId = at.house.newId();
    await code(boutId);
    const coderId = (await at.house.db.accounts.findOne({ where: { role: 'coach' } }))!.get('id');
    const [codingId, mounted] = [at.house.newId(), at.house.newId()];
    const coding = { footageId: at.footageId, boutId, coderId, coderName: 'Cora Lind', state: 'accepted' };
    await at.put('coding', coding, codingId);
    const coded = { footageId: at.footageId, codingId };
    await at.put('cut', { ...coded, atFrame: 0, position: 'standing', holder: null });
    await at.put('cut', { ...coded, atFrame: 90, position: 'mount', holder: 'partner' }, mounted);
    await at.changeNote(at.noteIds[0]!, { ledTo: [] }, { ledTo: [mounted] });
    const { harms, input } = await ladder();
    expect(harms[mounted]).toMatchObject({ points: 6, harm: expect.closeTo(0.9, 9) });
    expect(harms[at.noteIds[0]!]).toMatchObject({ points: 0 });
    expect(input.events).toEqual([{ id: mounted, ownHarm: expect.closeTo(0.9, 9), causes: [at.noteIds[0]], atSeconds: 3 }]);
    // A coding that is not the bout's is not what happened.
    await at.house.db.deskItems.update(
      { thing: { ...coding, id: codingId, state: 'draft' } as { id: string } },
      { where: { id: codingId } },
    );
    expect((await ladder()).input.events).toEqual([]);
  });

  it('takes the coach’s own word where nothing is coded, and names no principle that no note names', async () => {
    const { harms, input } = await ladder();
    expect(harms[at.noteIds[0]!]).toMatchObject({ called: true, harm: 0.15 });
    expect(input.exposureMinutes).toEqual({});
  });

  it('tells what was conceded with no note before it', async () => {
    await code();
    await at.changeNote(at.noteIds[0]!, { kind: 'mistake' }, { kind: 'good' });
    expect((await ladder()).unexplained).toEqual([
      { footageId: at.footageId, atFrame: 90, points: 2, finish: false },
      { footageId: at.footageId, atFrame: 90, points: 4, finish: false },
    ]);
  });

  it('believes the coach where the coach corrected the score', async () => {
    const boutId = at.house.newId();
    await code(boutId);
    const correction = {
      footageId: at.footageId,
      boutId,
      athlete: 'partner',
      action: 'mount',
      atFrame: 90,
      points: -4,
      near: 0,
      why: 'Not held.',
    };
    await at.put('override', correction);
    expect((await ladder()).harms[at.noteIds[0]!]).toMatchObject({ points: 2, leanDrop: 80 });
    await at.changeNote(at.noteIds[0]!, { kind: 'mistake' }, { kind: 'good' });
    expect((await ladder()).unexplained.map(({ points }: { points: number }) => points)).toEqual([2]);
    const { doc } = (await at.coach.ask('post', `/api/requests/${at.requestId}/critique/draft`)).body;
    expect(JSON.stringify(doc)).toContain('Your partner won 0 : 2, on points.');
  });

  it('gives exposure in the positions a principle names', async () => {
    await code();
    await at.changeNote(at.noteIds[1]!, { principleId: null }, { principleId: elbow });
    expect((await ladder()).input.exposureMinutes[elbow]).toBeCloseTo(7 / 60, 9);
  });

  it('keeps what was decided; what is new to decide begins as the level says', async () => {
    expect((await ladder()).choice).toMatchObject({ school: 'balanced', order: null, cut: 2, asked: null });
    await choose({ school: 'habit-breaker', cut: 1, parked: [at.noteIds[3]], reason: 'First things first.' });
    expect((await ladder()).choice).toMatchObject({
      school: 'habit-breaker',
      cut: 1,
      parked: [at.noteIds[3]],
      reason: 'First things first.',
    });
    expect((await choose({ cut: 4 })).status).toBe(400);
  });

  it('weighs as the coach says, for every request', async () => {
    const own = { weights: { C: 1, F: 0, R: 0, G: 0, B: 0 }, share: 0.8, missedChance: 2 };
    await at.coach.ask('put', '/api/own-school', own);
    await at.bringReviewed(clientA);
    expect((await ladder()).ownSchool).toEqual(own);
    expect((await at.coach.ask('put', '/api/own-school', { ...own, weights: { C: 0, F: 0, R: 0, G: 0, B: 0 } })).status).toBe(400);
  });
});

describe('what was chosen', () => {
  it('is drafted down to the cut, in the coach’s order, without what is for the coach’s eyes only', async () => {
    await choose({ cut: 2, order: [at.noteIds[2], at.noteIds[0]], answer: 'Because of the hand.' });
    await at.changeNote(at.noteIds[0]!, { visible: 'client' }, { visible: 'coach' });
    const { doc } = (await at.coach.ask('post', `/api/requests/${at.requestId}/critique/draft`)).body;
    const fixes = doc.content.filter(({ type }: { type: string }) => type === 'fix');
    expect(fixes.map(({ attrs }: { attrs: { fixId: string } }) => attrs.fixId)).toEqual([at.noteIds[2]]);
    expect(JSON.stringify(doc)).toContain('Because of the hand.');
  });

  it('is drafted with the score in a line, the drill and the cue of the book', async () => {
    await code();
    const drillId = at.house.newId();
    await at.coach.ask('put', `/api/book/drills/${drillId}`, {
      name: `Shrimp ${drillId}`,
      how: 'Slowly.',
      partner: 'helping',
      equipment: '',
      minutes: 4,
      caution: 'general',
    });
    await at.coach.ask('put', `/api/book/principles/${elbow}`, entry('Elbow in', { drillIds: [drillId] }));
    await at.changeNote(at.noteIds[0]!, { principleId: null }, { principleId: elbow });
    const text = JSON.stringify((await at.coach.ask('post', `/api/requests/${at.requestId}/critique/draft`)).body.doc);
    for (const words of [
      'Your partner won 0 : 6, on points.',
      'It cost you 6 points and control of the position.',
      `Shrimp ${drillId}, 4 minutes with a helping partner. Slowly.`,
      'Elbow in.',
    ])
      expect(text).toContain(words);
    // What came up once is no rate to be counted again.
    expect(text).not.toContain('How we will check');
  });

  it('that meets an injury or a restriction is not sent before the coach has said why', async () => {
    await at.house.db.clients.update({ hurts: ['Left knee'] }, { where: { id: clientA } });
    await at.changeNote(at.noteIds[0]!, { principleId: null }, { principleId: heel });
    const fix = { ...fixOf(at.noteIds[0]!), attrs: { fixId: heel, principleId: heel, name: 'Hide the heel' } };
    const refused = await at.sendDoc(fix);
    expect([refused.status, refused.body.message]).toEqual([400, expect.stringContaining('Left knee')]);
    await choose({ overrides: [{ principleId: heel, kind: 'hurt', reason: 'Her clinician agreed.' }] });
    expect((await at.send()).body.message).toContain('forbidden');
    await choose({
      overrides: [
        { principleId: heel, kind: 'hurt', reason: 'Agreed.' },
        { principleId: heel, kind: 'restricted', reason: 'To know it, not to do it.' },
      ],
    });
    expect((await at.send()).status).toBe(200);
    await at.house.db.clients.update({ hurts: [] }, { where: { id: clientA } });
  });

  it('is kept beside what every school would have said, and counted over time', async () => {
    const before = (await ladder()).agreement.sent;
    await at.changeNote(at.noteIds[1]!, { principleId: null }, { principleId: elbow });
    await choose({ reason: 'She asked for it.' });
    await at.sendDoc(fixOf(at.noteIds[0]!));
    const { orders } = (await at.coach.ask('get', '/api/fix-orders')).body;
    expect(orders[0]).toMatchObject({
      requestId: at.requestId,
      clientName: 'Ada Moor',
      school: 'balanced',
      sent: [at.noteIds[0]],
      reason: 'She asked for it.',
    });
    expect(orders[0].computed.length).toBe(4);
    await at.bringReviewed(clientA);
    const { agreement } = await ladder();
    expect([agreement.sent, Object.keys(agreement.bySchool).length]).toEqual([before + 1, 6]);
  });

  it('counts as given, and as seen again, in the next request', async () => {
    await at.changeNote(at.noteIds[0]!, { principleId: null }, { principleId: elbow });
    await at.sendDoc({ ...fixOf(at.noteIds[0]!), attrs: { fixId: elbow, principleId: elbow, name: 'Elbow in' } });
    // The next request comes later.
    await at.house.db.requests.update({ sentAt: new Date(Date.now() - 86_400_000) }, { where: { id: at.requestId } });
    await at.bringReviewed(clientA);
    const { given, input } = await ladder();
    expect(given[elbow].times).toBeGreaterThanOrEqual(1);
    expect(input.history.flat()).toContain(elbow);
  });
});

describe('phrases and pages to begin from', () => {
  it('are kept for all requests', async () => {
    const book = {
      phrases: [{ id: at.house.newId(), words: 'Slowly first.' }],
      templates: [{ id: at.house.newId(), name: 'Short', doc: { type: 'doc', content: [{ type: 'paragraph' }] } }],
    };
    expect((await at.coach.ask('put', '/api/phrase-book', book)).status).toBe(200);
    expect((await at.coach.ask('get', '/api/phrase-book')).body).toEqual(book);
    expect((await (await at.visit('assistant')).ask('put', '/api/phrase-book', book)).status).toBe(403);
  });
});
