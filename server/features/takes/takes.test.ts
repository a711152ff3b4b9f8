import { readTakeFile, type TakeRecording } from '@lean-mentor/contract';
import type { TakeEvent } from '@lean-mentor/core/takes';
import { strFromU8, unzipSync } from 'fflate';
import { readFile, writeFile } from 'node:fs/promises';
import { QueryTypes } from 'sequelize';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { withScratchFolder } from '../../house/scratchFolder.ts';
import { ffmpegBytes, ffprobeJson } from '../../media/ffmpeg.ts';
import { madeVoice } from '../../testing/madeVoice.ts';
import { aNote, bringRequest, clientA, clientB } from '../../testing/people.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { statements } from '../../db/migrations/017-take-words.ts';
import { statements as memosAreTakes } from '../../db/migrations/018-memos-are-takes.ts';
import { memoKey, takeVoiceKey } from '../../storage/index.ts';
import { findDeskDocument } from '../desk/index.ts';
import { carryMemo } from './carryMemo.ts';
import { makeHeardVoice } from './heardVoice.ts';
import { takeAsFile } from './takeFile.ts';
import { makeTake } from './makeTake.ts';

const { house, coach, client, assistant } = peopledHouse('coach', 'client', 'assistant');
let voice: Buffer;
beforeAll(async () => {
  voice = await madeVoice(6, [[2, 3.5]]);
});
let requestId: string;
let footageId: string;
let takeId: string;
beforeEach(async () => {
  const brought = await bringRequest(house, clientA, 'ready');
  ({ requestId, footageId } = brought);
  takeId = house.newId();
  await putTake(brought);
});

const putTake = (of: { requestId: string; footageId: string }, id = takeId) =>
  coach.ask('post', `/api/requests/${of.requestId}/desk/changes`, {
    changes: [{ changeId: house.newId(), entity: 'take', id, before: null, after: { id, footageId: of.footageId, title: 'Said' } }],
    since: 0,
  });
const whole = (t: number): TakeEvent => ({
  ...{ t, kind: 'stage', frame: 3, rate: 0, view: { zoom: 1, x: 0, y: 0 }, mirrored: false, strokes: [], drawings: [], note: null },
});
const show = (t: number, frame: number): TakeEvent => ({ t, kind: 'show', frame });
const send = (part: number, piece: number, sound: Buffer, events: TakeEvent[], by = coach) =>
  by.ask('put', `/api/requests/${requestId}/takes/${takeId}/parts/${part}/pieces/${piece}`, {
    type: 'audio/webm',
    voice: sound.toString('base64'),
    events,
  });
const finish = (pieces: number[]) => coach.ask('post', `/api/requests/${requestId}/takes/${takeId}/finish`, { pieces });
const listen = (which: string) => coach.ask('get', `/api/requests/${requestId}/takes/${takeId}/voices/${which}`);
const recording = async (): Promise<TakeRecording> =>
  ((await coach.ask('get', `/api/requests/${requestId}/takes`)).body as TakeRecording[])[0]!;
/** A sound in pieces as a browser gives them: wherever it happens to be cut. */
const inPieces = (sound: Buffer, many: number): Buffer[] =>
  Array.from({ length: many }, (_, i) =>
    sound.subarray(Math.floor((i * sound.length) / many), Math.floor(((i + 1) * sound.length) / many)),
  );

async function durationOf(key: string): Promise<number> {
  const file = join(tmpdir(), `lean-${house.newId()}.m4a`);
  await writeFile(file, await house.storage.read(key));
  const { format } = (await ffprobeJson(['-show_format', file])) as { format: { duration: string } };
  return Number(format.duration);
}

