import type { FrameTable } from '@lean-mentor/core/footage';
import { captionTexts, stageReader, wordsToAlign, type Take, type TakeEvent } from '@lean-mentor/core/takes';
import { bramVoice, demoPractice } from '@lean-mentor/demo';
import { type Caller, laptop, launch, phone, signInTo, visit } from '@lean-mentor/e2e';
import { randomUUID } from 'node:crypto';
import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import { alignerRate, alignerWords, alignWords } from '../server/media/aligner.ts';
import { installDriver } from './deskPage.ts';
import { quantile, say, type Figure } from './figure.ts';
import { runFfmpeg } from './madeFootage.ts';
import { benchVoiceAgainstEvents } from './voiceAgainstEvents.ts';

/** The demo's take, spoken so many times over, is ten minutes long. */
const loops = 7;
const seeks = 40;
const stepsMeasured = 100;
/** Seconds of playing that are watched. */
const watched = 20;

const base = process.env['LEAN_BENCH_URL']!;
const bram = demoPractice(new Date()).requests.find(({ critique }) => critique)!;
const [recording] = bram.recordings;

/** The demo's voice again and again, as one file. */
function longVoice(folder: string, name: string, ...as: string[]): string {
  const file = join(folder, name);
  runFfmpeg('-stream_loop', String(loops - 1), '-i', bramVoice.file, ...as, file);
  return file;
}

/** Ten minutes of text laid to ten minutes of voice. */
async function benchAlignment(folder: string): Promise<Figure[]> {
  longVoice(folder, 'long.raw', '-f', 's16le', '-ar', String(alignerRate), '-ac', '1');
  const known = (await alignerWords())!;
  const lines = captionTexts(
    Array<string>(loops)
      .fill(bramVoice.lines.map(({ say: said }) => said).join(' '))
      .join(' '),
  );
  const asked = wordsToAlign(lines, (word) => known.has(word));
  const begun = performance.now();
  const found = await alignWords(
    join(folder, 'long.raw'),
    asked.map(({ word }) => word),
    folder,
  );
  const seconds = (performance.now() - begun) / 1000;
  return [{ figure: 'captions of a ten-minute take aligned', value: seconds, unit: 's', words: found?.length ?? 0 }];
}

/** The demo's log again and again; each time begins with the whole stage. */
const longEvents = (): TakeEvent[] =>
  Array.from({ length: loops }, (_, i) =>
    (recording!.events as TakeEvent[]).map((event) => ({ ...event, t: event.t + i * recording!.seconds })),
  ).flat();

/** Puts a take of ten minutes onto the desk as a browser does. Answers its id. */
async function bringLongTake(coach: Caller, folder: string): Promise<string> {
  const id = randomUUID();
  const json = (body: unknown) => ({ body: JSON.stringify(body), headers: { 'content-type': 'application/json' } });
  const [shipped] = Object.values(bram.document!.takes);
  const take = { ...shipped!, id, title: 'Ten minutes' };
  const change = { changeId: randomUUID(), entity: 'take', id, before: null, after: take };
  await coach.ask('POST', `/api/requests/${bram.id}/desk/changes`, json({ changes: [change], since: 0 }));
  const voice = await readFile(longVoice(folder, 'long.webm', '-c:a', 'libopus', '-b:a', '24k'));
  const path = `/api/requests/${bram.id}/takes`;
  const most = 900_000;
  const pieces = Array.from({ length: Math.ceil(voice.length / most) }, (_, i) => voice.subarray(i * most, (i + 1) * most));
  for (const [i, piece] of pieces.entries()) {
    const body = { type: 'audio/webm', voice: piece.toString('base64'), events: i === 0 ? longEvents() : [] };
    await coach.ask('PUT', `${path}/${id}/parts/0/pieces/${i}`, json(body));
  }
  await coach.ask('POST', `${path}/${id}/finish`, json({ pieces: [pieces.length] }));
  for (;;) {
    const made = ((await (await coach.ask('GET', path)).json()) as { id: string; state: string }[]).find((one) => one.id === id);
    if (made?.state === 'ready') return id;
    await new Promise((resolve) => setTimeout(resolve, 500));
  }
}

const painted = '[data-take-player] canvas[data-frame]';
const press = '[data-take-player] button[aria-label="Listen"]';

