import { addDays, addHours } from 'date-fns';
import type { IntakeDraft } from '@lean-mentor/contract';
import { proposedLimits } from '@lean-mentor/core/care';
import { beforeEach, describe, expect, it } from 'vitest';
import { changeFootage } from '../footage/index.ts';
import { footageArrived } from './arrival.ts';
import { exportKey, frameTableKey, originalKey, reviewCopyKey, stillKey, takeMasterKey } from '../../storage/index.ts';
import { bringBout, bringCritique, bringRequest, clientA, clientB, anIntake } from '../../testing/people.ts';
import { runDue } from '../../testing/jobs.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { visit, type Visitor } from '../../testing/visitor.ts';

const { house, open, coach, client: ada, other: ben, guardian: gerd } = peopledHouse('coach', 'client', 'other', 'guardian');
beforeEach(async () => {
  house.time = null;
  await house.db.jobs.destroy({ where: {} });
  await house.db.letters.destroy({ where: {} });
});

/** A draft of somebody with everything said and one file that has arrived already. */
async function wholeDraft(who: Visitor, clientId: string, more: IntakeDraft = {}): Promise<{ id: string; footageId: string }> {
  const { id } = (await who.ask('post', '/api/drafts', { clientId })).body as { id: string };
  await who.ask('patch', `/api/drafts/${id}`, { step: 'check', intake: { ...anIntake, ...more } });
  const footageId = (await who.ask('post', `/api/requests/${id}/footages`, { fileName: 'a.mp4', byteSize: 10 })).body.id as string;
  await changeFootage(house, footageId, { state: 'ready', originalKey: originalKey(footageId) });
  return { id, footageId };
}
/** The last byte of a footage comes in. */
const footageArrivedAt = (requestId: string, footageId: string): Promise<void> =>
  house.db.sequelize.transaction(async (transaction) => {
    await changeFootage(house, footageId, { state: 'waiting' }, transaction);
    await footageArrived(house, requestId, transaction);
  });
const post = (who: Visitor, id: string, what: string, body: object = {}) => who.ask('post', `/api/requests/${id}/${what}`, body);
const letters = async (): Promise<string[]> =>
  (await house.db.letters.findAll()).map((l) => `${l.get('toName') as string}: ${l.get('subject') as string}`);
const listed = async (who: Visitor): Promise<{ id: string; state: string }[]> => (await who.ask('get', '/api/requests')).body.requests;
const stateFor = async (who: Visitor, id: string): Promise<string | undefined> => (await listed(who)).find((r) => r.id === id)?.state;