describe('a take', () => {
  it('that comes in pieces, twice and out of order, is put together once: its voice, its log, its silences', async () => {
    const [first, second, third] = inPieces(voice, 3) as [Buffer, Buffer, Buffer];
    expect((await send(0, 2, third, [show(5, 9)])).status).toBe(200);
    expect((await send(0, 0, first, [whole(0), show(1, 4)])).status).toBe(200);
    expect((await finish([3])).body).toMatchObject({ code: 'not-now', message: expect.stringContaining('2 of 3 pieces') });
    await send(0, 1, second, [show(2.5, 6)]);
    await send(0, 1, second, [show(2.5, 6)]);
    expect((await finish([3])).body).toMatchObject({ state: 'waiting' });
    await makeTake(house, takeId);
    const made = await recording();
    expect(made).toMatchObject({ id: takeId, state: 'ready', failure: null });
    expect(made.seconds).toBeCloseTo(6, 1);
    expect(made.silences).toEqual([{ from: expect.closeTo(2, 1), to: expect.closeTo(3.5, 1) }]);
    expect(made.peaks).toHaveLength(Math.ceil(made.seconds * 8));
    const log = (await coach.ask('get', `/api/requests/${requestId}/takes/${takeId}/log`)).body;
    expect(log.seconds).toBe(made.seconds);
    expect(log.events.map(({ t, kind }: TakeEvent) => [t, kind])).toEqual([
      [0, 'stage'],
      [1, 'show'],
      [2.5, 'show'],
      [5, 'show'],
    ]);
    const sound = await listen('recorded');
    expect([sound.status, sound.headers['content-type']]).toEqual([200, 'audio/mp4']);
    expect(await durationOf(`takes/${requestId}/${takeId}/voice.m4a`)).toBeCloseTo(6, 1);
    // Done again it is the same.
    await finish([3]);
    await makeTake(house, takeId);
    expect(await recording()).toEqual(made);
  });

  it('whose tab died is put together as far as it came, and what was logged later happened at its end', async () => {
    const [first, second] = inPieces(voice, 3) as [Buffer, Buffer, Buffer];
    await send(0, 0, first, [whole(0)]);
    await send(0, 1, second, [show(3, 6), show(5.9, 9)]);
    // Gone on with in another tab: a new file of the browser's.
    await send(1, 0, voice, [whole(0), show(1, 20)]);
    await finish([2, 1]);
    await makeTake(house, takeId);
    const { partSeconds, seconds, state } = await recording();
    expect(state).toBe('ready');
    expect(partSeconds[0]).toBeGreaterThan(3.4);
    expect(partSeconds[0]).toBeLessThan(4.4);
    expect(seconds).toBeCloseTo(partSeconds[0]! + 6, 1);
    const { events } = (await coach.ask('get', `/api/requests/${requestId}/takes/${takeId}/log`)).body;
    expect(events.map((one: { t: number; frame: number }) => [one.t, one.frame])).toEqual([
      [0, 3],
      [3, 6],
      [partSeconds[0], 9],
      [partSeconds[0], 3],
      [partSeconds[0]! + 1, 20],
    ]);
  });

  it('that is gone on with after it was put together is recording again, and is heard as it was until the rest has come', async () => {
    await send(0, 0, voice, [whole(0)]);
    await finish([1]);
    await makeTake(house, takeId);
    await send(1, 0, voice, [whole(0)]);
    expect((await recording()).state).toBe('recording');
    expect((await listen('recorded')).status).toBe(200);
    await finish([1, 1]);
    await makeTake(house, takeId);
    expect((await recording()).seconds).toBeCloseTo(12, 0);
  });

  it('can be heard with its noise taken out; one from before there was such a voice is put together once more', async () => {
    await send(0, 0, voice, [whole(0)]);
    await finish([1]);
    await makeTake(house, takeId);
    expect((await listen('clean')).status).toBe(200);
    expect(await durationOf(`takes/${requestId}/${takeId}/clean.m4a`)).toBeCloseTo(6, 1);
    await house.storage.remove(`takes/${requestId}/${takeId}/clean.m4a`);
    expect((await listen('clean')).body).toMatchObject({ code: 'not-now', message: expect.stringContaining('noise') });
    await makeTake(house, takeId);
    expect((await listen('clean')).status).toBe(200);
    expect((await listen('louder')).status).toBe(404);
  });

  it('is taken out as a file that a stranger can read, and comes back from it as it was', async () => {
    await send(0, 0, voice, [whole(0), show(1, 4)]);
    await finish([1]);
    await makeTake(house, takeId);
    const path = `/api/requests/${requestId}/takes`;
    const { body, headers } = await coach
      .ask('get', `${path}/${takeId}/take.zip`)
      .buffer(true)
      .parse((response, done) => {
        const parts: Buffer[] = [];
        response.on('data', (part: Buffer) => parts.push(part)).on('end', () => done(null, Buffer.concat(parts)));
      });
    expect(headers['content-disposition']).toContain('Said.zip');
    const files = unzipSync(new Uint8Array(body as Buffer));
    const read = readTakeFile(JSON.parse(strFromU8(files['take.json']!)));
    if ('faults' in read) throw new Error(read.faults.join(' '));
    const { seconds } = await recording();
    expect(read.take).toMatchObject({
      seconds,
      events: [
        { t: 0, kind: 'stage', frame: 3 },
        { t: 1, frame: 4 },
      ],
    });
    const brought = house.newId();
    await putTake({ requestId, footageId }, brought);
    await coach.ask('put', `${path}/${brought}/parts/0/pieces/0`, {
      type: 'audio/flac',
      voice: Buffer.from(files['voice.flac']!).toString('base64'),
      events: read.take.events,
    });
    await coach.ask('post', `${path}/${brought}/finish`, { pieces: [1] });
    await makeTake(house, brought);
    const all = (await coach.ask('get', path)).body as TakeRecording[];
    expect(all.find(({ id }) => id === brought)).toMatchObject({ state: 'ready', seconds });
    expect((await client.ask('get', `${path}/${takeId}/take.zip`)).status).toBe(403);
  });

  it('is found by the words that are written down for it, and no more once it is off the desk', async () => {
    const words = 'Zwirbel your elbow to the rib.';
    const change = (before: object | null, after: object | null) =>
      coach.ask('post', `/api/requests/${requestId}/desk/changes`, {
        changes: [{ changeId: house.newId(), entity: 'take', id: takeId, before, after }],
        since: 0,
      });
    const found = async () => (await coach.ask('post', '/api/search', { words: 'zwirbel elbows', clientId: clientA })).body.found;
    await change({ captions: [] }, { captions: [{ from: 0, to: 2, words, origin: 'typed' }] });
    expect(await found()).toMatchObject([{ id: takeId, entry: 'take', requestId, words: expect.stringContaining(words) }]);
    // Written down before takes were found at all: what the migration finds is the same.
    await house.db.sequelize.query(`DELETE FROM search_entries WHERE entry = 'take'`);
    await house.db.sequelize.query(statements.at(-1)!);
    expect(await found()).toMatchObject([{ id: takeId, words: expect.stringContaining(words) }]);
    await change({ title: 'Said' }, null);
    expect(await found()).toEqual([]);
  });

  it('cannot be put together from what is no sound, and says so', async () => {
    await send(0, 0, Buffer.from('no sound at all'), [whole(0)]);
    await finish([1]);
    await expect(makeTake(house, takeId)).rejects.toThrow();
    await send(0, 0, voice, [show(0, 1)]);
    await finish([1]);
    await expect(makeTake(house, takeId)).rejects.toThrow('What the desk showed when this take began');
  });

  it('is taken only for a take on this desk, from the coaching side, and only as what a take is made of', async () => {
    expect((await send(0, 0, voice, [whole(0)], client)).status).toBe(403);
    expect((await send(0, 0, voice, [whole(0)], assistant)).status).toBe(200);
    const { requestId: others } = await bringRequest(house, clientB, 'ready');
    const elsewhere = await coach.ask('put', `/api/requests/${others}/takes/${takeId}/parts/0/pieces/0`, {
      type: 'audio/webm',
      voice: '',
      events: [],
    });
    expect(elsewhere.status).toBe(404);
    expect((await coach.ask('post', `/api/requests/${others}/takes/${takeId}/finish`, { pieces: [1] })).status).toBe(404);
    const odd = await send(0, 1, voice, [{ t: 1, kind: 'leap' } as never]);
    expect([odd.status, odd.body.message]).toEqual([400, expect.stringContaining('events.0')]);
  });
});

