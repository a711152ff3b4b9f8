import { critiqueFile, type Critique } from '@lean-mentor/contract';
import { heading, moment, momentsOf, paragraph, list, type Block, type CritiqueDoc, type FixBlock } from '@lean-mentor/core/critique';
import { writeBarcodeClip } from '@lean-mentor/demo/barcode';
import { strFromU8, unzipSync } from 'fflate';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import webvtt from 'webvtt-parser';
import { ffprobeJson } from '../../../media/ffmpeg.ts';
import { exportKey, frameTableKey, originalKey, reviewCopyKey, stillKey } from '../../../storage/index.ts';
import { tidy } from '../../../jobs/tidy.ts';
import { chores } from '../../../chores.ts';
import { store } from '../../../testing/footage.ts';
import { runDue } from '../../../testing/jobs.ts';
import { aNote, bringRequest, clientA } from '../../../testing/people.ts';
import { peopledHouse } from '../../../testing/peopledHouse.ts';
import { visit, type Visitor } from '../../../testing/visitor.ts';

const { house, open, coach } = peopledHouse('coach');
let folder: string;
let critiqueId: string;
let requestId: string;
let footageId: string;

/** Words that would break any of the forms: markup, quotes, letters beyond the Latin ones of the west. */
const tricky = 'Dušan’s <b>elbow</b> & "hand" *stays* # in';

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'lean-test-export-'));
  ({ requestId, footageId } = await bringRequest(house, clientA, 'ready'));
  const clip = await writeBarcodeClip(join(folder, 'clip.mp4'), { frames: 120 });
  for (const key of [originalKey(footageId), reviewCopyKey(footageId)]) await store(house, key, join(folder, 'clip.mp4'));
  await house.storage.putBytes(frameTableKey(footageId), JSON.stringify({ times: clip.times, endSeconds: 4 }));
  const ids = [house.newId(), house.newId(), house.newId()];
  const notes = ids.map((id, i) => aNote(id, footageId, { fromFrame: 30 * (i + 1), what: i === 0 ? tricky : 'Again.' }));
  const changes = notes.map((note) => ({ changeId: house.newId(), entity: 'note', id: note.id, before: null, after: note }));
  await coach.ask('post', `/api/requests/${requestId}/desk/changes`, { changes, since: 0 });
  const fix = (id: string): FixBlock => ({
    type: 'fix',
    attrs: { fixId: id, principleId: null, name: tricky },
    content: [
      paragraph('It came up once.'),
      moment(id),
      heading(3, 'Do this instead'),
      list('orderedList', ['First.', 'Then.']),
      paragraph('Elbow in.', { type: 'bold' }),
    ],
  });
  const doc: CritiqueDoc = {
    type: 'doc',
    content: [
      heading(2, 'What you asked'),
      { type: 'blockquote', content: [paragraph('Why?')] },
      ...ids.map(fix),
      { type: 'caution', content: [paragraph('Tap early.')] },
    ],
  };
  await coach.ask('put', `/api/requests/${requestId}/critique`, { doc, revision: 0 });
  critiqueId = (await coach.ask('post', `/api/requests/${requestId}/critique/send`, { revision: 1 })).body.id;
});
afterAll(async () => {
  await rm(folder, { recursive: true });
});

/** Asks for a form, has the jobs that are due done, and takes the file. */
async function take(as: string, who = coach) {
  const asked = await who.ask('post', `/api/critiques/${critiqueId}/exports`, { as });
  if (asked.status !== 200) return asked;
  await runDue(house, 'make-export');
  return who
    .ask('get', `/api/critiques/${critiqueId}/exports/${asked.body.id}/file`)
    .buffer(true)
    .parse((response, done) => {
      const parts: Buffer[] = [];
      response.on('data', (part: Buffer) => parts.push(part)).on('end', () => done(null, Buffer.concat(parts)));
    });
}

describe('the pictures of a critique that was just sent', () => {
  it('are made without anybody asking for them, and each once where two ask at the same time', async () => {
    const { version, moments } = (await coach.ask('get', `/api/critiques/${critiqueId}`)).body as Critique;
    const sizes = () => Promise.all(moments.map(({ note }) => house.storage.size(stillKey(critiqueId, version, note.id))));
    expect(await sizes()).toEqual([null, null, null]);
    const made = vi.spyOn(house.storage, 'putBytes');
    const still = `/api/critiques/${critiqueId}/versions/${version}/moments/${moments[0]!.note.id}/pictures/still.png`;
    const asked = await Promise.all([coach.ask('get', still), coach.ask('get', still), runDue(house, 'make-pictures')]);
    expect(asked.slice(0, 2).map((answer) => answer && answer.status)).toEqual([200, 200]);
    expect(await sizes()).toEqual([expect.any(Number), expect.any(Number), expect.any(Number)]);
    expect(made.mock.calls.filter(([key]) => key.startsWith('stills/'))).toHaveLength(3);
    made.mockRestore();
  });
});

