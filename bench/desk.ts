import { spawnSync } from 'node:child_process';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { Footage } from '@lean-mentor/contract';
import { blankNote } from '@lean-mentor/core/desk';
import { barcodePoints, readBarcode, writeBarcodeClip } from '@lean-mentor/demo/barcode';
import { type Caller, laptop, launch, settledFrame, signInTo, visit } from '@lean-mentor/e2e';
import type { Page } from 'puppeteer-core';
import { benchDeskCoding } from './deskCoding.ts';
import { benchDeskSaving } from './deskSaving.ts';
import { benchDeskSheet } from './deskSheet.ts';
import { installDriver } from './deskPage.ts';
import { quantile, type Figure } from './figure.ts';

const size = { width: 1280, height: 720 };
/** The long footage is a numbered clip of half a minute twenty times over. */
const loops = 20;
const loopFrames = 900;
const notes = 300;
const steps = 200;
const jumps = 60;
/** Of each kind of footage. */
const exactLooks = 500;
const glideFrames = 200;

/** The four kinds of the exactness figure, 1280 × 720 as shown. */
const kinds = [
  { kind: 'constant rate', options: {} },
  { kind: 'variable rate', options: { variableRate: true } },
  { kind: 'B-frames', options: { bFrames: 3 } },
  { kind: 'rotated', options: { rotated: true } },
] as const;

async function bring(client: Caller, file: string, question: string): Promise<Footage> {
  const bytes = await readFile(file);
  const footage = await client.openRequest(bytes.length, question);
  await client.upload(footage, [bytes]);
  if ((await client.settled(footage.id)) !== 'ready') throw new Error(`${question} was not made ready.`);
  return footage;
}

/** Ten minutes at 30 a second. */
async function bringLong(client: Caller, folder: string): Promise<Footage> {
  const [once, long] = [join(folder, 'once.mp4'), join(folder, 'long.mp4')];
  await writeBarcodeClip(once, { ...size, frames: loopFrames, sound: true });
  const { status } = spawnSync('ffmpeg', ['-v', 'error', '-y', '-stream_loop', String(loops - 1), '-i', once, '-c', 'copy', long], {
    stdio: 'inherit',
  });
  if (status !== 0) throw new Error('ffmpeg could not repeat the clip.');
  return bring(client, long, 'Ten minutes of numbered frames');
}

async function writeNotes(base: string, { requestId, id: footageId }: Footage): Promise<void> {
  const coach = await signInTo(base, 'marit');
  const all = Array.from({ length: notes }, (_, i) => {
    const id = crypto.randomUUID();
    const fromFrame = Math.floor((i * loops * loopFrames) / notes);
    const note = blankNote({ id, footageId, fromFrame, what: `The elbow leaves the ribs for the ${i}th time.` });
    return { changeId: crypto.randomUUID(), entity: 'note', id, before: null, after: note };
  });
  for (let at = 0; at < all.length; at += 150)
    await coach.ask('POST', `/api/requests/${requestId}/desk/changes`, {
      body: JSON.stringify({ changes: all.slice(at, at + 150), since: 0 }),
      headers: { 'content-type': 'application/json' },
    });
}

const openDesk = async (page: Page, base: string, { requestId }: Footage): Promise<number> => {
  const begun = performance.now();
  await page.goto(`${base}/requests/${requestId}/desk`);
  await settledFrame(page);
  const openMs = performance.now() - begun;
  await installDriver(page);
  await page.evaluate(() => window.bench.rest(2500));
  return openMs;
};

/** The stage's picture is the frame it says, after this many random steps and jumps. */
async function exactShare(page: Page): Promise<number> {
  const looks = await page.evaluate(
    async (points, count) => {
      const { bench } = window;
      const seen: { frame: number; brightness: number[] }[] = [];
      for (let i = 0; i < count; i++) {
        const dice = Math.random();
        if (dice < 0.2) await bench.jumped(0.03 + 0.94 * Math.random());
        else await bench.pressed(seen.length > 0 && seen.at(-1)!.frame > 3 && dice < 0.6 ? 'KeyA' : 'KeyD').catch(() => 0);
        seen.push(bench.look(points));
      }
      return seen;
    },
    [...barcodePoints],
    exactLooks,
  );
  return looks.filter(({ frame, brightness }) => readBarcode(brightness) === frame).length / exactLooks;
}

