import { limitsOf } from '@lean-mentor/core/care';
import { moment, momentsOf, paragraph, scoredBy, type Block } from '@lean-mentor/core/critique';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { CritiqueHouse, docOf, fixOf } from '../../testing/critiqueHouse.ts';
import { ruleSheets } from '@lean-mentor/core/scoring';
import type { WrittenFrom } from './model.ts';
import { aNote, bringBout, bringFootage, bringRequest, clientA, clientB } from '../../testing/people.ts';
import { lockRequest } from '../requests/index.ts';

let at: CritiqueHouse;
beforeAll(async () => {
  at = await CritiqueHouse.opened();
});
beforeEach(() => at.bringReviewed(clientA));
afterAll(() => at.close());

describe('a written critique', () => {
  it('is kept as it is written, with who will get it', async () => {
    await at.write(docOf(paragraph('You hold well.')));
    await at.write(docOf(paragraph('You hold very well.')));
    expect(await at.draft()).toMatchObject({
      doc: docOf(paragraph('You hold very well.')),
      revision: 2,
      version: 0,
      sentAt: null,
      changed: true,
      recipients: [{ name: 'Ada Moor', role: 'client', email: 'client@test.example' }],
    });
  });

  it('can be spoken instead, over the very moments that the draft shows, in its order', async () => {
    const { body } = await at.coach.ask('get', `/api/requests/${at.requestId}/running-order`);
    const parts = body.map(({ part }: { part: string }) => part);
    expect([parts[0], parts[1]]).toEqual(['greeting', 'asked']);
    const { doc: drafted } = (await at.coach.ask('post', `/api/requests/${at.requestId}/critique/draft`)).body;
    const named = body.flatMap(({ noteId }: { noteId: string | null }) => noteId ?? []);
    expect(named).toEqual(momentsOf(drafted));
    const client = await at.visit('client');
    expect((await client.ask('get', `/api/requests/${at.requestId}/running-order`)).status).toBe(403);
  });

  it('is not written over by somebody who did not see the last change', async () => {
    await at.write(docOf(paragraph('First.')));
    const stale = await at.coach.ask('put', `/api/requests/${at.requestId}/critique`, { doc: docOf(paragraph('Stale.')), revision: 0 });
    expect([stale.status, stale.body.code]).toEqual([409, 'changed-meanwhile']);
    expect((await at.draft()).doc).toEqual(docOf(paragraph('First.')));
  });

  it('takes no block that is none', async () => {
    const bad = { type: 'doc', content: [{ type: 'script', content: 'alert(1)' }] };
    expect((await at.coach.ask('put', `/api/requests/${at.requestId}/critique`, { doc: bad, revision: 0 })).status).toBe(400);
  });

  it('is sent with its fixes in order, and each moment with the drawings on it and a clip from 2 s before', async () => {
    const { body } = await at.sendDoc(fixOf(at.noteIds[1]!), fixOf(at.noteIds[0]!));
    expect(body.fixes).toMatchObject([
      { position: 1, fixId: at.noteIds[1], noteIds: [at.noteIds[1]] },
      { position: 2, fixId: at.noteIds[0] },
    ]);
    expect(body.moments.map((one: { note: { id: string } }) => one.note.id)).toEqual([at.noteIds[1], at.noteIds[0]]);
    expect(body.moments[0]).toMatchObject({ atSeconds: 3.5, clipFromSeconds: 1.5, clipToSeconds: 5.5 });
    expect([body.moments[0].drawings.length, body.moments[1].drawings.length]).toEqual([1, 0]);
    expect(body).toMatchObject({ version: 1, coachName: 'Cora Lind', code: expect.stringMatching(/^[a-z2-9]{8}$/) });
  });

  it('never carries a note that is for the coach’s eyes only, nor one that has left the desk', async () => {
    await at.changeNote(at.noteIds[0]!, { visible: 'client' }, { visible: 'coach' });
    const refused = await at.sendDoc(fixOf(at.noteIds[0]!));
    expect([refused.status, refused.body.message]).toEqual([
      400,
      'One of these moments is for our eyes only. Take it out, or let the client see it.',
    ]);
    expect((await at.sendDoc(fixOf(at.house.newId()))).body.message).toContain('not on the desk any more');
    expect((await at.draft()).version).toBe(0);
  });

  it('has no sound without words for it: who cannot hear it is told what is heard', async () => {
    const heard = (words: string) => ({ type: 'moment' as const, attrs: { noteId: at.noteIds[0]!, show: 'clip' as const, heard: words } });
    expect((await at.sendDoc(heard(' '))).body.message).toContain('nothing says what is heard in it');
    expect(JSON.stringify((await at.sendDoc(heard('Coach: hips!'))).body.doc)).toContain('"heard":"Coach: hips!"');
  });

  it('goes out as the desk is at that moment, also when somebody was just changing it', async () => {
    const { db } = at.house;
    await at.write(docOf(fixOf(at.noteIds[0]!)));
    const { revision } = await at.draft();
    const sending = await db.sequelize.transaction(async (transaction) => {
      await lockRequest(at.house, at.requestId, transaction);
      const sent = at.coach.ask('post', `/api/requests/${at.requestId}/critique/send`, { revision }).then((answer) => answer);
      await new Promise((resolve) => setTimeout(resolve, 300));
      await db.notes.update({ visible: 'coach' }, { where: { id: at.noteIds[0]! }, transaction });
      return { sent };
    });
    expect((await sending.sent).body.message).toContain('for our eyes only');
  });

  it('stays as it was sent, whatever happens on the desk afterwards', async () => {
    const { body } = await at.sendDoc(fixOf(at.noteIds[1]!));
    await at.changeNote(at.noteIds[1]!, { what: '' }, { what: 'Changed my mind.' });
    expect((await at.coach.ask('get', `/api/critiques/${body.id}`)).body.moments[0].note.what).toBe('The elbow leaves the ribs.');
  });

  it('keeps what it was written from: coding, score and sheet, whatever is coded or corrected later', async () => {
    const boutId = await bringBout(at.house, at.footageId, 0, 300);
    const spans = [{ position: 'mount', holder: 'client', fromFrame: 0, toFrame: 300 }] as const;
    await at.house.db.bouts.update({ spans: [...spans], ruleSheet: 'points-jacket' }, { where: { id: boutId } });
    const { body } = await at.sendDoc(fixOf(at.noteIds[1]!));
    await at.house.db.bouts.update({ spans: [], toFrame: 20, ruleSheet: 'open-mat' }, { where: { id: boutId } });
    const again = (await at.coach.ask('get', `/api/critiques/${body.id}`)).body;
    expect(again.footages[0].bouts).toMatchObject([{ id: boutId, spans, toFrame: 300, ruleSheet: 'points-jacket' }]);
    const kept = (await at.house.db.critiqueVersions.findOne({ where: { critiqueId: body.id } }))!.get('writtenFrom') as WrittenFrom;
    expect(kept.scores).toMatchObject([{ boutId, sheet: { name: ruleSheets['points-jacket'].name }, score: { score: { client: {} } } }]);
    const { scores } = again;
    expect(scores).toMatchObject([{ boutId, sheet: ruleSheets['points-jacket'].name, falls: [] }]);
    expect(scoredBy(scores)).toEqual([expect.stringMatching(/^Scored by “[^”]+”: \d+ : \d+, \D+\.$/)]);
    // By a link one reads the same, and nothing else of it.
    const { token } = (await at.coach.ask('post', `/api/critiques/${body.id}/links`, { forName: 'Gym', days: 7 })).body;
    expect((await at.coach.ask('get', `/api/shared/${token}`)).body.scores).toEqual(scores);
  });

  it('carries something, and three fixes at most', async () => {
    expect((await at.send()).body.message).toContain('Nothing is written yet');
    expect((await at.sendDoc(paragraph('Only words.'))).body.message).toContain('at least one moment');
    expect((await at.sendDoc(...at.noteIds.map((id) => fixOf(id)))).body.message).toBe(
      '4 fixes; 3 are the most that one critique carries.',
    );
  });

  it('is sent once, however often it is pressed', async () => {
    await at.write(docOf(fixOf(at.noteIds[0]!)));
    const before = (await at.letters()).length;
    const answers = await Promise.all([1, 2, 3].map(() => at.send()));
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409, 409]);
    expect((await at.letters()).length).toBe(before + 1);
  });

  it('is the coach’s to send, not the assistant’s', async () => {
    await at.write(docOf(fixOf(at.noteIds[0]!)));
    expect((await at.send(await at.visit('assistant'))).status).toBe(403);
  });

  it('leaves Today and writes a letter to the client that tells no detail', async () => {
    const { body } = await at.sendDoc(fixOf(at.noteIds[0]!, paragraph('The secret is the elbow.')));
    const today = (await at.coach.ask('get', '/api/today')).body.rows as { id: string }[];
    expect(today.map((r) => r.id)).not.toContain(at.requestId);
    const [letter] = await at.letters();
    expect(letter).toMatchObject({ toName: 'Ada Moor', toAddress: 'client@test.example', subject: 'Cora Lind has looked at your footage' });
    expect(letter!.body).toContain('one thing to work on');
    expect(letter!.body).toContain(`/c/${body.code}`);
    expect(letter!.body).not.toContain('elbow');
  });

  it('writes to the guardian of a minor as well', async () => {
    await at.bringReviewed(clientB);
    await at.sendDoc(fixOf(at.noteIds[0]!), fixOf(at.noteIds[1]!));
    const two = (await at.letters()).slice(0, 2);
    expect(two.map((l) => l.toAddress).sort()).toEqual(['guardian@test.example', 'other@test.example']);
    expect(two.find((l) => l.toAddress.startsWith('guardian'))!.subject).toBe('Cora Lind has looked at Ben Ruhl’s footage');
  });

  it('is read by its client, and marked once', async () => {
    const { body } = await at.sendDoc(fixOf(at.noteIds[0]!));
    const client = await at.visit('client');
    expect((await client.ask('get', `/api/short/${body.code}`)).body).toEqual({ critiqueId: body.id });
    const first = (await client.ask('post', `/api/critiques/${body.id}/read`)).body.readAt;
    expect((await client.ask('post', `/api/critiques/${body.id}/read`)).body.readAt).toBe(first);
    const stranger = await at.visit('other');
    for (const path of [`/api/critiques/${body.id}`, `/api/short/${body.code}`]) expect((await stranger.ask('get', path)).status).toBe(404);
  });

  it('stands in the client’s history with the fixes given, newest first', async () => {
    const { body } = await at.sendDoc(paragraph('You hold well.'), fixOf(at.noteIds[0]!));
    const history = (await at.coach.ask('get', `/api/clients/${clientA}/history`)).body;
    expect(history.critiques[0]).toMatchObject({
      id: body.id,
      opening: 'You hold well.',
      fixes: [{ name: 'The elbow' }],
      openQuestions: 0,
    });
    expect(history.requests.find((r: { id: string }) => r.id === at.requestId)).toMatchObject({ state: 'sent', critiqueId: body.id });
  });

  it('cannot be sent while the footage is being made ready', async () => {
    ({ requestId: at.requestId } = await bringRequest(at.house, clientA, 'waiting'));
    await at.write(docOf(paragraph('x')));
    expect((await at.send()).body.code).toBe('footage-not-ready');
  });

  it('cannot be sent with a moment of footage of which only the beginning is there', async () => {
    const second = at.house.newId();
    await bringFootage(at.house, at.requestId, { id: second, position: 2, state: 'ready', released: true });
    await at.house.db.footages.update({ state: 'working', edition: 1, editionSeconds: 9 }, { where: { id: second } });
    const note = aNote(at.house.newId(), second);
    const change = { changeId: at.house.newId(), entity: 'note', id: note.id, before: null, after: note };
    await at.coach.ask('post', `/api/requests/${at.requestId}/desk/changes`, { changes: [change], since: 0 });
    expect((await at.sendDoc(fixOf(note.id))).body.code).toBe('footage-not-ready');
  });
});