interface Look {
  now: number;
  heard: number;
  frame: number;
}

/** What the player paints with every picture of the screen, and where its sound is then. */
const watch = (page: Page): Promise<Look[]> =>
  page.evaluate(
    (seconds) =>
      new Promise<Look[]>((resolve) => {
        const audio = document.querySelector<HTMLAudioElement>('[data-take-player] audio')!;
        const canvas = document.querySelector<HTMLCanvasElement>('[data-take-player] canvas')!;
        const looks: Look[] = [];
        const each = (): void => {
          looks.push({ now: performance.now() / 1000, heard: audio.currentTime, frame: Number(canvas.dataset['frame']) });
          if (looks.at(-1)!.now - looks[0]!.now < seconds) requestAnimationFrame(each);
          else resolve(looks);
        };
        requestAnimationFrame(each);
      }),
    watched,
  );

/**
 * How far each picture is from the sound, in ms: 0 within the time for which its frame is meant, else to its nearer end. The sound's own clock
 * moves in steps; evenly it runs from where half of the looks see it earlier, half later.
 */
function apartFrom(looks: readonly Look[], { stageAt }: ReturnType<typeof stageReader>): { apart: number[]; leftOut: number } {
  const offset = quantile(
    looks.map(({ heard, now }) => heard - now),
    0.5,
  );
  const step = 0.001;
  const most = 0.2;
  // What rests is right whenever it is looked at.
  const moving = looks.filter(({ now }) => stageAt(now + offset - 0.05).frame !== stageAt(now + offset + 0.05).frame);
  const apart = moving.map(({ now, frame }) => {
    for (let by = 0; by <= most; by += step)
      if (stageAt(now + offset - by).frame === frame || stageAt(now + offset + by).frame === frame) return by * 1000;
    return most * 1000;
  });
  const seen = new Set(looks.map(({ frame }) => frame));
  const meant = new Set(looks.map(({ now }) => stageAt(now + offset).frame));
  return { apart, leftOut: [...meant].filter((frame) => !seen.has(frame)).length };
}

async function benchPlaying(browser: Browser, takeId: string, table: FrameTable, take: Take): Promise<Figure[]> {
  const path = `/requests/${bram.id}/takes/${takeId}`;
  const { page } = await visit(browser, base, 'marit', '/today', laptop);
  // The loader of this bench keeps the names of functions by a helper that the page does not have.
  await page.evaluateOnNewDocument('globalThis.__name = (f) => f');
  const begun = performance.now();
  await page.goto(`${base}${path}`);
  await page.waitForSelector(painted, { timeout: 60_000 });
  const opened = (performance.now() - begun) / 1000;
  const reader = stageReader(take, table);
  await page.click(press);
  await page.waitForFunction(() => document.querySelector('audio')!.currentTime > 0.5);
  const { apart, leftOut } = apartFrom(await watch(page), reader);
  await page.click('[data-take-player] button[aria-label="Pause"]');
  const waits: number[] = [];
  for (let i = 0; i < seeks; i++) {
    const to = Math.round(((i * 0.618) % 1) * take.seconds * 10) / 10;
    const wait = await page.evaluate(seekAndWait, to, reader.stageAt(to).frame);
    if (wait !== null) waits.push(wait);
  }
  await page.close();
  return [
    { figure: 'ten-minute take opened, to its first picture', value: opened, unit: 's' },
    { figure: 'picture to voice, p95', value: quantile(apart, 0.95), unit: 'ms', looks: apart.length, leftOut },
    { figure: 'seek in a take, p95', value: quantile(waits, 0.95), unit: 'ms', p50: Math.round(quantile(waits, 0.5)), seeks: waits.length },
  ];
}

/** Goes to an instant; milliseconds until its frame is painted, null where that was painted before. */
function seekAndWait(to: number, frame: number): Promise<number | null> {
  const canvas = document.querySelector<HTMLCanvasElement>('[data-take-player] canvas')!;
  const input = document.querySelector<HTMLInputElement>('[data-take-player] input[type=range]')!;
  if (canvas.dataset['frame'] === String(frame)) return Promise.resolve(null);
  const begun = performance.now();
  Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!.call(input, String(to));
  input.dispatchEvent(new Event('input', { bubbles: true }));
  return new Promise((resolve) => {
    const look = (): void => {
      if (canvas.dataset['frame'] === String(frame)) resolve(performance.now() - begun);
      else if (performance.now() - begun > 5000) resolve(5000);
      else requestAnimationFrame(look);
    };
    look();
  });
}

