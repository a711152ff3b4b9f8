import type { Film } from '@lean-mentor/contract';
import type { Block } from '@lean-mentor/core/critique';
import type { DeskTake } from '@lean-mentor/core/desk';
import { coachCorner, type TakeEvent } from '@lean-mentor/core/takes';
import { writeBarcodeClip } from '@lean-mentor/demo/barcode';
import { addDays } from 'date-fns';
import { strFromU8, unzipSync } from 'fflate';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { ffmpegBytes, ffprobeJson } from '../../media/ffmpeg.ts';
import { exportKey, filmFolder, filmKey, filmStretchKey, frameTableKey, originalKey, reviewCopyKey } from '../../storage/index.ts';
import { CritiqueHouse } from '../../testing/critiqueHouse.ts';
import { store } from '../../testing/footage.ts';
import { runDue } from '../../testing/jobs.ts';
import { madeVoice } from '../../testing/madeVoice.ts';
import { bringRequest, clientA, clientB } from '../../testing/people.ts';
import type { Visitor } from '../../testing/visitor.ts';
import { makeFilm, removeOldFilms } from './index.ts';

let at: CritiqueHouse;
let client: Visitor;
let folder: string;
let voice: Buffer;
let times: readonly number[];
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'lean-films-'));
  at = await CritiqueHouse.opened();
  client = await at.visit('client');
  voice = await madeVoice(6, [[4, 5]]);
  ({ times } = await writeBarcodeClip(join(folder, 'clip.mp4'), { frames: 90 }));
});
beforeEach(async () => {
  await at.bringReviewed(clientA);
  const { house, footageId } = at;
  for (const key of [originalKey(footageId), reviewCopyKey(footageId)]) await store(house, key, join(folder, 'clip.mp4'));
  await house.storage.putBytes(frameTableKey(footageId), JSON.stringify({ times, endSeconds: 3 }));
  await house.db.films.destroy({ where: {} });
});
afterAll(async () => {
  await at.close();
  await rm(folder, { recursive: true });
});

const events: TakeEvent[] = [
  { ...{ t: 0, kind: 'stage', frame: 3, rate: 0, view: { zoom: 1, x: 0, y: 0 }, mirrored: false, strokes: [], drawings: [], note: null } },
  { t: 1, kind: 'run', frame: 3, rate: 1 },
  { t: 3, kind: 'stop', frame: 63 },
];
const mended: Partial<DeskTake> = {
  title: 'Elbow / ribs',
  cuts: [{ from: 4.2, to: 4.8 }],
  captions: [{ from: 1, to: 2, words: 'Look at this hand.', origin: 'typed' }],
  chapters: [
    { from: 0, title: 'The grip' },
    { from: 3, title: 'The hip' },
  ],
};
const block = (takeId: string): Block => ({ type: 'take', attrs: { takeId, from: null, to: null, title: 'Elbow / ribs' } });

/** Something spoken in a sent critique; answers the address of its films. */
async function sentFilms(fields = mended): Promise<string> {
  const { body } = await at.sendDoc(block(await at.speak(voice, events, fields)));
  return `/api/critiques/${body.id}/versions/1/takes/0/films`;
}
const form = { size: 'small', words: 'beside' };
const ask = async (path: string, by = client, fields = {}): Promise<Film> =>
  (await by.ask('post', path, { ...form, ...fields })).body as Film;
const list = async (path: string, by = client): Promise<Film[]> => (await by.ask('get', path)).body as Film[];