describe('a draft', () => {
  it('keeps what is said step by step, also from two devices at once, and is nobody else’s', async () => {
    const { id } = (await ada.ask('post', '/api/drafts', { clientId: clientA })).body as { id: string };
    const phone = ada.ask('patch', `/api/drafts/${id}`, { step: 'what', intake: { kind: 'match', event: 'Quay' } });
    const laptop = ada.ask('patch', `/api/drafts/${id}`, { step: 'question', intake: { question: 'half a ques' } });
    await Promise.all([phone, laptop]);
    const { drafts } = (await ada.ask('get', '/api/drafts')).body as { drafts: { id: string; intake: object }[] };
    expect(drafts.find((d) => d.id === id)?.intake).toEqual({ kind: 'match', event: 'Quay', question: 'half a ques' });
    expect((await ben.ask('patch', `/api/drafts/${id}`, { step: 'what', intake: {} })).status).toBe(404);
    expect((await ben.ask('get', '/api/drafts')).body.drafts).toEqual([]);
    expect(await stateFor(coach, id)).toBeUndefined();
    expect((await coach.ask('get', `/api/requests/${id}/desk`)).status).toBe(404);
  });

  it('cannot be sent half-filled: it says what is missing', async () => {
    const { id } = await wholeDraft(ada, clientA, { question: ' ' });
    const answer = await post(ada, id, 'send');
    expect([answer.status, answer.body.fields]).toEqual([400, [{ field: 'question', why: 'Write something here.' }]]);
    await ada.ask('patch', `/api/drafts/${id}`, { step: 'check', intake: { question: 'Why?', partnerConsent: 'not-asked' } });
    expect((await post(ada, id, 'send')).body.message).toBe('Ask your partner first; without their yes the footage cannot be sent.');
  });

  it('cannot be sent without footage', async () => {
    const { id, footageId } = await wholeDraft(ada, clientA);
    expect((await ada.ask('delete', `/api/requests/${id}/footages/${footageId}`)).status).toBe(200);
    expect((await post(ada, id, 'send')).body.code).toBe('no-footage');
  });

  it('loses what was said about a file with the file', async () => {
    const { id, footageId } = await wholeDraft(ada, clientA);
    const mark = { id: house.newId(), footageId, atSeconds: 3, words: 'here' };
    await ada.ask('patch', `/api/drafts/${id}`, { step: 'question', intake: { clientMarks: [mark] } });
    await ada.ask('delete', `/api/requests/${id}/footages/${footageId}`);
    const { drafts } = (await ada.ask('get', '/api/drafts')).body as { drafts: { id: string; intake: IntakeDraft }[] };
    expect(drafts.find((d) => d.id === id)?.intake.clientMarks).toEqual([]);
  });

  it('is thrown away with its bytes', async () => {
    const { id, footageId } = await wholeDraft(ada, clientA);
    await house.storage.putBytes(originalKey(footageId), 'bytes');
    expect((await ada.ask('delete', `/api/drafts/${id}`)).status).toBe(200);
    await allJobs();
    expect(await house.storage.size(originalKey(footageId))).toBeNull();
    expect(await house.db.footages.findByPk(footageId)).toBeNull();
  });
});

const allJobs = (): Promise<void> => runDue(house, 'remove-footage');

describe('sending', () => {
  it('reaches the coach at once where all footage is there, with the promise counted from now', async () => {
    house.time = new Date('2031-03-05T10:00:00Z');
    const { id } = await wholeDraft(ada, clientA);
    const { body } = await post(ada, id, 'send');
    expect([body.state, body.dueAt]).toEqual(['waiting', '2031-03-10T10:00:00.000Z']);
    expect(await stateFor(coach, id)).toBe('waiting');
    expect((await post(ada, id, 'send')).body.code).toBe('not-a-draft');
  });

  it('reaches the coach with the last byte of the last file where some are on their way', async () => {
    const { id, footageId } = await wholeDraft(ada, clientA);
    await changeFootage(house, footageId, { state: 'uploading' });
    expect((await post(ada, id, 'send')).body.state).toBe('uploading');
    house.time = addDays(new Date(), 2);
    await footageArrivedAt(id, footageId);
    const after = (await house.db.requests.findByPk(id))!.get({ plain: true });
    expect(after.state).toBe('waiting');
    expect(+after.dueAt).toBeGreaterThan(+addDays(new Date(), 4));
  });

  it('goes to the guardian of a minor first; the coach sees it after their yes', async () => {
    const { id } = await wholeDraft(ben, clientB);
    expect((await post(ben, id, 'send')).body.state).toBe('guardian');
    expect(await letters()).toEqual(['Gerd Ruhl: Ben Ruhl would like to send footage']);
    expect(await stateFor(coach, id)).toBeUndefined();
    expect((await coach.ask('get', `/api/requests/${id}/desk`)).status).toBe(404);
    expect((await post(ben, id, 'approve')).status).toBe(403);
    expect((await post(gerd, id, 'approve')).body.state).toBe('waiting');
    expect(await stateFor(coach, id)).toBe('waiting');
  });

  it('comes back from a guardian’s no as a draft with their words', async () => {
    const { id } = await wholeDraft(ben, clientB);
    await post(ben, id, 'send');
    await post(gerd, id, 'send-back', { words: 'Not with Tom on film.' });
    const { drafts } = (await ben.ask('get', '/api/drafts')).body as { drafts: { id: string; exchange: object[] }[] };
    expect(drafts.find((d) => d.id === id)?.exchange).toMatchObject([
      { byName: 'Gerd Ruhl', kind: 'sent-back', words: 'Not with Tom on film.' },
    ]);
  });

  it('needs no second yes where the guardian sends it', async () => {
    const { id } = await wholeDraft(gerd, clientB);
    expect((await post(gerd, id, 'send')).body.state).toBe('waiting');
  });
});

