import { execFileSync } from 'node:child_process';
import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Footage } from '@lean-mentor/contract';
import { writeBarcodeClip } from '@lean-mentor/demo/barcode';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { signInTo } from './caller.ts';
import { frameOnStage, laptop, launch, settledFrame, visit, type Visit } from './visit.ts';

const base = process.env['LEAN_E2E_URL']!;
/** The film is this many numbered frames again and again. */
const numbered = 300;
/** Making it ready takes about so long here, in seconds: longer than waiting for the whole is worth. */
const makingSeconds = 24;

let browser: Browser;
let folder: string;
let film: Buffer;
let frames: number;
beforeAll(async () => {
  browser = await launch();
  folder = await mkdtemp(join(tmpdir(), 'lean-e2e-there-'));
  const [once, long] = [join(folder, 'once.mp4'), join(folder, 'long.mp4')];
  await writeBarcodeClip(once, { width: 1280, height: 720, frames: numbered, sound: true });
  const ffmpeg = (...args: string[]): void => void execFileSync('ffmpeg', ['-v', 'error', '-y', ...args]);
  const begun = performance.now();
  ffmpeg('-i', once, '-c:v', 'libx264', '-preset', 'superfast', '-tune', 'fastdecode', '-g', '12', '-bf', '0', '-f', 'null', '-');
  const loops = Math.ceil(makingSeconds / ((performance.now() - begun) / 1000));
  ffmpeg('-stream_loop', String(loops - 1), '-i', once, '-c', 'copy', long);
  film = await readFile(long);
  frames = loops * numbered;
});
afterAll(async () => {
  await browser?.close();
  await rm(folder, { recursive: true, force: true });
});

const soFar = (page: Page): Promise<number | null> =>
  page.evaluate(() => Number(document.querySelector('[data-so-far]')?.getAttribute('data-so-far') ?? NaN) || null);

describe('a long film on the desk of a coach who waits for it', () => {
  let marit: Visit;
  let footage: Footage;
  /** The stage shows the frame it says. */
  async function exact(): Promise<number> {
    const frame = await settledFrame(marit.page);
    expect(await frameOnStage(marit.page)).toBe(frame % numbered);
    return frame;
  }

  beforeAll(async () => {
    const wen = await signInTo(base, 'wen');
    footage = await wen.openRequest(film.length, 'What do I do when he stands up?');
    marit = await visit(browser, base, 'marit', `/requests/${footage.requestId}/desk`, laptop);
    await marit.sees('footage is not ready yet');
    await wen.upload(footage, [film]);
  });

  it('opens by itself on what is there, with exact frames', async () => {
    const { page } = marit;
    await page.waitForSelector('[data-stage]', { timeout: 180_000 });
    await settledFrame(page);
    expect(await soFar(page)).toBeLessThan((frames / 30) * 0.9);
    for (let step = 0; step < 25; step++) await page.keyboard.press('KeyD');
    expect(await exact()).toBe(25);
    await page.evaluate(() => document.querySelector('[data-stage]')!.setAttribute('data-as-opened', ''));
  });

  it('takes a mark, and plays to the end of what is there and on when more has come', async () => {
    const { page } = marit;
    await page.keyboard.press('KeyE');
    const there = (await soFar(page))!;
    const sheet = (await (await page.waitForSelector('[aria-label="Round sheet"]'))!.boundingBox())!;
    // Below what is there is its last frame.
    await page.mouse.click(sheet.x + 110, sheet.y + sheet.height - 12);
    const last = await exact();
    expect(last / 30).toBeGreaterThan(there - 1);
    await page.keyboard.press('Space');
    await page.waitForFunction(
      (before) => Number(document.querySelector('[data-stage-state]')!.getAttribute('data-frame')) > before,
      { timeout: 180_000 },
      last,
    );
    await page.keyboard.press('Space');
    expect(await exact()).toBeGreaterThan(last);
  });

  it('becomes whole under the hand: the desk stays open, on the same frame, and what was marked stands where it stood', async () => {
    const { page } = marit;
    for (let step = 0; step < 7; step++) await page.keyboard.press('KeyA');
    const frame = await exact();
    await page.waitForFunction(() => !document.querySelector('[data-so-far]'), { timeout: 180_000 });
    expect(await exact()).toBe(frame);
    expect(await page.$('[data-as-opened]')).not.toBeNull();
    const desk = await page.evaluate(
      async (id) =>
        (await (await fetch(`/api/requests/${id}/desk`)).json()) as {
          document: { marks: Record<string, { atFrame: number }> };
          request: { footages: Footage[] };
        },
      footage.requestId,
    );
    expect(Object.values(desk.document.marks).map(({ atFrame }) => atFrame)).toEqual([25]);
    expect(desk.request.footages[0]).toMatchObject({ state: 'ready', frameCount: frames, soFar: null });
    // What was found with the rest is there too: the bout, and all frames.
    const sheet = (await (await page.waitForSelector('[aria-label="Round sheet"]'))!.boundingBox())!;
    await page.mouse.click(sheet.x + 110, sheet.y + sheet.height - 12);
    expect(await exact()).toBeGreaterThan(frames - 60);
    expect(marit.faults).toEqual([]);
  });
});
