import type { FrameTable } from '@lean-mentor/core/footage';
import {
  filmInstant,
  filmLength,
  filmRate,
  frameSeen,
  stageReader,
  type Take,
  type TakeComparison,
  type TakeEvent,
  type WholeStage,
} from '@lean-mentor/core/takes';
import { brightnessAt, readBarcode, writeBarcodeClip } from '@lean-mentor/demo/barcode';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ffmpeg, ffmpegBytes, ffprobeJson } from './ffmpeg.ts';
import { joinFilm, matrixOf, writeFilmStretch, type FilmSource } from './film.ts';
import { decodeVoice, encodeVoice, voiceRate } from './voice.ts';

let folder = '';
beforeAll(async () => void (folder = await mkdtemp(join(tmpdir(), 'lean-film-'))));
afterAll(() => rm(folder, { recursive: true, force: true }));

const [width, height] = [360, 640];
const signal = new AbortController().signal;

/** At rest, forwards, slowly, backwards over more frames than are held at once, faster, at rest; drawn on while it rests and while it runs. */
const events: TakeEvent[] = [
  { t: 0, kind: 'stage', frame: 5, rate: 0, view: { zoom: 1, x: 0, y: 0 }, mirrored: false, strokes: [], drawings: [], note: null },
  { t: 0.5, kind: 'run', frame: 5, rate: 1 },
  { t: 2, kind: 'stop', frame: 50 },
  {
    ...{ t: 2.1, kind: 'stroke', id: 's', tool: 'freehand', colour: 'partner', weight: 'bold', words: '' },
    points: Array.from({ length: 20 }, (_, i) => [0.2 + i * 0.03, 0.8, i * 25] as const),
  },
  { t: 3, kind: 'run', frame: 50, rate: 0.25 },
  { t: 4, kind: 'run', frame: 100, rate: -1 },
  { t: 6, kind: 'run', frame: 40, rate: 2 },
  { t: 6.4, kind: 'rub', id: 's' },
  { t: 6.8, kind: 'stop', frame: 88 },
];
const take: Take = { seconds: 7.5, events, cuts: [], captions: [], chapters: [] };

/** Every picture of a film: the number burnt into its footage, and how many of its lower pixels are coloured. */
async function picturesOf(file: string, filter = 'null'): Promise<{ number: number | null; coloured: number }[]> {
  const bytes = await ffmpegBytes(
    ['-i', file, '-vf', filter, '-fps_mode', 'passthrough', '-f', 'rawvideo', '-pix_fmt', 'rgb24', 'pipe:1'],
    60,
  );
  const size = width * height * 3;
  return Array.from({ length: bytes.length / size }, (_, i) => {
    const picture = bytes.subarray(i * size, (i + 1) * size);
    let coloured = 0;
    for (let byte = Math.floor(size / 2); byte < size; byte += 3) if (picture[byte]! - picture[byte + 2]! > 60) coloured += 1;
    return { number: readBarcode(brightnessAt(picture, width, height, 3)), coloured };
  });
}

