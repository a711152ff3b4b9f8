import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { clipVideoKey } from '../../storage/index.ts';
import { CritiqueHouse, fixOf } from '../../testing/critiqueHouse.ts';
import { clientA } from '../../testing/people.ts';

let at: CritiqueHouse;
beforeAll(async () => {
  at = await CritiqueHouse.opened();
});
beforeEach(() => at.bringReviewed(clientA));
afterAll(() => at.close());

describe('what the client does with it', () => {
  it('ticks each fix as understood, once, and may take the tick away', async () => {
    const { body } = await at.sendDoc(fixOf(at.noteIds[0]!), fixOf(at.noteIds[1]!));
    const client = await at.visit('client');
    const tick = (understood: boolean, fixId = at.noteIds[0]) =>
      client.ask('put', `/api/critiques/${body.id}/fixes/${fixId}/understood`, { understood });
    const seen = async () => Object.keys((await client.ask('get', `/api/critiques/${body.id}`)).body.understood);
    await Promise.all([tick(true), tick(true, at.noteIds[1])]);
    expect((await seen()).sort()).toEqual([at.noteIds[0]!, at.noteIds[1]!].sort());
    await tick(false);
    expect(await seen()).toEqual([at.noteIds[1]]);
    expect((await tick(true, at.house.newId())).status).toBe(404);
  });

  it('asks about a fix or a moment; the coach sees it on Today and answers from the page, which a letter says', async () => {
    const { body } = await at.sendDoc(fixOf(at.noteIds[0]!));
    const client = await at.visit('client');
    const ask = (fields: object) =>
      client.ask('post', `/api/critiques/${body.id}/questions`, {
        id: at.house.newId(),
        fixId: null,
        noteId: null,
        words: 'Which hand?',
        ...fields,
      });
    const { body: question } = await ask({ fixId: at.noteIds[0] });
    await client.ask('post', `/api/critiques/${body.id}/questions`, { id: question.id, fixId: null, noteId: null, words: 'Sent twice' });
    expect((await ask({ noteId: at.house.newId() })).status).toBe(404);
    expect((await ask({ words: '  ' })).status).toBe(400);
    const waiting = async () =>
      ((await at.coach.ask('get', '/api/questions')).body.questions as { critiqueId: string }[]).filter(
        ({ critiqueId }) => critiqueId === body.id,
      );
    expect(await waiting()).toMatchObject([{ words: 'Which hand?', clientName: 'Ada Moor', fixName: 'The elbow', askedBy: 'Ada Moor' }]);
    await at.coach.ask('put', `/api/questions/${question.id}/answer`, { words: 'The lower one.' });
    expect(await waiting()).toEqual([]);
    expect((await client.ask('get', `/api/critiques/${body.id}`)).body.questions).toMatchObject([
      { answer: 'The lower one.', answeredBy: 'Cora Lind' },
    ]);
    expect((await at.letters())[0]!.subject).toBe('Cora Lind has answered');
    expect(
      (
        await (
          await at.visit('other')
        ).ask('post', `/api/critiques/${body.id}/questions`, { id: at.house.newId(), fixId: null, noteId: null, words: 'x' })
      ).status,
    ).toBe(404);
  });
});