describe('a critique taken out', () => {
  it('as PDF is A4, with its stills', async () => {
    const { body, headers } = await take('pdf');
    const text = (body as Buffer).toString('latin1');
    expect([headers['content-type'], text.slice(0, 5)]).toEqual(['application/pdf', '%PDF-']);
    expect(text).toMatch(/\/MediaBox \[0 0 595\.28 841\.89\]/);
    expect(text.match(/\/Subtype \/Image/g)!.length).toBe(3);
  });

  it('as PDF stays on two pages of A4 with three fixes of three moments each, in notes of thirty words', async () => {
    const thirty = (i: number): string =>
      `${Array.from({ length: 28 }, (_, k) => ['elbow', 'leaves', 'your', 'ribs', 'early'][(k + i) % 5]).join(' ')} number ${i}.`;
    const notes = Array.from({ length: 9 }, (_, i) => aNote(house.newId(), footageId, { fromFrame: 12 * (i + 1), what: thirty(i) }));
    const changes = notes.map((note) => ({ changeId: house.newId(), entity: 'note', id: note.id, before: null, after: note }));
    await coach.ask('post', `/api/requests/${requestId}/desk/changes`, { changes, since: 0 });
    const fix = (i: number): FixBlock => ({
      type: 'fix',
      attrs: { fixId: notes[3 * i]!.id, principleId: null, name: 'Frame at the hip before the shoulders are flat' },
      content: [
        paragraph('This came up three times, at 0:28, 1:12 and 3:41.'),
        ...notes.slice(3 * i, 3 * i + 3).flatMap((note) => [paragraph(note.what), moment(note.id)]),
        heading(3, 'Why it matters'),
        paragraph('It cost you 3 points and control of the position.'),
        paragraph('Flat on both shoulders there is no frame left that carries weight. The frame is built on the way down or not at all.'),
        heading(3, 'Do this instead'),
        list('orderedList', [thirty(20 + i), thirty(30 + i)]),
        paragraph('Forearm on the hip, far shoulder up.', { type: 'bold' }),
        heading(3, 'Drill'),
        paragraph(thirty(40 + i)),
        heading(3, 'How we will check'),
        paragraph('In your next footage I count it again: now 3 times in 5.2 minutes.'),
      ],
    });
    const content = [
      heading(2, 'What you asked'),
      { type: 'blockquote' as const, content: [paragraph('Why?')] },
      paragraph(thirty(50)),
      ...[0, 1, 2].map(fix),
    ];
    const { revision } = (await coach.ask('get', `/api/requests/${requestId}/critique`)).body;
    await coach.ask('put', `/api/requests/${requestId}/critique`, { doc: { type: 'doc', content }, revision });
    await coach.ask('post', `/api/requests/${requestId}/critique/send`, { revision: revision + 1 });
    try {
      const text = ((await take('pdf')).body as Buffer).toString('latin1');
      expect(text.match(/\/Subtype \/Image/g)!.length).toBe(9);
      expect(text.match(/\/MediaBox \[0 0 595\.28 841\.89\]/g)).toHaveLength(2);
      // No export says a note twice.
      const markdown = ((await take('md')).body as Buffer).toString();
      for (const { what } of notes) expect(markdown.split(what).length - 1).toBe(1);
    } finally {
      await coach.ask('post', `/api/critiques/${critiqueId}/take-back`);
    }
  });

  it('in every form says how it was scored when it was written; a clip that is to be heard has its words as a track', async () => {
    const boutId = house.newId();
    const spans = [{ position: 'mount', holder: 'client', fromFrame: 0, toFrame: 120 }] as const;
    const bout = { id: boutId, footageId, fromFrame: 0, toFrame: 120, order: 1, proposed: false, events: [], spans };
    await house.db.bouts.create({ ...bout, lengthSeconds: null, ruleSheet: 'points-no-jacket', sheetId: null, timed: null } as never);
    const before = (await coach.ask('get', `/api/requests/${requestId}/critique`)).body as { doc: CritiqueDoc; revision: number };
    const noteId = momentsOf(before.doc)[0]!;
    const heard: Block = { type: 'moment', attrs: { noteId, show: 'clip', heard: 'Coach: hips!' } };
    const content = before.doc.content.map((block) =>
      block.type === 'fix'
        ? { ...block, content: block.content.map((one) => (one.type === 'moment' && one.attrs.noteId === noteId ? heard : one)) }
        : block,
    );
    await coach.ask('put', `/api/requests/${requestId}/critique`, { doc: { type: 'doc', content }, revision: before.revision });
    await coach.ask('post', `/api/requests/${requestId}/critique/send`, { revision: before.revision + 1 });
    await house.db.bouts.destroy({ where: { id: boutId } });
    try {
      const line = 'Scored by “Points, no jacket”: 0 : 0, left to the referee.';
      const zipped = unzipSync(new Uint8Array((await take('zip')).body as Buffer));
      const page = strFromU8(zipped['critique.html']!);
      const track = Buffer.from(/data:text\/vtt;base64,([^"]+)"/.exec(page)![1]!, 'base64').toString();
      expect(new webvtt.WebVTTParser().parse(track, 'metadata')).toMatchObject({
        errors: [],
        cues: [{ startTime: 0, text: 'Coach: hips!' }],
      });
      expect(strFromU8(zipped[`clips/${noteId}.vtt`]!)).toBe(track);
      const words = [page, strFromU8(zipped['critique.md']!), ((await take('md')).body as Buffer).toString()];
      for (const text of words) expect(text.replaceAll('\\', '').split(line)).toHaveLength(2);
      const word = unzipSync(new Uint8Array((await take('docx')).body as Buffer));
      expect(strFromU8(word['word/document.xml']!)).toContain(line);
      const file = critiqueFile.parse(JSON.parse(((await take('json')).body as Buffer).toString()));
      expect(file.scores).toMatchObject([{ boutId, sheet: 'Points, no jacket', decidedBy: 'referee' }]);
      expect(((await take('pdf')).body as Buffer).length).toBeGreaterThan(1000);
    } finally {
      await coach.ask('post', `/api/critiques/${critiqueId}/take-back`);
    }
  });

  it('as a Word document holds every word and picture', async () => {
    const files = unzipSync(new Uint8Array((await take('docx')).body as Buffer));
    const xml = strFromU8(files['word/document.xml']!);
    expect(xml).toContain('Dušan’s &lt;b&gt;elbow&lt;/b&gt; &amp; &quot;hand&quot; *stays* # in');
    expect(Object.keys(files).filter((name) => name.endsWith('.jpg')).length).toBe(3);
  });

  it('as Markdown keeps its words from being markup', async () => {
    const text = ((await take('md')).body as Buffer).toString();
    expect(text).toContain('## 1. Dušan’s \\<b\\>elbow\\</b\\> & "hand" \\*stays\\* \\# in');
    expect(text).toContain('**Elbow in.**');
    expect(text).toContain('1. First.\n2. Then.');
    expect(text).toContain('> **Mind:** Tap early.');
  });

  it('as JSON is what its schema says, with frames and seconds', async () => {
    const file = critiqueFile.parse(JSON.parse(((await take('json')).body as Buffer).toString()));
    expect(file).toMatchObject({ format: 'lean-mentor/critique@1', client: 'Ada Moor', coach: 'Cora Lind', version: 1 });
    expect(file.moments.map(({ frame, footage }) => [frame, footage])).toEqual([30, 60, 90].map((frame) => [frame, 'round.mp4']));
    expect(file.moments[1]).toMatchObject({ seconds: 2, clipFromSeconds: 0, clipToSeconds: 4 });
  });

  it('as ZIP opens without a network: the page names only files that are there, and the clips play', async () => {
    const files = unzipSync(new Uint8Array((await take('zip')).body as Buffer));
    const page = strFromU8(files['critique.html']!);
    const named = [...page.matchAll(/(?:src|poster)="([^"]+)"/g)].map(([, path]) => path!);
    expect(named.length).toBe(9);
    for (const path of named) expect(Object.keys(files)).toContain(path);
    expect(page).not.toMatch(/https?:/);
    expect(page).toContain('Dušan’s &lt;b&gt;elbow');
    const clip = join(folder, 'out.mp4');
    await (await import('node:fs/promises')).writeFile(clip, files[named.find((path) => path.endsWith('.mp4'))!]!);
    const probed = (await ffprobeJson(['-show_entries', 'format=duration:stream=codec_type', '-of', 'json', clip])) as {
      format: { duration: string };
      streams: { codec_type: string }[];
    };
    expect(Number(probed.format.duration)).toBeGreaterThan(2.9);
    expect(probed.streams.map(({ codec_type }) => codec_type)).toEqual(['video']);
  });

  it('as WebVTT names who holds what, and the moments, in the order of time', async () => {
    const spans = [
      { position: 'mount', holder: 'client', fromFrame: 0, toFrame: 60 },
      { position: 'half-guard', holder: 'partner', fromFrame: 60, toFrame: 120 },
    ] as const;
    const bout = {
      id: house.newId(),
      footageId,
      fromFrame: 0,
      toFrame: 120,
      order: 1,
      proposed: false,
      spans: [...spans],
      events: [],
      lengthSeconds: null,
      ruleSheet: null,
      sheetId: null,
    };
    // As it was written down before critiques kept what they were written from.
    await house.db.critiqueVersions.update({ writtenFrom: null }, { where: { critiqueId } });
    await house.db.bouts.create(bout as never);
    const { text, headers } = await coach.ask('get', `/api/critiques/${critiqueId}/footages/${footageId}/chapters.vtt`).buffer(true);
    expect(headers['content-type']).toContain('text/vtt');
    const cues = text.split('\n\n').map((cue) => cue.split('\n').slice(1));
    expect(cues[0]![0]).toBeUndefined();
    expect(cues.slice(1, 4)).toEqual([
      ['00:00:00.000 --> 00:00:02.000', 'Mount, Ada Moor in control'],
      // A moment stays within the position it is in.
      ['00:00:00.000 --> 00:00:02.000', 'Fix 1: Dušan’s &lt;b>elbow&lt;/b> &amp; "hand" *stays* # in'],
      ['00:00:02.000 --> 00:00:04.000', 'Ada Moor’s half guard'],
    ]);
    expect(text).toContain('Fix 2: Again.');
    expect((await coach.ask('get', `/api/critiques/${critiqueId}/footages/${house.newId()}/chapters.vtt`)).status).toBe(404);
  });

  it('is its client’s to take, and nobody else’s', async () => {
    expect((await take('md', await visit(open.app, 'client'))).status).toBe(200);
    expect((await take('md', await visit(open.app, 'other'))).status).toBe(404);
    expect((await take('exe')).status).toBe(400);
  });

  it('keeps its words when the footage is gone', async () => {
    await house.db.footages.update({ state: 'removed' }, { where: { id: footageId } });
    await house.db.exports.destroy({ where: {} });
    try {
      for (const as of ['pdf', 'docx', 'md', 'json', 'zip']) expect([as, (await take(as)).status]).toEqual([as, 200]);
      expect(Object.keys(unzipSync(new Uint8Array((await take('zip')).body as Buffer))).sort()).toEqual([
        'critique.html',
        'critique.json',
        'critique.md',
      ]);
    } finally {
      await house.db.footages.update({ state: 'ready' }, { where: { id: footageId } });
    }
  });

  it('is made beside the web server, once however often it is asked for, and says its place in the line', async () => {
    await house.db.exports.destroy({ where: {} });
    await house.db.jobs.destroy({ where: {} });
    const client = await visit(open.app, 'client');
    const ask = (who: Visitor, as: string) => who.ask('post', `/api/critiques/${critiqueId}/exports`, { as });
    const first = (await ask(coach, 'md')).body as { id: string; place: number };
    const again = await Promise.all(Array.from({ length: 5 }, () => ask(coach, 'md')));
    expect(again.map(({ body }) => [body.id, body.place])).toEqual(again.map(() => [first.id, 1]));
    const second = (await ask(client, 'json')).body as { id: string; place: number; state: string };
    expect([first.place, second.place, second.state]).toEqual([1, 2, 'waiting']);
    // It is whose it was asked by, and not there before it is ready.
    expect((await coach.ask('get', `/api/critiques/${critiqueId}/exports/${second.id}`)).status).toBe(404);
    expect((await client.ask('get', `/api/critiques/${critiqueId}/exports/${second.id}/file`)).status).toBe(404);
    await runDue(house, 'make-export');
    const state = await client.ask('get', `/api/critiques/${critiqueId}/exports/${second.id}`);
    expect(state.body).toMatchObject({ state: 'ready', place: null, fileName: expect.stringMatching(/^critique-for-ada-moor-.*\.json$/) });
    expect((await client.ask('get', `/api/critiques/${critiqueId}/exports/${second.id}/file`)).headers['content-disposition']).toContain(
      'attachment',
    );
  });

  it('is removed a day after it was asked for, row and file', async () => {
    const { body } = await coach.ask('post', `/api/critiques/${critiqueId}/exports`, { as: 'md' });
    await runDue(house, 'make-export');
    expect(await house.storage.size(exportKey(critiqueId, body.id))).toBeGreaterThan(0);
    await tidy(house, chores);
    expect(await house.storage.size(exportKey(critiqueId, body.id))).toBeGreaterThan(0);
    await house.db.exports.update({ askedAt: new Date(Date.now() - 25 * 3600_000) }, { where: { id: body.id } });
    await tidy(house, chores);
    expect([await house.storage.size(exportKey(critiqueId, body.id)), await house.db.exports.findByPk(body.id)]).toEqual([null, null]);
  });
});