describe.each([
  ['frames a thirtieth apart', false],
  ['frames as phones make them', true],
])('a film of footage with %s', (_, variableRate) => {
  let source: FilmSource;
  let file: string;
  let shown: Awaited<ReturnType<typeof picturesOf>>;
  let table: FrameTable;
  const rate = (): ReturnType<typeof filmRate> => filmRate(table);
  beforeAll(async () => {
    const clip = join(folder, `${variableRate}.mp4`);
    const { times } = await writeBarcodeClip(clip, { frames: 150, variableRate, sound: true });
    table = { times, endSeconds: times.at(-1)! + 1 / 30 };
    const size = { width, height };
    const matrix = await matrixOf(clip, 'mov', 0, size);
    source = {
      file: clip,
      demuxer: 'mov',
      videoStream: 0,
      table,
      size,
      matrix,
      compared: new Map([['f', { file: clip, table, matrix }]]),
      coach: null,
    };
    const { stageAt } = stageReader(take, table);
    const pictures = Array.from({ length: filmLength(take.seconds, rate()) }, (_one, k) => ({
      at: filmInstant(k, rate()),
      stage: stageAt(filmInstant(k, rate())),
      words: k >= 30 && k < 45 ? 'Watch this hand' : '',
    }));
    // In stretches of uneven lengths, as a film that was gone on with has them.
    const stretches: string[] = [];
    for (const [from, to] of [
      [0, 61],
      [61, 140],
      [140, pictures.length],
    ] as const) {
      stretches.push(join(folder, `${stretches.length}.mp4`));
      await writeFilmStretch(source, pictures.slice(from, to), rate(), stretches.at(-1)!, { folder, signal });
    }
    const sound = join(folder, 'clicks.m4a');
    const clicks = [1, 2.5, 5].map((at) => `between(t\\,${at}\\,${at}+0.01)`).join('+');
    await ffmpeg(['-f', 'lavfi', '-i', `aevalsrc=0.8*(${clicks}):s=${voiceRate}:d=${take.seconds}`, '-c:a', 'aac', sound], {
      processorSeconds: 60,
    });
    const captions = join(folder, 'words.srt');
    await writeFile(captions, '1\n00:00:01,000 --> 00:00:01,500\nWatch this hand\n');
    file = join(folder, `film-${variableRate}.mp4`);
    const chapters = [
      { from: 0, to: 3, title: 'Elbow; first = best #1' },
      { from: 3, to: 7.5, title: 'Hips' },
    ];
    await joinFilm({ stretches, voice: sound, captions, chapters, title: 'The grip' }, file, folder, signal);
    shown = await picturesOf(file);
  });

  it('shows with every picture the very frame that the take shows then', () => {
    const { stageAt } = stageReader(take, table);
    const numbers = shown.map(({ number }) => number);
    expect(numbers).toEqual(Array.from({ length: filmLength(take.seconds, rate()) }, (_one, k) => stageAt(filmInstant(k, rate())).frame));
  });

  it('has strokes that grow while they are spoken of, on the frames that go on below them, and none on a frame shown again later', () => {
    const coloured = shown.map((one) => one.coloured);
    const at = (seconds: number): number => coloured[Math.round((seconds * rate().pictures) / rate().per)]!;
    expect(at(2)).toBe(0);
    expect(at(2.3)).toBeGreaterThan(20);
    expect(at(2.7)).toBeGreaterThan(1.5 * at(2.3));
    expect(at(5)).toBeCloseTo(at(2.7), -2);
    expect(at(6.6)).toBeLessThan(10);
  });

  it('shows what was compared in place of its picture, each at the frame it was at, and nothing of what is not there', async () => {
    const item = { anchorFrame: 20, range: null, mirrored: false };
    const compare: TakeComparison = {
      ...{ layout: 'side', opacity: 0.5, offset: 0, rate: 0.5, span: null },
      items: [
        { ...item, footageId: 'f' },
        { ...item, footageId: 'gone' },
      ],
    };
    const compared: TakeEvent[] = [
      { ...(events[0] as WholeStage), t: 0, kind: 'stage' },
      { t: 0.5, kind: 'compare', shown: compare },
      { t: 1.5, kind: 'compare', shown: { ...compare, layout: 'over', rate: 0, items: [{ ...item, footageId: 'f' }] } },
      { t: 2, kind: 'compare', shown: null },
    ];
    const { stageAt } = stageReader({ events: compared }, table);
    const length = filmLength(2.5, rate());
    const pictures = Array.from({ length }, (_one, k) => ({
      at: filmInstant(k, rate()),
      stage: stageAt(filmInstant(k, rate())),
      words: '',
    }));
    const made = join(folder, 'compared.mp4');
    await writeFilmStretch(source, pictures, rate(), made, { folder, signal });
    const whole = await picturesOf(made);
    // Beside each other: the left half, where the first stands as large as it can.
    const left = await picturesOf(made, `crop=${width / 2}:${height / 2}:0:${height / 4},scale=${width}:${height}`);
    const right = await ffmpegBytes(
      ['-i', made, '-vf', `crop=${width / 2}:${height}:${width / 2}:0`, '-f', 'rawvideo', '-pix_fmt', 'gray', 'pipe:1'],
      60,
    );
    pictures.forEach(({ stage }, k) => {
      if (!stage.compare) expect(whole[k]!.number).toBe(stage.frame);
      else if (stage.compare.layout === 'over') expect(whole[k]!.number).toBe(20);
      else {
        expect(left[k]!.number).toBe(frameSeen(stage.compare.items[0]!, stage.compare, table));
        const picture = right.subarray((k * width * height) / 2, ((k + 1) * width * height) / 2);
        expect(Math.max(...picture)).toBeLessThan(45);
      }
    });
    expect(new Set(left.flatMap(({ number }, k) => (pictures[k]!.stage.compare?.layout === 'side' ? [number] : []))).size).toBeGreaterThan(
      10,
    );
  });

  it('runs evenly from its beginning to the end of the voice, across the stretches it was made in', async () => {
    const { packets } = (await ffprobeJson(['-select_streams', 'v', '-show_entries', 'packet=pts_time', file])) as {
      packets: { pts_time: string }[];
    };
    const times = packets.map(({ pts_time }) => Number(pts_time)).sort((a, b) => a - b);
    times.forEach((time, k) => expect(time).toBeCloseTo((k * rate().per) / rate().pictures, 3));
  });

  it('lets each click of the voice be heard where the take has it', async () => {
    const [raw, back] = [join(folder, 'back.raw'), join(folder, 'back.flac')];
    await decodeVoice('mov', file, raw, folder);
    await encodeVoice(raw, { flac: back, m4a: join(folder, 'back.m4a') }, folder);
    const samples = await ffmpegBytes(['-i', back, '-f', 's16le', 'pipe:1'], 60);
    const clicks: number[] = [];
    for (let i = 0; i < samples.length / 2; i++)
      if (Math.abs(samples.readInt16LE(i * 2)) > 8000 && i / voiceRate - (clicks.at(-1) ?? -1) > 0.1) clicks.push(i / voiceRate);
    expect(clicks).toEqual([expect.closeTo(1, 2), expect.closeTo(2.5, 2), expect.closeTo(5, 2)]);
  });

  it('carries its chapters, its title and its words for any player', async () => {
    const { chapters, format, streams } = (await ffprobeJson(['-show_chapters', '-show_format', '-show_streams', file])) as {
      chapters: { start_time: string; end_time: string; tags: { title: string } }[];
      format: { tags: { title: string } };
      streams: { codec_name: string }[];
    };
    expect(chapters.map(({ start_time, end_time, tags }) => [Number(start_time), Number(end_time), tags.title])).toEqual([
      [0, 3, 'Elbow; first = best #1'],
      [3, 7.5, 'Hips'],
    ]);
    expect(format.tags.title).toBe('The grip');
    expect(streams.map(({ codec_name }) => codec_name)).toEqual(expect.arrayContaining(['h264', 'aac', 'mov_text']));
    const words = (await ffmpegBytes(['-i', file, '-map', '0:s', '-f', 'srt', 'pipe:1'], 60)).toString();
    expect(words).toContain('00:00:01,000 --> 00:00:01,500\nWatch this hand');
  });
});