describe('a link for the home coach', () => {
  const made = async (critiqueId: string, days = 7) =>
    (await at.coach.ask('post', `/api/critiques/${critiqueId}/links`, { forName: 'Ines at home', days })).body;

  it('opens this critique without a sign-in, to read, without questions; how often is counted', async () => {
    const { body } = await at.sendDoc(fixOf(at.noteIds[0]!));
    const { token } = await made(body.id);
    const stranger = await at.visit(null);
    const { body: shared } = await stranger.ask('get', `/api/shared/${token}`);
    expect(shared).toMatchObject({ coachName: 'Cora Lind', fixes: [{ fixId: at.noteIds[0] }] });
    // What is on the page and no more: no bouts, no ids of request and client, nothing the coach notes beside the words.
    expect(Object.keys(shared).sort()).toEqual([
      'clientName',
      'clips',
      'coachName',
      'doc',
      'fixes',
      'footages',
      'frames',
      'moments',
      'scores',
      'sentAt',
      'takes',
    ]);
    expect(Object.keys(shared.moments[0].note).sort()).toEqual(['footageId', 'fromFrame', 'id', 'kind', 'seen', 'what']);
    expect(Object.keys(shared.footages[0]).sort()).toEqual(['height', 'id', 'state', 'width']);
    expect((await at.coach.ask('get', `/api/critiques/${body.id}/links`)).body.links).toMatchObject([
      { forName: 'Ines at home', opened: 1 },
    ]);
    expect((await stranger.ask('get', `/api/critiques/${body.id}`)).status).toBe(401);
    expect((await stranger.ask('get', `/api/shared/${token}/moments/${at.noteIds[1]}/clip.mp4`)).status).toBe(404);
    // Nothing that is stored opens it.
    expect(JSON.stringify(await at.house.db.critiqueLinks.findAll({ raw: true }))).not.toContain(token);
  });

  it('brings the frames of each clip, and the coach’s own clips that the page shows, and no other', async () => {
    const [clipId, otherId] = [at.house.newId(), at.house.newId()];
    for (const id of [clipId, otherId]) {
      await at.house.db.clips.create({
        id,
        title: 'Elbow drill',
        state: 'ready',
        failure: null,
        seconds: 3,
        madeAt: at.house.now(),
      } as never);
      await at.house.storage.putBytes(clipVideoKey(id), 'a video');
    }
    const { body } = await at.sendDoc(fixOf(at.noteIds[1]!), { type: 'bookClip', attrs: { clipId } });
    const { token } = await made(body.id);
    const stranger = await at.visit(null);
    const { frames, clips } = (await stranger.ask('get', `/api/shared/${token}`)).body;
    // Frame 105 of 30 a second, from 2 s before to 2 s after.
    expect(frames[at.noteIds[1]!]).toMatchObject({ fromFrame: 45, clockSeconds: 3.5 });
    expect(frames[at.noteIds[1]!].times).toHaveLength(121);
    expect(clips).toEqual([{ id: clipId, title: 'Elbow drill' }]);
    expect((await stranger.ask('get', `/api/shared/${token}/clips/${clipId}/video`)).status).toBe(200);
    expect((await stranger.ask('get', `/api/shared/${token}/clips/${otherId}/video`)).status).toBe(404);
  });

  it('is seen and ended by whose critique it is, and by nobody else', async () => {
    const { body } = await at.sendDoc(fixOf(at.noteIds[0]!));
    const { id, token } = await made(body.id);
    const [client, other] = [await at.visit('client'), await at.visit('other')];
    expect((await client.ask('get', `/api/critiques/${body.id}/links`)).body.links).toMatchObject([{ id, forName: 'Ines at home' }]);
    expect((await other.ask('get', `/api/critiques/${body.id}/links`)).status).toBe(404);
    expect((await other.ask('delete', `/api/critiques/${body.id}/links/${id}`)).status).toBe(404);
    expect((await client.ask('delete', `/api/critiques/${body.id}/links/${id}`)).status).toBe(200);
    expect((await (await at.visit(null)).ask('get', `/api/shared/${token}`)).status).toBe(410);
  });

  it('is over when its days are, when it is ended, and for a token that nobody was given', async () => {
    const { body } = await at.sendDoc(fixOf(at.noteIds[0]!));
    const stranger = await at.visit(null);
    const [first, second] = [await made(body.id), await made(body.id)];
    const now = at.house.now;
    at.house.now = () => new Date(now().getTime() + 7 * 86_400_000);
    try {
      expect((await stranger.ask('get', `/api/shared/${first.token}`)).body.code).toBe('address-expired');
    } finally {
      at.house.now = now;
    }
    await at.coach.ask('delete', `/api/critiques/${body.id}/links/${second.id}`);
    expect((await stranger.ask('get', `/api/shared/${second.token}`)).status).toBe(410);
    expect((await stranger.ask('get', `/api/shared/${'a'.repeat(43)}`)).status).toBe(410);
    expect((await stranger.ask('get', `/api/shared/${first.token}`)).status).toBe(200);
    expect((await (await at.visit('client')).ask('post', `/api/critiques/${body.id}/links`, { forName: 'x', days: 1 })).status).toBe(403);
  });
});