describe('a take in which the coach is seen', () => {
  it('has the picture in one file with the voice, as long as that is, dark where a part was not filmed', async () => {
    const seen = await madeVoice(3, [], true);
    const send = (part: number, type: string, sound: Buffer, coach?: 'round') =>
      coachAsks(part, { type, voice: sound.toString('base64'), events: [{ ...whole(0), ...(coach && { coach }) }] });
    const coachAsks = (part: number, piece: object) =>
      coach.ask('put', `/api/requests/${requestId}/takes/${takeId}/parts/${part}/pieces/0`, piece);
    expect((await send(0, 'video/webm', seen, 'round')).status).toBe(200);
    await send(1, 'audio/webm', voice);
    await finish([1, 1]);
    await makeTake(house, takeId);
    const { state, seconds, partSeconds } = await recording();
    expect([state, partSeconds]).toEqual(['ready', [expect.closeTo(3, 1), expect.closeTo(6, 1)]]);
    const log = (await coach.ask('get', `/api/requests/${requestId}/takes/${takeId}/log`)).body;
    expect(log.events.map((event: { coach?: string }) => event.coach)).toEqual(['round', undefined]);
    const streamsOf = async (bytes: Buffer) => {
      const file = join(tmpdir(), `lean-${house.newId()}.mp4`);
      await writeFile(file, bytes);
      const { streams } = (await ffprobeJson(['-show_streams', file])) as { streams: { codec_type: string; duration: string }[] };
      const brightness = async (at: number): Promise<number> =>
        (await ffmpegBytes(['-ss', String(at), '-i', file, '-frames:v', '1', '-f', 'rawvideo', '-pix_fmt', 'gray', 'pipe:1'], 30))[
          120 * 240
        ]!;
      return { lengths: streams.map(({ codec_type, duration }) => [codec_type, Number(duration)]), brightness };
    };
    for (const kind of ['recorded', 'clean'] as const) {
      const { lengths, brightness } = await streamsOf(await house.storage.read(takeVoiceKey(requestId, takeId, kind)));
      expect(lengths).toEqual([
        ['audio', expect.closeTo(seconds, 1)],
        ['video', expect.closeTo(seconds, 1)],
      ]);
      expect([(await brightness(1)) > 200, (await brightness(5)) < 60]).toEqual([true, true]);
    }
    await withScratchFolder(house, 'heard', async (folder) => {
      const cuts = [
        { from: 1, to: 2.5 },
        { from: 4, to: 4.321 },
      ];
      const heard = await streamsOf(await readFile(await makeHeardVoice(house, requestId, { takeId, cuts }, folder)));
      expect(heard.lengths.map(([, long]) => long)).toEqual([expect.closeTo(seconds - 1.821, 1), expect.closeTo(seconds - 1.821, 1)]);
      expect([(await heard.brightness(1.2)) > 200, (await heard.brightness(1.8)) < 60]).toEqual([true, true]);
    });
    // A file of it carries the voice alone, and does not say that somebody is seen.
    const { bytes } = await takeAsFile(house, { requestId, takeId });
    expect(strFromU8(unzipSync(new Uint8Array(bytes))['take.json']!)).not.toContain('coach');
  });
});