describe('a film', () => {
  it('is made of what is heard, with its words, its parts and its length, and taken home by its client', async () => {
    const path = await sentFilms();
    const asked = await ask(path);
    expect(asked).toMatchObject({ state: 'waiting', share: 0, title: 'Elbow / ribs', hasWords: true, keptUntil: null });
    await runDue(at.house, 'make-film');
    const [made] = await list(path);
    expect(made).toMatchObject({ id: asked.id, state: 'ready', share: 1, secondsLeft: null, bytes: expect.any(Number) });
    const answer = await client.ask('get', `/api/films/${asked.id}/film.mp4`).buffer(true);
    expect(answer.headers['content-disposition']).toBe('attachment; filename="Elbow ribs.mp4"');
    const bytes = answer.body as Buffer;
    expect(bytes).toHaveLength(made!.bytes!);
    const file = join(folder, 'film.mp4');
    await writeFile(file, bytes);
    const found = (await ffprobeJson(['-show_format', '-show_streams', '-show_chapters', file])) as {
      format: { duration: string };
      streams: { codec_name: string; nb_frames: string; width: number }[];
      chapters: { start_time: string; tags: { title: string } }[];
    };
    expect(Number(found.format.duration)).toBeCloseTo(5.4, 1);
    expect(found.streams[0]).toMatchObject({ codec_name: 'h264', width: 360, nb_frames: String(Math.round(made!.seconds * 30)) });
    expect(found.chapters.map(({ start_time, tags }) => [Number(start_time), tags.title])).toEqual([
      [0, 'The grip'],
      [3, 'The hip'],
    ]);
    const words = async (as: string): Promise<string> => {
      const { text, body } = await client.ask('get', `/api/films/${asked.id}/words.${as}`).buffer(true);
      return text ?? String(body);
    };
    expect(await words('vtt')).toContain('WEBVTT\n\n00:00:01.000 --> 00:00:02.000\nLook at this hand.');
    expect(await words('srt')).toContain('1\n00:00:01,000 --> 00:00:02,000\nLook at this hand.');
    // Asked for again it is there already.
    expect((await ask(path)).id).toBe(asked.id);
    expect((await ask(path, client, { words: 'burnt' })).id).not.toBe(asked.id);
  });

  it('of the desk is the take as it was mended when it was asked for, at the footage’s own size, and nobody else’s', async () => {
    const takeId = await at.speak(voice, events, mended);
    const path = `/api/requests/${at.requestId}/takes/${takeId}/films`;
    const asked = await ask(path, at.coach, { size: 'footage', words: 'burnt' });
    await runDue(at.house, 'make-film');
    expect(await list(path, at.coach)).toMatchObject([{ id: asked.id, state: 'ready', seconds: expect.closeTo(5.4, 1) }]);
    for (const way of [path, `/api/films/${asked.id}/film.mp4`, `/api/films/${asked.id}/words.srt`])
      expect([403, 404]).toContain((await client.ask('get', way)).status);
    const change = { changeId: at.house.newId(), entity: 'take', id: takeId, before: { cuts: mended.cuts }, after: { cuts: [] } };
    await at.coach.ask('post', `/api/requests/${at.requestId}/desk/changes`, { changes: [change], since: 0 });
    const again = await ask(path, at.coach, { size: 'footage', words: 'burnt' });
    expect(again.id).not.toBe(asked.id);
    expect(again.seconds).toBeCloseTo(6, 1);
  });

  it('is no one’s who may not see its critique, and none of a version that was taken back', async () => {
    const path = await sentFilms();
    const { id } = await ask(path);
    const other = await at.visit('other');
    expect((await other.ask('post', path, form)).status).toBe(404);
    expect((await other.ask('get', `/api/films/${id}/film.mp4`)).status).toBe(404);
    expect((await other.ask('post', `/api/films/${id}/stop`)).status).toBe(404);
    await at.coach.ask('post', `/api/critiques/${path.split('/')[3]}/take-back`);
    expect((await client.ask('get', `/api/films/${id}/words.vtt`)).status).not.toBe(200);
  });

  it('that was stopped is not made, and goes on with the stretches that are there when it is asked for again', async () => {
    const path = await sentFilms();
    const { id } = await ask(path);
    expect((await client.ask('post', `/api/films/${id}/stop`)).status).toBe(200);
    await runDue(at.house, 'make-film');
    await makeFilm(at.house, id, new AbortController().signal);
    expect(await list(path)).toMatchObject([{ id, state: 'stopped' }]);
    // What a process made of it before it was stopped: told by its own name, since the film is then made of it.
    const { house, footageId } = at;
    await writeBarcodeClip(join(folder, 'made.mp4'), { frames: 162 });
    await store(house, filmStretchKey(footageId, id, 0), join(folder, 'made.mp4'));
    expect(await ask(path)).toMatchObject({ id, state: 'waiting' });
    await runDue(house, 'make-film');
    expect(await list(path)).toMatchObject([{ id, state: 'ready' }]);
    expect(await house.storage.size(filmStretchKey(footageId, id, 0))).toBeNull();
    await writeFile(join(folder, 'gone-on.mp4'), await house.storage.read(filmKey(footageId, id)));
    const { streams } = (await ffprobeJson(['-select_streams', 'v', '-show_streams', join(folder, 'gone-on.mp4')])) as {
      streams: { nb_frames: string }[];
    };
    expect(streams[0]!.nb_frames).toBe('162');
  });

  it('is stopped by who asked for it or the coach, and stays so whatever its job says afterwards', async () => {
    const path = await sentFilms();
    const { id } = await ask(path, at.coach);
    expect((await client.ask('post', `/api/films/${id}/stop`)).body.code).toBe('not-allowed');
    const stopping = new AbortController();
    const making = makeFilm(at.house, id, stopping.signal);
    await at.coach.ask('post', `/api/films/${id}/stop`);
    await making;
    expect(await list(path)).toMatchObject([{ id, state: 'stopped' }]);
  });

  it('goes with its footage: nothing of it is left when consent is withdrawn', async () => {
    const path = await sentFilms();
    const { id } = await ask(path);
    await runDue(at.house, 'make-film');
    expect((await client.ask('post', `/api/requests/${at.requestId}/withdraw-consent`)).status).toBe(200);
    await runDue(at.house, 'remove-footage');
    expect(await at.house.storage.size(filmKey(at.footageId, id))).toBeNull();
    expect(await list(path)).toEqual([]);
    expect((await client.ask('get', `/api/films/${id}/film.mp4`)).status).toBe(404);
    expect((await client.ask('post', path, { ...form, words: 'burnt' })).body.code).toBe('footage-removed');
  });

  it('shows what was compared of its client’s own alone, and goes when one of those is removed', async () => {
    const { house } = at;
    const [earlier, strange] = [await bringRequest(house, clientA, 'ready'), await bringRequest(house, clientB, 'ready')];
    for (const { footageId } of [earlier, strange]) {
      await store(house, reviewCopyKey(footageId), join(folder, 'clip.mp4'));
      await house.storage.putBytes(frameTableKey(footageId), JSON.stringify({ times, endSeconds: 3 }));
    }
    const items = [earlier, strange].map(({ footageId }) => ({ footageId, anchorFrame: 5, range: null, mirrored: false }));
    const shown = { layout: 'side', opacity: 0.5, items, offset: 0, rate: 0, span: null } as const;
    const { body } = await at.sendDoc(block(await at.speak(voice, [...events, { t: 3.5, kind: 'compare', shown }], mended)));
    const path = `/api/critiques/${body.id}/versions/1/takes/0/films`;
    const { id } = await ask(path);
    await runDue(house, 'make-film');
    expect(await list(path)).toMatchObject([{ id, state: 'ready' }]);
    // At 4 s of what is heard the tray lies there: the first in the left half, and nothing in the right one.
    const [file, second] = [join(folder, 'compared.mp4'), ['-ss', '4', '-frames:v', '1', '-f', 'rawvideo', '-pix_fmt', 'gray', 'pipe:1']];
    await writeFile(file, await house.storage.read(filmKey(at.footageId, id)));
    const half = async (x: string): Promise<number> =>
      Math.max(...(await ffmpegBytes(['-i', file, '-vf', `crop=iw/2:ih:${x}:0`, ...second], 60)));
    expect(await half('0')).toBeGreaterThan(150);
    expect(await half('iw/2')).toBeLessThan(45);
    expect((await client.ask('post', `/api/requests/${earlier.requestId}/withdraw-consent`)).status).toBe(200);
    await runDue(house, 'remove-footage');
    expect([await house.storage.size(filmKey(at.footageId, id)), await list(path)]).toEqual([null, []]);
  });

  it('has the coach in its corner where they were seen while speaking', async () => {
    const seen = events.map((event) => (event.kind === 'stage' ? { ...event, coach: 'square' as const } : event));
    const takeId = await at.speak(await madeVoice(4, [], true), seen, {}, 'video/webm');
    const path = `/api/requests/${at.requestId}/takes/${takeId}/films`;
    const { id } = await ask(path, at.coach, { words: 'burnt' });
    await runDue(at.house, 'make-film');
    const file = join(folder, 'seen.mp4');
    await writeFile(file, await at.house.storage.read(filmKey(at.footageId, id)));
    const corner = coachCorner({ width: 360, height: 640 });
    const crop = `crop=${Math.floor(corner.side) - 8}:${Math.floor(corner.side) - 8}:${Math.ceil(corner.x) + 4}:${Math.ceil(corner.y) + 4}`;
    for (const seconds of [0.5, 2, 3.5]) {
      const args = ['-ss', String(seconds), '-i', file, '-vf', crop, '-frames:v', '1', '-f', 'rawvideo', '-pix_fmt', 'gray', 'pipe:1'];
      expect(Math.min(...(await ffmpegBytes(args, 30)))).toBeGreaterThan(200);
    }
  });

  it('is refused where so many are being made already, and while its take is being put together', async () => {
    const path = await sentFilms();
    await ask(path);
    const { id: _, ...row } = (await at.house.db.films.findOne())!.get() as { id: string };
    for (let i = 0; i < 4; i++) await at.house.db.films.create({ ...row, id: at.house.newId(), size: 'other' } as never);
    expect((await client.ask('post', path, { ...form, words: 'burnt' })).body.message).toContain('5 films are being made for you');
    const takeId = await at.speak(voice, events);
    await at.house.db.takes.update({ state: 'waiting' }, { where: { id: takeId } });
    const early = await at.coach.ask('post', `/api/requests/${at.requestId}/takes/${takeId}/films`, form);
    expect(early.body).toMatchObject({ code: 'not-now', message: expect.stringContaining('still being put together') });
  });

  it('is made once for all who read the critique by a link, and is gone with the link', async () => {
    const path = await sentFilms();
    const critiqueId = path.split('/')[3]!;
    const link = (await at.coach.ask('post', `/api/critiques/${critiqueId}/links`, { forName: 'Ines', days: 3 })).body;
    const reader = await at.visit(null);
    const shared = `/api/shared/${link.token}/takes/0/film`;
    expect((await reader.ask('get', shared)).body).toEqual({ film: null });
    const [first, again] = [(await reader.ask('post', shared)).body, (await reader.ask('post', shared)).body];
    expect([first.id, first.words, first.size]).toEqual([again.id, 'burnt', 'small']);
    expect((await reader.ask('get', `${shared}.mp4`)).status).toBe(404);
    await runDue(at.house, 'make-film');
    const file = await reader.ask('get', `${shared}.mp4`);
    expect([file.status, file.headers['content-type']]).toEqual([200, 'video/mp4']);
    expect((await reader.ask('post', shared.replace('takes/0', 'takes/1'))).status).toBe(404);
    await at.coach.ask('delete', `/api/critiques/${critiqueId}/links/${link.id}`);
    expect((await reader.ask('get', `${shared}.mp4`)).status).toBe(410);
    expect((await reader.ask('post', shared)).status).toBe(410);
  });

  it('lies in the folder that is taken along, made where it is not there yet; its voice stands for it where it cannot be', async () => {
    const critiqueId = (await sentFilms()).split('/')[3]!;
    await runDue(at.house, 'make-voices');
    const folderOf = async (): Promise<Record<string, Uint8Array>> => {
      const { id } = (await client.ask('post', `/api/critiques/${critiqueId}/exports`, { as: 'zip' })).body;
      await runDue(at.house, 'make-export');
      return unzipSync(new Uint8Array(await at.house.storage.read(exportKey(critiqueId, id))));
    };
    const files = await folderOf();
    expect(strFromU8(files['critique.html']!)).toContain('<video src="films/1.mp4"');
    const film = join(folder, 'taken.mp4');
    await writeFile(film, files['films/1.mp4']!);
    const { streams } = (await ffprobeJson(['-show_streams', film])) as { streams: { codec_name: string }[] };
    expect(streams.map(({ codec_name }) => codec_name)).toEqual(expect.arrayContaining(['h264', 'aac']));
    await at.house.db.films.update({ state: 'failed' }, { where: {} });
    await at.house.db.exports.destroy({ where: {} });
    await at.house.storage.remove(reviewCopyKey(at.footageId));
    const without = await folderOf();
    expect(Object.keys(without)).not.toContain('films/1.mp4');
    expect(strFromU8(without['critique.html']!)).toContain('<audio src="voice/1.m4a"');
  });

  it('is kept for a month, and one that was given up for two days', async () => {
    const path = await sentFilms();
    const [ready, stopped] = [await ask(path), await ask(path, client, { words: 'burnt' })];
    await runDue(at.house, 'make-film');
    await at.house.db.films.update({ state: 'stopped' }, { where: { id: stopped.id } });
    await at.house.storage.putBytes(`${filmFolder(at.footageId, stopped.id)}0.mp4`, 'stretch');
    const age = (days: number) => at.house.db.films.update({ askedAt: addDays(at.house.now(), -days) }, { where: {} });
    const ids = async (): Promise<string[]> => (await at.house.db.films.findAll()).map((row) => row.get('id') as string);
    await age(3);
    await removeOldFilms(at.house);
    expect(await ids()).toEqual([ready.id]);
    expect(await at.house.storage.size(`${filmFolder(at.footageId, stopped.id)}0.mp4`)).toBeNull();
    await age(31);
    await removeOldFilms(at.house);
    expect(await ids()).toEqual([]);
    expect(await at.house.storage.size(filmKey(at.footageId, ready.id))).toBeNull();
  });
});