describe('what the coach needs first', () => {
  it('stops the clock until the client answers, and the promise moves on by as long', async () => {
    house.time = new Date('2031-03-03T10:00:00Z');
    const { id, footageId } = await wholeDraft(ada, clientA);
    await post(ada, id, 'send');
    const asked = await post(coach, id, 'ask-first', { need: 'footage', words: 'The corner is not in the picture.' });
    expect([asked.body.state, asked.body.stoppedAt]).toEqual(['need-first', '2031-03-03T10:00:00.000Z']);
    expect(await letters()).toEqual(['Ada Moor: Cora Lind needs other footage first']);

    house.time = addHours(house.time, 30);
    await ada.ask('post', `/api/requests/${id}/footages`, { fileName: 'b.mp4', byteSize: 10 });
    await ada.ask('delete', `/api/requests/${id}/footages/${footageId}`);
    const answered = await post(ada, id, 'answer', { words: 'Here is the other camera.' });
    // The new file is still on its way: the clock stands until it has arrived.
    expect([answered.body.state, answered.body.stoppedAt]).toEqual(['uploading', '2031-03-03T10:00:00.000Z']);
    const { id: arriving } = (answered.body.footages as { id: string; state: string }[]).find(({ state }) => state === 'uploading')!;
    await footageArrivedAt(id, arriving);
    const row = (await house.db.requests.findByPk(id))!.get({ plain: true });
    expect([row.state, row.stoppedAt, row.dueAt.toISOString()]).toEqual(['waiting', null, '2031-03-07T16:00:00.000Z']);
    expect(row.exchange.map((s) => s.kind)).toEqual(['need-footage', 'answer']);
  });

  it('of a minor goes past the guardian again: nothing new is seen before their yes, whichever way it is asked for', async () => {
    const { id, footageId: first } = await wholeDraft(gerd, clientB);
    await post(gerd, id, 'send');
    await post(coach, id, 'ask-first', { need: 'footage', words: 'The corner is not in the picture.' });
    const added = (await ben.ask('post', `/api/requests/${id}/footages`, { fileName: 'b.mp4', byteSize: 10 })).body.id as string;
    await changeFootage(house, added, { state: 'ready', originalKey: originalKey(added) });
    await house.storage.putBytes(frameTableKey(added), JSON.stringify({ times: [0, 1], endSeconds: 2 }));
    const bout = await bringBout(house, added, 0, 2);
    const assistant = await visit(open.app, 'assistant');
    const ways = [
      `/api/footages/${added}/frames`,
      `/api/footages/${added}/viewing`,
      `/api/footages/${added}/frames/0/still.jpg`,
      `/api/footages/${added}/sound`,
      `/api/requests/${id}/footages/${added}/frames/0/still.png`,
    ];
    const hidden = async (): Promise<void> => {
      for (const who of [coach, assistant]) {
        for (const way of ways) expect([way, (await who.ask('get', way)).status]).toEqual([way, 404]);
        expect((await who.ask('post', `/api/footages/${added}/bouts`, { edits: [] })).status).toBe(404);
        expect((await who.ask('put', `/api/bouts/${bout}/sheet`, { ruleSheet: null, sheetId: null })).status).toBe(404);
        const seen = (await who.ask('get', '/api/requests')).body.requests as { id: string; footages: { id: string }[] }[];
        expect(seen.find((request) => request.id === id)?.footages.map((f) => f.id) ?? []).not.toContain(added);
      }
      const changes = [
        {
          changeId: house.newId(),
          entity: 'mark',
          id: house.newId(),
          before: null,
          after: { id: house.newId(), footageId: added, atFrame: 0, toFrame: null, state: 'open' },
        },
      ];
      const { body } = await coach.ask('post', `/api/requests/${id}/desk/changes`, { changes, since: 0 });
      expect(body.refused?.length ?? 1).toBe(1);
    };
    await hidden();
    expect((await ben.ask('get', `/api/footages/${added}/frames`)).status).toBe(200);
    await house.db.letters.destroy({ where: {} });
    expect((await post(ben, id, 'answer', { words: 'Here is the other camera.' })).body.state).toBe('guardian');
    expect(await letters()).toEqual(['Gerd Ruhl: Ben Ruhl would like to send footage']);
    await hidden();
    for (const way of ['desk', 'ladder', 'critique', 'notes.json', 'client-notes'])
      expect([way, (await coach.ask('get', `/api/requests/${id}/${way}`)).status]).toEqual([way, 404]);
    // A no leads back to the answer, with what the coach has; a yes on to the coach.
    expect((await post(gerd, id, 'send-back', { words: 'Not this one.' })).status).toBe(200);
    expect([await stateFor(coach, id), await stateFor(ben, id)]).toEqual(['need-first', 'need-first']);
    await hidden();
    await post(ben, id, 'answer', { words: 'Please.' });
    expect((await post(gerd, id, 'approve')).body.state).toBe('waiting');
    expect((await coach.ask('get', ways[0]!)).status).toBe(200);
    expect((await coach.ask('get', `/api/requests/${id}`)).body.footages.map((f: { id: string }) => f.id)).toEqual([first, added]);
  });

  it('a video that is taken back takes its stills along, also those in the critique of another request', async () => {
    const { requestId, footageId } = await bringRequest(house, clientA, 'ready');
    const later = await bringRequest(house, clientA, 'ready');
    const showing = await bringCritique(house, later.requestId);
    await house.db.critiqueVersions.update(
      { moments: [{ note: { id: house.newId(), footageId } }] as never },
      { where: { critiqueId: showing } },
    );
    const still = stillKey(showing, 1, house.newId());
    await house.storage.putBytes(still, 'x');
    await post(coach, requestId, 'ask-first', { need: 'footage', words: 'Another one.' });
    await ada.ask('post', `/api/requests/${requestId}/footages`, { fileName: 'b.mp4', byteSize: 10 });
    await house.db.marks.create({ id: house.newId(), requestId, footageId, atFrame: 3, toFrame: null, state: 'open' });
    expect((await ada.ask('delete', `/api/requests/${requestId}/footages/${footageId}`)).status).toBe(200);
    await allJobs();
    expect(await house.storage.size(still)).toBeNull();
    // What the coach had worked on is not erased with it.
    expect(await house.db.marks.count({ where: { requestId } })).toBe(1);
    expect((await house.db.footages.findByPk(footageId))!.get('state')).toBe('removed');
  });

  it('is asked of requests that wait only', async () => {
    const { requestId } = await bringRequest(house, clientA, 'ready');
    await house.db.requests.update({ state: 'sent' }, { where: { id: requestId } });
    expect((await post(coach, requestId, 'ask-first', { need: 'context', words: 'Why?' })).body.code).toBe('not-now');
    expect((await post(ada, requestId, 'answer', { words: 'x' })).body.code).toBe('not-now');
  });
});

