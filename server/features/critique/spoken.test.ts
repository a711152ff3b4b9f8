import { answerWords, type Critique } from '@lean-mentor/contract';
import type { Block, TakeBlock } from '@lean-mentor/core/critique';
import type { DeskTake } from '@lean-mentor/core/desk';
import type { TakeEvent } from '@lean-mentor/core/takes';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { ffmpegSaid, ffprobeJson } from '../../media/ffmpeg.ts';
import { CritiqueHouse } from '../../testing/critiqueHouse.ts';
import { runDue } from '../../testing/jobs.ts';
import { madeVoice } from '../../testing/madeVoice.ts';
import { clientA } from '../../testing/people.ts';

let at: CritiqueHouse;
let voice: Buffer;
let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'lean-spoken-'));
  at = await CritiqueHouse.opened();
  // Speech from 0 to 3 s and from 5 to 8 s.
  voice = await madeVoice(8, [[3, 5]]);
});
beforeEach(() => at.bringReviewed(clientA));
afterAll(async () => {
  await at.close();
  await rm(folder, { recursive: true });
});

const events: TakeEvent[] = [
  { ...{ t: 0, kind: 'stage', frame: 3, rate: 0, view: { zoom: 1, x: 0, y: 0 }, mirrored: false, strokes: [], drawings: [], note: null } },
  { t: 2, kind: 'show', frame: 60 },
  { t: 6, kind: 'show', frame: 90 },
];

/** A take of 8 s on the desk, put together; `fields`: as it was mended. */
const spoken = (fields: Partial<DeskTake> = {}): Promise<string> => at.speak(voice, events, fields);
const block = (takeId: string, attrs: Partial<TakeBlock['attrs']> = {}): Block => ({
  type: 'take',
  attrs: { takeId, from: null, to: null, title: 'Over your round', ...attrs },
});

/** A voice as somebody else's reader finds it: its length, and how loud it is (EBU R 128). */
async function voiceOf(bytes: Buffer): Promise<{ seconds: number; loudness: number }> {
  const file = join(folder, `${at.house.newId()}.m4a`);
  await writeFile(file, bytes);
  const { format } = (await ffprobeJson(['-show_format', file])) as { format: { duration: string } };
  const said = await ffmpegSaid(['-i', file, '-af', 'ebur128', '-f', 'null', '-'], 60);
  return { seconds: Number(format.duration), loudness: Number(/Integrated loudness:\s+I:\s+(-?[\d.]+) LUFS/.exec(said)![1]) };
}
const words = (from: number, to: number, origin: 'typed' | 'heard' = 'typed') => ({ from, to, words: 'Look at this hand.', origin });