describe('a critique to somebody who has to ask a clinician first', () => {
  const say = (hurts: string[], limits: object[] = []) =>
    at.house.db.clients.update({ hurts, limits: limits as never }, { where: { id: clientA } });
  afterAll(() => say([]));
  const words = 'With numbness or tingling: ask a clinician before the mat.';

  it('is drafted with that first, and is not sent without it, whatever the coach says on the ladder', async () => {
    await say(['Left hand goes numb']);
    const { doc } = (await at.coach.ask('post', `/api/requests/${at.requestId}/critique/draft`)).body;
    expect(doc.content[0]).toEqual({ type: 'caution', content: [paragraph(words)] });
    const refused = await at.sendDoc(fixOf(at.noteIds[0]!));
    expect([refused.status, refused.body.message]).toEqual([
      400,
      `A caution has to say: “${words}” Put it in, or write down on the client’s page what the clinician said.`,
    ]);
    const caution: Block = { type: 'caution', content: [paragraph(words)] };
    expect((await at.sendDoc(caution, fixOf(at.noteIds[0]!))).status).toBe(200);
  });

  it('goes out without it once the clinician’s word is written down', async () => {
    const [asked] = limitsOf(['Left hand goes numb'], []);
    await say(['Left hand goes numb'], [{ ...asked, cleared: 'Seen on 2 May, may train.' }]);
    expect((await at.sendDoc(fixOf(at.noteIds[0]!))).status).toBe(200);
  });
});