describe('taking back', () => {
  it('a request before its critique removes its footage and takes it off the coach’s day', async () => {
    const { requestId, footageId } = await bringRequest(house, clientA, 'ready');
    await house.storage.putBytes(reviewCopyKey(footageId), 'copy');
    expect((await post(ada, requestId, 'withdraw')).body).toMatchObject({ state: 'withdrawn', footages: [{ state: 'removed' }] });
    await allJobs();
    expect(await house.storage.size(reviewCopyKey(footageId))).toBeNull();
    const { rows } = (await coach.ask('get', '/api/today')).body as { rows: { id: string }[] };
    expect(rows.map((r) => r.id)).not.toContain(requestId);
  });

  it('the partner’s consent after the critique removes footage, copies and stills; what was written stays', async () => {
    const { requestId, footageId } = await bringRequest(house, clientA, 'ready');
    const critiqueId = await bringCritique(house, requestId);
    const still = stillKey(critiqueId, 1, house.newId());
    await house.db.requests.update({ state: 'sent' }, { where: { id: requestId } });
    for (const key of [originalKey(footageId), reviewCopyKey(footageId), still]) await house.storage.putBytes(key, 'x');
    expect((await post(ada, requestId, 'withdraw')).body.code).toBe('not-now');
    const { body } = await post(ada, requestId, 'withdraw-consent');
    expect([body.state, body.consentWithdrawnAt === null]).toEqual(['sent', false]);
    await allJobs();
    for (const key of [originalKey(footageId), reviewCopyKey(footageId), still]) expect(await house.storage.size(key), key).toBeNull();
    expect((await ada.ask('get', `/api/footages/${footageId}/frames`)).body).toMatchObject({ code: 'footage-removed' });
    expect((await ada.ask('get', `/api/critiques/${critiqueId}`)).body).toMatchObject({
      doc: { content: [{ content: [{ text: 'Well done.' }] }] },
      footages: [{ state: 'removed' }],
    });
    expect(await letters()).toEqual(['Ada Moor: Footage was removed']);
  });

  it('leaves nothing that tells who the partner was: their description, the files’ names, what was spoken, the exports', async () => {
    const { requestId, footageId } = await bringRequest(house, clientA, 'ready');
    const critiqueId = await bringCritique(house, requestId);
    const told = 'Tom of the harbour gym';
    const boutId = await bringBout(house, footageId, 0, 50);
    await house.db.bouts.update({ partnerWords: told }, { where: { id: boutId } });
    await house.db.footages.update({ fileName: `${told}.mp4` }, { where: { id: footageId } });
    const point = { x: 0.5, y: 0.5 };
    const limits = { own: [], partner: proposedLimits(`Left knee of ${told}`) };
    const hurts = { partnerHurts: `Left knee of ${told}` };
    const intake = {
      ...anIntake,
      ...hurts,
      whoPartner: told,
      event: told,
      whoMarks: [{ footageId, atSeconds: 1, client: point, partner: point }],
    };
    await house.db.requests.update({ intake, limits, state: 'sent' }, { where: { id: requestId } });
    const bouts = [{ id: boutId, partnerWords: told }] as never;
    await house.db.critiqueVersions.update(
      { writtenFrom: { footages: [{ id: footageId, bouts }], scores: [] } },
      { where: { critiqueId } },
    );
    const left = [exportKey(critiqueId, house.newId())];
    const said = takeMasterKey(requestId, house.newId());
    for (const key of [...left, said]) await house.storage.putBytes(key, 'x');
    await post(ada, requestId, 'withdraw-consent');
    await allJobs();
    for (const key of left) expect(await house.storage.size(key), key).toBeNull();
    const { requests, footages, bouts: rows, critiqueVersions } = house.db;
    const rest = JSON.stringify(
      await Promise.all([
        requests.findByPk(requestId),
        footages.findByPk(footageId),
        rows.findByPk(boutId),
        critiqueVersions.findAll({ where: { critiqueId } }),
      ]),
    );
    expect(rest).not.toContain('Tom');
    expect(rest).not.toContain('"whoMarks":[{');
    // The coach's own words stay.
    expect(await house.storage.size(said)).toBe(1);
  });

  it('takes the stills out of a later critique too, which shows a moment of that footage', async () => {
    const { requestId, footageId } = await bringRequest(house, clientA, 'ready');
    const [later, other] = [await bringRequest(house, clientA, 'ready'), await bringRequest(house, clientA, 'ready')];
    const [showing, silent] = [await bringCritique(house, later.requestId), await bringCritique(house, other.requestId)];
    const moments = [{ note: { id: house.newId(), footageId } }] as never;
    await house.db.critiqueVersions.update({ moments }, { where: { critiqueId: showing } });
    await house.db.requests.update({ state: 'sent' }, { where: { id: requestId } });
    const [gone, kept] = [stillKey(showing, 1, house.newId()), stillKey(silent, 1, house.newId())];
    for (const key of [gone, kept]) await house.storage.putBytes(key, 'x');
    await post(ada, requestId, 'withdraw-consent');
    await allJobs();
    expect([await house.storage.size(gone), await house.storage.size(kept)]).toEqual([null, 1]);
  });
});
