import { execFileSync } from 'node:child_process';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { demoPractice } from '@lean-mentor/demo';
import type { Browser } from 'puppeteer-core';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { findings } from './axe.ts';
import { fetchBytes } from './critiqueSteps.ts';
import { playerFrame, seekTake } from './takePlayer.ts';
import { laptop, launch, visit, type Visit } from './visit.ts';

const base = process.env['LEAN_E2E_URL']!;
const bram = demoPractice(new Date()).requests.find((r) => r.critique)!;
const footageId = bram.footages[0]!.id;
const takeId = crypto.randomUUID();

let browser: Browser;
let marit: Visit;
let folder: string;
beforeAll(async () => {
  [browser, folder] = await Promise.all([launch(), mkdtemp(join(tmpdir(), 'lean-e2e-film-'))]);
  marit = await visit(browser, base, 'marit', '/today', laptop);
  await speak();
});
afterAll(async () => {
  await marit?.page.evaluate(
    async (request, id, of) => {
      const { token } = await (await fetch('/api/session')).json();
      const gone = { changeId: crypto.randomUUID(), entity: 'take', id, before: { id, footageId: of }, after: null };
      const body = JSON.stringify({ changes: [gone], since: 0 });
      const headers = { 'x-lean-token': token, 'content-type': 'application/json' };
      await fetch(`/api/requests/${request}/desk/changes`, { method: 'POST', headers, body });
    },
    bram.id,
    takeId,
    footageId,
  );
  await browser?.close();
  await rm(folder, { recursive: true, force: true });
});

const stroke = (id: string, tool: string, points: number[][]) => ({
  ...{ kind: 'stroke', id, tool, colour: 'partner', weight: 'bold', words: '', points },
});
/** At rest, drawn on, enlarged by hand, run, mirrored, run backwards. Begins between two pictures where it runs, as hands do. */
const events: object[] = [
  { t: 0, kind: 'stage', frame: 392, rate: 0, view: { zoom: 1, x: 0, y: 0 }, mirrored: false, strokes: [], drawings: [], note: null },
  { t: 0.35, ...stroke('ring', 'ring', [[0.36, 0.42, 0], [0.48, 0.63, 600]]) }, // prettier-ignore
  {
    t: 1.15,
    ...stroke(
      'hand',
      'freehand',
      Array.from({ length: 25 }, (_, i) => [0.5 + i * 0.01, 0.4 + (i % 5) * 0.02, i * 30]),
    ),
  },
  ...Array.from({ length: 20 }, (_, i) => ({ t: 2 + i * 0.05, kind: 'view', zoom: 1 + i * 0.02, x: i * 0.005, y: i * 0.004 })),
  { t: 3.185, kind: 'run', frame: 392, rate: 1 },
  { t: 4.3, kind: 'mirror', on: true },
  { t: 4.6, kind: 'rub', id: 'hand' },
  { t: 5.02, kind: 'run', frame: 447, rate: -1 },
  { t: 6.3, kind: 'stop', frame: 410 },
  { t: 6.4, kind: 'view', zoom: 1, x: 0, y: 0 },
  { t: 6.4, kind: 'mirror', on: false },
];
const seconds = 7;