describe('a critique that was sent', () => {
  it('is changed by a new version; both are kept, and the client is told', async () => {
    const { body: first } = await at.sendDoc(fixOf(at.noteIds[0]!));
    expect((await at.send()).body.code).toBe('nothing-to-send');
    await at.write(docOf(fixOf(at.noteIds[0]!), fixOf(at.noteIds[2]!)));
    expect(await at.draft()).toMatchObject({ changed: true, version: 1 });
    const { body: second } = await at.send();
    expect(second).toMatchObject({ id: first.id, version: 2, versions: [{ version: 1 }, { version: 2 }], readAt: null, code: first.code });
    const client = await at.visit('client');
    expect((await client.ask('get', `/api/critiques/${first.id}/versions/1`)).body.fixes.length).toBe(1);
    expect((await client.ask('get', `/api/critiques/${first.id}`)).body.fixes.length).toBe(2);
    expect((await at.letters())[0]!.subject).toBe('Cora Lind has changed what was said about your footage');
  });

  it('is taken back within ten minutes: it is gone for the client and waits for the coach', async () => {
    const { body } = await at.sendDoc(fixOf(at.noteIds[0]!));
    expect(body.takeBackUntil).not.toBeNull();
    expect((await at.coach.ask('post', `/api/critiques/${body.id}/take-back`)).status).toBe(200);
    const client = await at.visit('client');
    expect((await client.ask('get', `/api/critiques/${body.id}`)).body).toMatchObject({
      code: 'taken-back',
      message: expect.stringContaining('There is nothing for you to do'),
    });
    // To everybody else there was never anything.
    expect((await (await at.visit('other')).ask('get', `/api/critiques/${body.id}`)).status).toBe(404);
    expect((await at.coach.ask('get', '/api/today')).body.rows.map((r: { id: string }) => r.id)).toContain(at.requestId);
    expect((await at.letters())[0]!.subject).toBe('Cora Lind has taken back what was just sent about your footage');
    expect((await at.draft()).doc).toEqual(docOf(fixOf(at.noteIds[0]!)));
    expect((await at.send()).body).toMatchObject({ id: body.id, version: 1 });
  });

  it('of a taken back second version stands as the first one was', async () => {
    const { body } = await at.sendDoc(fixOf(at.noteIds[0]!));
    const client = await at.visit('client');
    const { readAt } = (await client.ask('post', `/api/critiques/${body.id}/read`)).body;
    expect((await at.sendDoc(fixOf(at.noteIds[1]!))).body.readAt).toBeNull();
    await at.coach.ask('post', `/api/critiques/${body.id}/take-back`);
    // What had been read stays read.
    expect((await client.ask('get', `/api/critiques/${body.id}`)).body.readAt).toBe(readAt);
    expect((await at.coach.ask('get', `/api/critiques/${body.id}`)).body).toMatchObject({
      version: 1,
      fixes: [{ fixId: at.noteIds[0] }],
      versions: [{ version: 1 }],
    });
  });

  it('asks the client something, who answers on the page; the answer stands beside the note on the desk', async () => {
    const noteId = at.noteIds[0]!;
    const change = { changeId: at.house.newId(), entity: 'note', id: noteId, before: { kind: 'mistake' }, after: { kind: 'question' } };
    await at.coach.ask('post', `/api/requests/${at.requestId}/desk/changes`, { changes: [change], since: 0 });
    const { body } = await at.sendDoc(moment(noteId));
    const client = await at.visit('client');
    const answer = { id: at.house.newId(), fixId: null, noteId, words: 'I felt the hook too late.' };
    expect((await client.ask('post', `/api/critiques/${body.id}/questions`, answer)).status).toBe(200);
    const { answers } = (await at.coach.ask('get', `/api/requests/${at.requestId}/desk`)).body;
    expect(answers).toEqual([{ noteId, by: 'Ada Moor', words: 'I felt the hook too late.' }]);
  });

  it('is not taken back later', async () => {
    const { body } = await at.sendDoc(fixOf(at.noteIds[0]!));
    const now = at.house.now;
    at.house.now = () => new Date(now().getTime() + 10 * 60_000);
    try {
      expect((await at.coach.ask('post', `/api/critiques/${body.id}/take-back`)).body.code).toBe('too-late-to-take-back');
    } finally {
      at.house.now = now;
    }
  });
});