describe('what was spoken for a note before notes were spoken as takes', () => {
  it('is brought forward as a take of the note’s frame, with its sound, once; what never arrived waits for its browser', async () => {
    const { db } = house;
    const note = aNote(house.newId(), footageId, { fromFrame: 7, what: 'The elbow leaves.' });
    await db.notes.create({ ...note, requestId });
    const [said, unsent, orphan] = [house.newId(), house.newId(), house.newId()];
    const memo = (id: string, noteId = note.id) =>
      db.deskItems.create({ id, requestId, entity: 'memo', thing: { id, noteId, seconds: 6, peaks: [] } } as never);
    for (const id of [said, unsent]) await memo(id);
    await memo(orphan, house.newId());
    await house.storage.putBytes(memoKey(requestId, said), voice);
    for (const statement of memosAreTakes) await db.sequelize.query(statement, { type: QueryTypes.RAW });
    for (let times = 0; times < 2; times++) for (const id of [said, unsent, orphan]) await carryMemo(house, id);
    await makeTake(house, said);
    const { takes } = await findDeskDocument(house, requestId);
    expect([takes[said], takes[unsent]?.noteId, takes[orphan]]).toEqual([
      { id: said, footageId, noteId: note.id, title: 'The elbow leaves.', cuts: [], captions: [], chapters: [] },
      note.id,
      undefined,
    ]);
    const { body } = await coach.ask('get', `/api/requests/${requestId}/takes`);
    expect(body).toMatchObject([{ id: said, state: 'ready', seconds: expect.closeTo(6, 1) }]);
    const log = (await coach.ask('get', `/api/requests/${requestId}/takes/${said}/log`)).body;
    expect(log.events).toMatchObject([{ kind: 'stage', frame: 7, note: { id: note.id, words: 'The elbow leaves.' } }]);
    expect(await house.storage.size(memoKey(requestId, said))).toBeNull();
    expect(await db.jobs.count({ where: { kind: 'carry-memo' } })).toBe(3);
  });
});