/** A take on Bram's desk, as a browser would have sent it. */
async function speak(): Promise<void> {
  const voice = join(folder, 'voice.webm');
  const shipped = new URL('../demo/voice/bram-take.webm', import.meta.url).pathname;
  execFileSync('ffmpeg', ['-v', 'error', '-nostdin', '-i', shipped, '-t', String(seconds), '-c', 'copy', voice]);
  const piece = { type: 'audio/webm', voice: (await readFile(voice)).toString('base64'), events };
  await marit.page.evaluate(
    async (request, id, of, said) => {
      const { token } = await (await fetch('/api/session')).json();
      const send = async (method: string, path: string, body: object): Promise<void> => {
        const headers = { 'x-lean-token': token, 'content-type': 'application/json' };
        const answer = await fetch(`/api/requests/${request}${path}`, { method, headers, body: JSON.stringify(body) });
        if (!answer.ok) throw new Error(`${path}: ${await answer.text()}`);
      };
      const after = { id, footageId: of, title: 'The film', captions: [{ from: 1, to: 2, words: 'Here.', origin: 'typed' }] };
      await send('POST', '/desk/changes', {
        changes: [{ changeId: crypto.randomUUID(), entity: 'take', id, before: null, after }],
        since: 0,
      });
      await send('PUT', `/takes/${id}/parts/0/pieces/0`, said);
      await send('POST', `/takes/${id}/finish`, { pieces: [1] });
    },
    bram.id,
    takeId,
    footageId,
    piece,
  );
}

const size = { width: 320, height: 180 };
type Picture = Uint8Array;
const small = (picture: Buffer): Promise<Picture> =>
  sharp(picture)
    .removeAlpha()
    .resize({ ...size, fit: 'fill' })
    .blur(1)
    .raw()
    .toBuffer();

/** How far two pictures are apart: on average, of 255, and the share of their pixels that are clearly not the same. */
function apart(one: Picture, other: Picture): { mean: number; clearly: number } {
  const off = one.map((value, i) => Math.abs(value - other[i]!));
  return { mean: off.reduce((a, b) => a + b, 0) / off.length, clearly: off.filter((v) => v > 48).length / off.length };
}

describe('a film', () => {
  it('is asked for where a take is mended, says how far it is, and shows at fifty instants what the player shows', async () => {
    const { page } = marit;
    await page.goto(`${base}/requests/${bram.id}/takes/${takeId}`);
    // First its footage is made ready, which the page waits for.
    await page.waitForSelector('[data-take-player] [data-heard]', { timeout: 180_000 });
    await page.click('summary');
    await marit.press('button', 'Make the film');
    await page.waitForSelector('[data-film="ready"]', { timeout: 180_000 });
    expect(await findings(page)).toEqual([]);
    const address = await page.$eval('[data-film] a', (link) => (link as HTMLAnchorElement).pathname);
    const file = join(folder, 'film.mp4');
    await writeFile(file, await fetchBytes(marit, address));
    execFileSync('ffmpeg', ['-v', 'error', '-nostdin', '-i', file, '-fps_mode', 'passthrough', join(folder, '%d.png')]);

    // What lies over the picture while it is stopped is not part of it.
    await page.addStyleTag({ content: '[aria-label="Listen, from the picture"] { display: none !important }' });
    const stage = (await page.$('[data-take-player] .bg-stage'))!;
    const instants = Array.from({ length: 50 }, (_, i) => Math.round((0.1 + i * 0.136) * 10) / 10);
    let last: Picture | null = null;
    let unlike = 0;
    for (const t of instants) {
      await seekTake(page, t);
      await page.waitForFunction(
        (to) => Math.abs(Number(document.querySelector('[data-heard]')!.getAttribute('data-heard')) - to) < 0.01,
        {},
        t,
      );
      let before = -1;
      for (let now = await playerFrame(page); now !== before; now = await playerFrame(page)) {
        before = now;
        await new Promise((resolve) => setTimeout(resolve, 120));
      }
      const [player, film] = await Promise.all([
        small(Buffer.from(await stage.screenshot())),
        small(await readFile(join(folder, `${Math.round(t * 30) + 1}.png`))),
      ]);
      const { mean, clearly } = apart(player, film);
      expect([mean < 4, clearly < 0.005], `at ${t} s: ${mean.toFixed(1)} of 255, ${(clearly * 100).toFixed(1)} %`).toEqual([true, true]);
      if (last && apart(player, last).clearly > 0.01) unlike += 1;
      last = film;
    }
    // The same look would tell pictures of two instants apart: there is something to be seen.
    expect(unlike).toBeGreaterThan(10);
    expect(marit.faults).toEqual([]);
  });
});