describe('a draft from the work on the desk', () => {
  it('says in the coach’s words what the ladder chose, and is taken up by whoever opens it', async () => {
    const { body } = await at.coach.ask('post', `/api/requests/${at.requestId}/critique/draft`);
    const words = JSON.stringify(body.doc);
    expect(words).toContain('The elbow leaves the ribs.');
    expect(words).toContain('If he pushes, keep it in.');
    expect(body.doc.content.filter((block: Block) => block.type === 'fix').length).toBe(2);
    expect(await at.draft()).toMatchObject({ doc: body.doc, revision: 1 });
  });
});

describe('a right moment of earlier footage, set beside a wrong one', () => {
  const bringEarlier = async (clientId: string): Promise<string> => {
    await at.bringReviewed(clientId);
    const right = at.noteIds[0]!;
    await at.changeNote(right, { kind: 'mistake' }, { kind: 'good' });
    return right;
  };
  const setBeside = (pairId: string) => at.changeNote(at.noteIds[1]!, { pairId: null }, { pairId });
  const drafted = async () => (await at.coach.ask('post', `/api/requests/${at.requestId}/critique/draft`)).body.doc;

  it('is drafted with the day of its footage, sent with its frame, and plays from that footage', async () => {
    const right = await bringEarlier(clientA);
    const { footageId } = at;
    await at.bringReviewed(clientA);
    await setBeside(right);
    expect(JSON.stringify(await drafted())).toMatch(/You did it right here, in your footage of \d+ \w+ \d{4}:/);
    const { body } = await at.send();
    expect(body.moments.map(({ note }: { note: { id: string } }) => note.id)).toContain(right);
    expect(body.footages.map(({ id, earlier }: { id: string; earlier: boolean }) => [id, earlier])).toEqual([
      [at.footageId, false],
      [footageId, true],
    ]);
    // Its chapters belong to its own critique.
    expect((await at.coach.ask('get', `/api/critiques/${body.id}/footages/${footageId}/chapters.vtt`)).status).toBe(404);
    expect((await (await at.visit('client')).ask('get', `/api/critiques/${body.id}`)).body.footages).toHaveLength(2);
  });

  it('is left out where it is another client’s, no good one, or for the coach’s eyes only; sent by hand it is refused', async () => {
    const strangers = await bringEarlier(clientB);
    const hidden = await bringEarlier(clientA);
    await at.changeNote(hidden, { visible: 'client' }, { visible: 'coach' });
    const wrong = at.noteIds[2]!;
    for (const pairId of [strangers, hidden, wrong]) {
      await at.bringReviewed(clientA);
      await setBeside(pairId);
      expect(JSON.stringify(await drafted())).not.toContain(pairId);
    }
    for (const noteId of [strangers, hidden]) expect((await at.sendDoc(fixOf(at.noteIds[0]!, moment(noteId)))).status).toBe(400);
  });
});