describe('something spoken in a critique', () => {
  it('goes out as it is heard: what is cut out has never been, in its voice, its log and its words alike', async () => {
    const takeId = await spoken({
      cuts: [{ from: 3.2, to: 4.7 }],
      captions: [words(0, 2), words(5, 7)],
      chapters: [{ from: 5, title: 'The hip' }],
    });
    const { body, status } = await at.sendDoc(block(takeId), block(takeId, { from: 5, to: null, title: 'The hip' }));
    expect(status).toBe(200);
    expect((body as Critique).takes).toMatchObject([
      { takeId, title: 'Over your round', ready: false, captions: [{ from: 0 }, { from: expect.closeTo(3.5) }] },
      { takeId, from: 5, title: 'The hip', captions: [{ from: 0, to: expect.closeTo(2) }] },
    ]);
    expect(body.takes.map(({ seconds }: { seconds: number }) => Math.round(seconds * 10) / 10)).toEqual([6.5, 3]);
    const path = `/api/critiques/${body.id}/versions/1/takes`;
    expect((await at.coach.ask('get', `${path}/0/voice.m4a`)).status).toBe(409);
    await runDue(at.house, 'make-voices');
    const client = await at.visit('client');
    const log = (await client.ask('get', `${path}/0`)).body as { seconds: number; events: TakeEvent[] };
    expect(log.events.filter((event) => event.kind === 'show').map(({ t, frame }) => [Math.round(t * 10) / 10, frame])).toEqual([
      [2, 60],
      [4.5, 90],
    ]);
    const sounds = await Promise.all(
      [0, 1].map(async (place) => voiceOf((await client.ask('get', `${path}/${place}/voice.m4a`).buffer(true)).body)),
    );
    expect(sounds.map(({ seconds }) => Math.round(seconds * 10) / 10)).toEqual([6.5, 3]);
    for (const { loudness } of sounds) expect(Math.abs(loudness + 16)).toBeLessThan(1);
    const now = (await client.ask('get', `/api/critiques/${body.id}`)).body as Critique;
    expect(now.takes.map(({ ready }) => ready)).toEqual([true, true]);
    expect((await client.ask('get', `${path}/2`)).status).toBe(404);
    // What is mended later changes nothing of what was sent.
    await at.coach.ask('post', `/api/requests/${at.requestId}/desk/changes`, {
      changes: [{ changeId: at.house.newId(), entity: 'take', id: takeId, before: { captions: [] }, after: { captions: [] } }],
      since: 0,
    });
    expect(((await client.ask('get', `/api/critiques/${body.id}`)).body as Critique).takes[0]!.captions).toHaveLength(2);
  });

  it('goes on where its client left it, and tells the coach what was heard, and what was heard again', async () => {
    const { body } = await at.sendDoc(block(await spoken()));
    const path = `/api/critiques/${body.id}/versions/1/takes/0/heard`;
    const client = await at.visit('client');
    expect((await at.coach.ask('put', path, { from: 0, to: 1 })).status).toBe(403);
    expect((await (await at.visit('other')).ask('put', path, { from: 0, to: 1 })).status).toBe(404);
    for (const [from, to] of [
      [0, 3],
      [3.1, 5],
      [1, 2],
      [6, 99],
    ])
      expect((await client.ask('put', path, { from, to })).status).toBe(200);
    expect((await client.ask('put', path, { from: 2, to: 2 })).status).toBe(400);
    const { takes } = (await at.coach.ask('get', `/api/critiques/${body.id}`)).body as Critique;
    expect(takes[0]!.heard).toEqual([
      { from: 0, to: 5 },
      { from: 1, to: 2 },
      { from: 6, to: takes[0]!.seconds },
    ]);
  });

  it('is asked about at an instant of it, which both find again; of no other place, and none beyond its end', async () => {
    const { body } = await at.sendDoc(block(await spoken()));
    const client = await at.visit('client');
    const ask = (instant: object | null) => {
      const question = { id: at.house.newId(), fixId: null, noteId: null, words: 'Which hand?', ...(instant && { spoken: instant }) };
      return client.ask('post', `/api/critiques/${body.id}/questions`, question);
    };
    expect((await ask({ place: 0, at: 5.25 })).body).toMatchObject({ spoken: { version: 1, place: 0, at: 5.25 }, answer: null });
    expect((await ask(null)).body).toMatchObject({ spoken: null });
    for (const nowhere of [
      { place: 1, at: 0 },
      { place: 0, at: 8.5 },
    ])
      expect((await ask(nowhere)).status).toBe(404);
    const { questions } = (await at.coach.ask('get', '/api/questions')).body as {
      questions: { critiqueId: string; spoken: object | null }[];
    };
    const own = questions.filter(({ critiqueId }) => critiqueId === body.id);
    expect(own.map((one) => one.spoken)).toEqual([{ version: 1, place: 0, at: 5.25 }, null]);
  });

  it('answers a question as well: as it was when it was given, for whoever may read the critique, with a letter', async () => {
    const { body } = await at.sendDoc(block(await spoken()));
    const client = await at.visit('client');
    const ask = { id: at.house.newId(), fixId: null, noteId: null, words: 'Which hand?' };
    await client.ask('post', `/api/critiques/${body.id}/questions`, ask);
    const path = `/api/questions/${ask.id}`;
    const takeId = await spoken({ title: 'This hand', cuts: [{ from: 3, to: 5 }], captions: [words(0, 2)] });
    const answer = (fields: object) => at.coach.ask('put', `${path}/answer`, { words: '', ...fields });
    expect((await answer({})).body.message).toContain('this one is empty');
    expect((await answer({ takeId: at.house.newId() })).body.message).toContain('not on the desk any more');
    expect((await client.ask('get', `${path}/take`)).status).toBe(404);
    const letters = (await at.letters()).length;
    expect((await answer({ takeId })).body).toMatchObject({ answer: '', answerTake: { title: 'This hand', ready: false } });
    expect((await at.letters()).length).toBe(letters + 1);
    expect((await client.ask('get', `${path}/take/voice.m4a`)).status).toBe(409);
    await runDue(at.house, 'make-voices');
    const { questions } = (await client.ask('get', `/api/critiques/${body.id}`)).body as Critique;
    expect(questions.find(({ id }) => id === ask.id)!.answerTake).toEqual({
      ...{ takeId, title: 'This hand', footageId: at.footageId, ready: true, chapters: [] },
      ...{ seconds: expect.closeTo(6, 0), captions: [{ ...words(0, 2), to: expect.closeTo(2) }] },
    });
    const sound = (await client.ask('get', `${path}/take/voice.m4a`).buffer(true)).body;
    expect((await voiceOf(sound)).seconds).toBeCloseTo(6, 0);
    // Taken off the desk, it is still what was answered.
    await at.coach.ask('post', `/api/requests/${at.requestId}/desk/changes`, {
      changes: [{ changeId: at.house.newId(), entity: 'take', id: takeId, before: { title: 'This hand' }, after: null }],
      since: 0,
    });
    const log = (await client.ask('get', `${path}/take`)).body as { events: TakeEvent[] };
    expect(log.events.filter(({ kind }) => kind === 'show').map(({ t }) => Math.round(t))).toEqual([2, 4]);
    expect((await (await at.visit('other')).ask('get', `${path}/take`)).status).toBe(404);
    const found = await at.coach.ask('post', '/api/search', { words: 'Look at this hand', clientId: null });
    expect(JSON.stringify(found.body)).toContain(ask.id);
    expect(questions.map(answerWords)).toEqual(['Look at this hand.']);
    // In words alone, the spoken one is gone.
    expect((await answer({ words: 'The left.' })).body).toMatchObject({ answer: 'The left.', answerTake: null });
  });

  it('is found by its words, and stands in every form that it is taken out in', async () => {
    const takeId = await spoken({ captions: [{ from: 0, to: 2, words: 'Look at the zigzag grip.', origin: 'typed' }] });
    const { body } = await at.sendDoc(block(takeId));
    const found = await at.coach.ask('post', '/api/search', { words: 'zigzag', clientId: null });
    expect(JSON.stringify(found.body)).toContain(body.id);
    const { id } = (await at.coach.ask('post', `/api/critiques/${body.id}/exports`, { as: 'md' })).body;
    await runDue(at.house, 'make-export');
    const file = await at.coach.ask('get', `/api/critiques/${body.id}/exports/${id}/file`).buffer(true);
    expect(String(file.text ?? file.body)).toContain('> Look at the zigzag grip.');
  });

  it('does not go out while it is being put together, when it is gone, or when nothing of it is left', async () => {
    const takeId = await spoken({ cuts: [{ from: 0, to: 9 }] });
    expect((await at.sendDoc(block(takeId))).body.message).toContain('Nothing is left of “Over your round”');
    await at.house.db.takes.update({ state: 'waiting' }, { where: { id: takeId } });
    expect((await at.sendDoc(block(takeId))).body.message).toBe('A take is still being put together. Send it in a moment.');
    expect((await at.sendDoc(block(at.house.newId()))).body.message).toContain('is not on the desk any more');
  });

  describe('to a client who needs every word written', () => {
    beforeAll(() => at.house.db.clients.update({ agreements: ['needs every word written'] }, { where: { id: clientA } }));
    afterAll(() => at.house.db.clients.update({ agreements: [] }, { where: { id: clientA } }));

    it('goes out only where words stand for all that is said; what a machine heard and nobody read is none', async () => {
      const missing = await at.sendDoc(block(await spoken({ captions: [words(0, 3), words(5, 8, 'heard')] })));
      expect([missing.status, missing.body.message]).toEqual([400, expect.stringContaining('in one place of “Over your round”')]);
      expect((await at.sendDoc(block(await spoken({ captions: [words(0, 3), words(5, 8)] })))).status).toBe(200);
      // Cut out, nothing has to be written for it.
      const cut = await spoken({ captions: [words(0, 3)], cuts: [{ from: 4.5, to: 8 }] });
      expect((await at.sendDoc(block(cut))).status).toBe(200);
    });
  });
});