/** What speaking adds to a step on the desk, and to a glide: the same keys before and while a take is recorded. */
async function benchRecording(browser: Browser): Promise<Figure[]> {
  const { page } = await visit(browser, base, 'marit', `/requests/${bram.id}/desk`, laptop);
  await page.waitForSelector('[data-stage]', { timeout: 60_000 });
  await installDriver(page);
  await page.evaluate(() => window.bench.settled());
  const steps = (): Promise<number[]> =>
    page.evaluate(async (many) => {
      const took: number[] = [];
      for (let i = 0; i < many; i++) took.push(await window.bench.pressed('KeyD'));
      return took;
    }, stepsMeasured);
  // Once over the same frames, so that both find them decoded.
  const back = (): Promise<unknown> =>
    page.evaluate(async (many) => {
      for (let i = 0; i < many; i++) await window.bench.pressed('KeyA');
    }, stepsMeasured);
  await steps();
  await back();
  const silent = quantile(await steps(), 0.95);
  await back();
  await page.keyboard.press('KeyR');
  await page.waitForFunction(() => /Everything on the desk works/.test(document.body.innerText));
  await page.keyboard.press('KeyR');
  await page.waitForSelector('[data-speaking="speaking"]');
  const speaking = quantile(await steps(), 0.95);
  await page.keyboard.press('KeyR');
  await page.close();
  return [
    {
      figure: 'what recording adds to a step, p95',
      value: speaking - silent,
      unit: 'ms',
      silent: round(silent),
      speaking: round(speaking),
    },
  ];
}
const round = (value: number): number => Math.round(value * 10) / 10;

/** A phone that is four times slower, with 10 Mbit a second, opens the critique: until its picture, and until its sound after a touch. */
async function benchPhone(browser: Browser, coach: Caller): Promise<Figure[]> {
  const { page } = await visit(browser, base, 'bram', '/', phone);
  const { critiqueId } = (await (await coach.ask('GET', `/api/requests/${bram.id}/critique`)).json()) as { critiqueId: string };
  await page.emulateCPUThrottling(4);
  const bytes = 10e6 / 8;
  await page.emulateNetworkConditions({ download: bytes, upload: bytes, latency: 40 });
  const begun = performance.now();
  await page.goto(`${base}/critiques/${critiqueId}`);
  await page.waitForSelector(painted, { timeout: 60_000 });
  const opened = (performance.now() - begun) / 1000;
  const touched = performance.now();
  await page.tap(press);
  await page.waitForFunction(
    () => document.querySelector('[data-take-player] audio') && document.querySelector('audio')!.currentTime > 0.02,
  );
  const sound = (performance.now() - touched) / 1000;
  await page.close();
  return [
    { figure: 'take on a slow phone, page opened to first picture', value: opened, unit: 's' },
    { figure: 'take on a slow phone, touch to sound', value: sound, unit: 's' },
  ];
}

const folder = await mkdtemp(join(tmpdir(), 'lean-bench-takes-'));
const browser = await launch();
try {
  for (const figure of await benchAlignment(folder)) say(figure);
  const kilobytes = JSON.stringify(recording!.events).length / 1000;
  say({ figure: 'log of a take', value: kilobytes / (recording!.seconds / 60), unit: 'kB/min' });
  const coach = await signInTo(base, 'marit');
  await coach.quiet();
  const takeId = await bringLongTake(coach, folder);
  const log = (await (await coach.ask('GET', `/api/requests/${bram.id}/takes/${takeId}/log`)).json()) as Pick<Take, 'seconds' | 'events'>;
  const table = (await (await coach.ask('GET', `/api/footages/${bram.footages[0]!.id}/frames`)).json()) as FrameTable;
  for (const figure of await benchPlaying(browser, takeId, table, { ...log, cuts: [], captions: [], chapters: [] })) say(figure);
  for (const figure of await benchRecording(browser)) say(figure);
  for (const figure of await benchPhone(browser, coach)) say(figure);
  for (const figure of await benchVoiceAgainstEvents(base, coach, bram.id, folder)) say(figure);
} finally {
  await browser.close();
  await rm(folder, { recursive: true, force: true });
}