/** What the desk is measured on: ten minutes with notes, and one short footage of each kind. */
export async function bringAll(client: Caller, folder: string): Promise<{ long: Footage; short: Footage[] }> {
  const long = await bringLong(client, folder);
  await writeNotes(client.base, long);
  const short: Footage[] = [];
  for (const { kind, options } of kinds) {
    const file = join(folder, `${kind}.mp4`);
    await writeBarcodeClip(file, { ...size, frames: 600, ...options });
    short.push(await bring(client, file, kind));
  }
  return { long, short };
}

/** The desk in headless Chromium: opening, stepping, jumping, gliding, memory, exactness, saving, the sheet. */
export async function benchDesk(base: string, { long, short }: { long: Footage; short: readonly Footage[] }): Promise<Figure[]> {
  const browser = await launch();
  try {
    const { page } = await visit(browser, base, 'marit', '/today', laptop);
    await openDesk(page, base, short[0]!);
    const openMs = await openDesk(page, base, long);
    const press = (code: string) =>
      page.evaluate(
        async (key, count) => {
          const times: number[] = [];
          for (let i = 0; i < count; i++) {
            times.push(await window.bench.pressed(key));
            await window.bench.rest(40);
          }
          return times;
        },
        code,
        steps,
      );
    await page.evaluate(() => window.bench.jumped(0.4));
    await page.evaluate(() => window.bench.rest(3000));
    const forward = await press('KeyD');
    const back = await press('KeyA');
    const jumped = await page.evaluate(async (count) => {
      const times: number[] = [];
      for (let i = 0; i < count; i++) {
        times.push(await window.bench.jumped((i * 0.618 + 0.05) % 1));
        await window.bench.rest(400);
      }
      return times;
    }, jumps);
    await page.evaluate(() => window.bench.rest(3000));
    const decodedBytes = await page.evaluate(() =>
      Number(document.querySelector('[data-stage-state]')!.getAttribute('data-decoded-bytes')),
    );

    await page.evaluate(() => window.bench.jumped(0.2));
    await page.evaluate(() => window.bench.rest(1500));
    const glided = await page.evaluate(async (wanted) => {
      const seen: number[] = [];
      const state = document.querySelector('[data-stage-state]')!;
      const first = Number(state.getAttribute('data-frame'));
      const observer = new MutationObserver(() => seen.push(Number(state.getAttribute('data-frame'))));
      observer.observe(state, { attributes: true, attributeFilter: ['data-frame'] });
      const begun = performance.now();
      dispatchEvent(new KeyboardEvent('keydown', { code: 'KeyD' }));
      while ((seen.at(-1) ?? first) < first + wanted && performance.now() - begun < 30_000) await window.bench.rest(10);
      dispatchEvent(new KeyboardEvent('keyup', { code: 'KeyD' }));
      const seconds = (performance.now() - begun) / 1000;
      observer.disconnect();
      const missing = seen.filter((frame, i) => frame !== (i === 0 ? first : seen[i - 1]!) + 1).length;
      return { missing, frames: seen.length, seconds };
    }, glideFrames);

    const saving = await benchDeskSaving(page);
    const sheet = await benchDeskSheet(page);
    const coding = await benchDeskCoding(page);
    const exact: Figure[] = [];
    for (const [i, { kind }] of kinds.entries()) {
      await openDesk(page, base, short[i]!);
      exact.push({ figure: `exact frames, ${kind}`, value: await exactShare(page), unit: 'share', looks: exactLooks });
    }
    const latency = (figure: string, values: number[]): Figure[] =>
      [0.5, 0.95].map((share) => ({
        figure: `${figure}, p${share * 100}`,
        value: quantile(values, share),
        unit: 'ms',
        count: values.length,
      }));
    return [
      { figure: `desk open with ${notes} notes`, value: openMs, unit: 'ms' },
      ...latency('step forward', forward),
      ...latency('step back', back),
      ...latency('jump', jumped),
      { figure: 'decoded frames held', value: decodedBytes / 1e6, unit: 'MB' },
      {
        figure: 'glide, frames left out or out of order',
        value: glided.missing,
        unit: 'frames',
        of: glided.frames,
        seconds: glided.seconds,
      },
      ...exact,
      ...saving,
      ...sheet,
      ...coding,
    ];
  } finally {
    await browser.close();
  }
}
