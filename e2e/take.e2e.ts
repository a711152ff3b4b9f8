import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { demoPractice } from '@lean-mentor/demo';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { findings } from './axe.ts';
import { openDeskOf, type DeskPage } from './deskPage.ts';
import { playerFrame, seekTake } from './takePlayer.ts';
import { laptop, launch, phone, settledFrame, visit, type Visit } from './visit.ts';

const base = process.env['LEAN_E2E_URL']!;
const bram = demoPractice(new Date()).requests.find((r) => r.critique)!;
const patience = { timeout: 180_000, interval: 200 };

let browser: Browser;
let marit: DeskPage;
beforeAll(async () => {
  browser = await launch();
  marit = await openDeskOf(browser, base, 'marit', bram.id);
});
afterAll(() => browser?.close());

interface Logged {
  t: number;
  kind: string;
  frame: number;
  rate: number;
}
const ask = <T>(page: Page, path: string): Promise<T> =>
  page.evaluate(async (address) => (await fetch(address)).json() as never, `/api/requests/${bram.id}${path}`);
const recordings = (page: Page) => ask<{ id: string; state: string; seconds: number; partSeconds: number[] }[]>(page, '/takes');
const log = (page: Page, takeId: string) => ask<{ seconds: number; events: Logged[] }>(page, `/takes/${takeId}/log`);

const phase = (page: Page, wanted: string) => page.waitForSelector(`[data-speaking="${wanted}"]`, { timeout: 180_000 });
const rest = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** So little before a frame's time counts as on it, in seconds, as in the product: whatever rounds must not decide. */
const timeSlack = 0.0005;
/** The frame that the log means at an instant: the footage's own, where it runs. */
function meant(events: readonly Logged[], times: readonly number[], t: number): number {
  const last = events.findLast((event) => event.t <= t && 'frame' in event)!;
  if (!last.rate) return last.frame;
  const seconds = times[last.frame]! + (t - last.t) * last.rate;
  return Math.max(
    0,
    times.findLastIndex((one) => one <= seconds + timeSlack),
  );
}

describe('a take', () => {
  let takeId = '';

  it('is recorded over the desk with what is done meanwhile, paused by key, and put together', async () => {
    const { page } = marit;
    const shipped = new Set((await recordings(page)).map(({ id }) => id));
    await page.keyboard.press('Escape');
    await page.keyboard.press('KeyR');
    await page.waitForSelector('[aria-label="Spoken critique"]');
    await page.waitForFunction(() => !/The browser asks/.test(document.body.innerText));
    await marit.visit.choose('Whether you are seen', 'Seen, round');
    await page.waitForSelector('[aria-label="You, as you are seen"]');
    await page.keyboard.press('KeyR');
    await phase(page, 'counting');
    await phase(page, 'speaking');
    await page.keyboard.press('Space');
    await rest(1200);
    await page.keyboard.press('Space');
    await settledFrame(page);
    await page.keyboard.press('Digit1');
    await marit.drag([0.3, 0.3], [0.5, 0.5]);
    await page.keyboard.press('Escape');
    await page.keyboard.press('KeyX');
    await settledFrame(page);
    await rest(600);
    // The note that stands there becomes a chapter.
    await page.keyboard.press('KeyF');
    await page.keyboard.press('Escape');
    await rest(600);
    await page.keyboard.press('Escape');
    // Esc on the open note, then on the take: it is paused, and nothing is lost.
    await page.keyboard.press('Escape');
    await page.waitForSelector('[aria-label="Spoken critique"]');
    expect(await page.$eval('[aria-label="Spoken critique"]', (panel) => panel.textContent)).toContain('Paused at');
    await page.keyboard.press('KeyR');
    await phase(page, 'speaking');
    await page.keyboard.press('KeyA');
    await rest(500);
    // Two frames beside each other, stepped once together.
    await page.keyboard.press('KeyC');
    await page.keyboard.press('KeyD');
    await settledFrame(page);
    await page.keyboard.press('KeyC');
    await page.click('[aria-label="Compare tray, 2 in it"]');
    await page.waitForSelector('[aria-label="Compare tray"] canvas');
    await rest(700);
    await page.keyboard.press('KeyD');
    await rest(900);
    await page.keyboard.press('Escape');
    await rest(500);
    await page.keyboard.press('KeyR');
    await page.waitForSelector('[aria-label="Spoken critique"]');
    await page.keyboard.press('Escape');
    const made = async () => (await recordings(page)).find(({ id }) => !shipped.has(id));
    await vi.waitFor(async () => expect(await made()).toMatchObject({ state: 'ready' }), patience);
    const recording = await made();
    takeId = recording!.id;
    expect(recording!.partSeconds).toHaveLength(2);
    const { events, seconds } = await log(page, takeId);
    const kinds = events.map(({ kind }) => kind);
    expect(kinds[0]).toBe('stage');
    for (const kind of ['run', 'stop', 'stroke', 'drawings', 'note', 'compare']) expect(kinds, kind).toContain(kind);
    expect(events.every(({ t }, i) => t <= seconds && t >= (events[i - 1]?.t ?? 0))).toBe(true);
    // The second part begins with the whole stage, and steps one frame back.
    const again = events.findIndex(({ kind }, i) => i > 0 && kind === 'stage');
    expect(events[again]!.t).toBeCloseTo(recording!.partSeconds[0]!, 3);
    expect(events.slice(again).some(({ kind, frame }) => kind === 'show' && frame === events[again]!.frame - 1)).toBe(true);
    const take = (await marit.desk()).takes[takeId]!;
    expect(take.chapters).toHaveLength(1);
    expect(take.chapters[0]!.title).not.toBe('');
    expect(marit.visit.faults).toEqual([]);
  });

  it('is mended as a page of lines: words drafted and corrected, a line struck through, taken back', async () => {
    const mending = await visit(browser, base, 'marit', `/requests/${bram.id}/takes/${takeId}`, laptop);
    const { page } = mending;
    await mending.press('button', /^Draft the words/);
    await page.waitForSelector('[aria-label="What is said"] textarea');
    const take = async () => (await marit.desk()).takes[takeId]!;
    await vi.waitFor(async () => expect((await take()).captions.length).toBeGreaterThan(0), patience);
    await page.click('[aria-label="What is said"] textarea');
    await page.keyboard.type(' Frame here.');
    await page.keyboard.press('Enter');
    await vi.waitFor(
      async () =>
        expect((await take()).captions.some(({ words, origin }) => words.includes('Frame here.') && origin === 'typed')).toBe(true),
      patience,
    );
    await page.click('button[aria-label^="Strike through"]');
    await vi.waitFor(async () => expect((await take()).cuts).toHaveLength(1), patience);
    await mending.press('button', /^Take the last back/);
    await vi.waitFor(async () => expect((await take()).cuts).toHaveLength(0), patience);
    expect(await findings(page)).toEqual([]);
    expect(mending.faults).toEqual([]);
    await page.close();
  });

  it('is said anew from any instant of it, in the order of the ladder: a key brings the next thing and its frame', async () => {
    const { page, faults, press } = await visit(browser, base, 'marit', `/requests/${bram.id}/takes/${takeId}`, laptop);
    await page.waitForSelector('[data-take-player]');
    await seekTake(page, 1);
    const before = (await recordings(page)).find(({ id }) => id === takeId)!;
    await press('button', /^Say it anew from/);
    await page.waitForFunction(() => /What was said from 0:01 on is said anew/.test(document.body.innerText));
    await page.click('[aria-label="Spoken critique"] [type=checkbox]');
    await page.waitForSelector('[aria-label="What to say, in order"] li');
    await page.keyboard.press('KeyR');
    await phase(page, 'speaking');
    await page.waitForSelector('[aria-label="What to say, in order"] [aria-current="step"]');
    await rest(700);
    await page.keyboard.press('KeyN');
    await rest(300);
    await page.keyboard.press('KeyN');
    // The third thing is what went well: its note lies open at its frame.
    await page.waitForSelector('[aria-label="Note"] [aria-label="Kind"]');
    await settledFrame(page);
    await rest(700);
    await press('button', 'Done');
    const take = async () => (await marit.desk()).takes[takeId]!;
    await vi.waitFor(async () => expect((await recordings(page)).find(({ id }) => id === takeId)!.partSeconds).toHaveLength(3), patience);
    const { cuts, chapters } = await take();
    expect(cuts).toEqual([{ from: expect.closeTo(1, 1), to: expect.closeTo(before.seconds, 0) }]);
    expect(chapters.slice(-3).map(({ title }) => title)).toEqual(['Greeting', 'What you asked', 'What went well']);
    const { events } = await log(page, takeId);
    const good = Object.values((await marit.desk()).notes).find(({ kind }) => kind === 'good')!;
    expect(events.findLast((event) => 'frame' in event)!.frame).toBe(good.fromFrame);
    expect(faults).toEqual([]);
    await page.close();
    // What is sent below is the first recording.
    await marit.page.evaluate(
      async (request, id, taken) => {
        const { token } = await (await fetch('/api/session')).json();
        const change = { changeId: crypto.randomUUID(), entity: 'take', id, before: { cuts: taken }, after: { cuts: [] } };
        await fetch(`/api/requests/${request}/desk/changes`, {
          method: 'POST',
          headers: { 'x-lean-token': token, 'content-type': 'application/json' },
          body: JSON.stringify({ changes: [change], since: 0 }),
        });
      },
      bram.id,
      takeId,
      cuts as never,
    );
  });

  describe('sent', () => {
    let client: Visit;
    let critiqueId: string;
    beforeAll(async () => {
      critiqueId = await marit.page.evaluate(
        async (request, id) => {
          const { token } = await (await fetch('/api/session')).json();
          const headers = { 'x-lean-token': token, 'content-type': 'application/json' };
          const draft = await (await fetch(`/api/requests/${request}/critique`)).json();
          const spoken = { type: 'take', attrs: { takeId: id, from: null, to: null, title: 'Spoken over your round' } };
          const others = draft.doc.content.filter(({ type }: { type: string }) => type !== 'take');
          const doc = { type: 'doc', content: [spoken, ...others] };
          const put = (body: object) => fetch(`/api/requests/${request}/critique`, { method: 'PUT', headers, body: JSON.stringify(body) });
          const { revision } = await (await put({ doc, revision: draft.revision })).json();
          const sent = await fetch(`/api/requests/${request}/critique/send`, {
            method: 'POST',
            headers,
            body: JSON.stringify({ revision }),
          });
          return (await sent.json()).id as string;
        },
        bram.id,
        takeId,
      );
      client = await visit(browser, base, 'bram', `/critiques/${critiqueId}`, phone);
      await client.page.waitForSelector('[data-spoken="0"] [data-heard]', { timeout: 180_000 });
    });
    afterAll(async () => {
      // Other tests look at this critique as the demo has it.
      await marit.page.evaluate(async (id) => {
        const { token } = await (await fetch('/api/session')).json();
        await fetch(`/api/critiques/${id}/take-back`, { method: 'POST', headers: { 'x-lean-token': token } });
      }, critiqueId);
    });

    it('shows on the phone, at every instant that is gone to, the very frame the coach had', async () => {
      const { page } = client;
      const { events, seconds } = await log(marit.page, takeId);
      const { times } = await ask<{ times: number[] }>(page, `/../../footages/${bram.footages[0]!.id}/frames`);
      for (const t of [0.02, 0.7, 1.1, seconds * 0.4, seconds * 0.6, seconds * 0.8, seconds - 0.1]) {
        await seekTake(page, t);
        const heard = Number(await page.$eval('[data-heard]', (element) => element.getAttribute('data-heard')));
        await vi.waitFor(async () => expect(await playerFrame(page), `at ${t} s`).toBe(meant(events, times, heard)), patience);
      }
      expect(await page.$$('[data-take-player] svg path')).not.toHaveLength(0);
      expect(client.faults).toEqual([]);
    });

    it('shows what the coach laid beside each other, each at its own frame, and the picture again afterwards', async () => {
      const { page } = client;
      const compared = (await log(marit.page, takeId)).events.filter((event) => event.kind === 'compare') as unknown as {
        t: number;
        shown: { offset: number; items: { anchorFrame: number }[] } | null;
      }[];
      const last = compared.at(-1)!;
      expect([last.shown, compared.length]).toEqual([null, expect.any(Number)]);
      const frames = () => page.$$eval('[data-compared] canvas', (all) => all.map((one) => Number(one.getAttribute('data-compare-frame'))));
      await seekTake(page, last.t - 0.2);
      const anchors = compared.at(-2)!.shown!.items.map(({ anchorFrame }) => anchorFrame);
      expect(anchors[1]).toBe(anchors[0]! + 1);
      await vi.waitFor(async () => expect(await frames()).toEqual(anchors.map((anchor) => anchor + 1)), patience);
      // Drawn, not only counted: neither is a blank picture.
      const spread = () =>
        page.$$eval('[data-compared] canvas', (all) =>
          all.map((canvas) => {
            const { data } = (canvas as HTMLCanvasElement).getContext('2d')!.getImageData(0, 0, 64, 64);
            return Math.max(...data.filter((_, i) => i % 4 !== 3)) - Math.min(...data.filter((_, i) => i % 4 !== 3));
          }),
        );
      await vi.waitFor(async () => expect(Math.min(...(await spread()))).toBeGreaterThan(20), patience);
      await seekTake(page, last.t + 0.2);
      await page.waitForFunction(() => !document.querySelector('[data-compared]'));
      expect(client.faults).toEqual([]);
    });

    it('plays by a touch, the picture with the voice, and goes on where it was stopped and stepped', async () => {
      const { page } = client;
      await seekTake(page, 0);
      await page.tap('[data-take-player] button[aria-label="Listen"]');
      await page.waitForFunction(() => Number(document.querySelector('[data-heard]')!.getAttribute('data-heard')) > 1, {
        timeout: 180_000,
      });
      await page.tap('[data-take-player] button[aria-label="Pause"]');
      await page.waitForSelector('[aria-label="One picture on"]');
      await rest(500);
      // The coach is seen in the corner: what the camera saw, with their voice.
      const coach = await page.$eval('[data-take-player] video[data-coach="round"]', (element) => {
        const video = element as HTMLVideoElement;
        const context = new OffscreenCanvas(240, 240).getContext('2d')!;
        context.drawImage(video, 0, 0);
        const { data } = context.getImageData(0, 0, 240, 240);
        const seen = data.filter((_, i) => i % 4 !== 3);
        return { side: video.videoWidth, spread: Math.max(...seen.slice(0, 60_000)) - Math.min(...seen.slice(0, 60_000)) };
      });
      expect(coach).toEqual({ side: 240, spread: expect.any(Number) });
      expect(coach.spread).toBeGreaterThan(60);
      const at = await playerFrame(page);
      // The sheet's playhead has moved along, and goes on with every step.
      const line = () => page.$eval('[aria-label="The round"] [data-playhead]', (path) => path.getAttribute('transform'));
      const before = await line();
      expect(before).not.toBeNull();
      await page.tap('[aria-label="One picture on"]');
      await vi.waitFor(async () => expect(await playerFrame(page)).toBe(at + 1), patience);
      await vi.waitFor(async () => expect(await line()).not.toBe(before), patience);
      expect(await findings(page)).toEqual([]);
    });

    it('follows the voice about, and says so, where a browser does not decode frames by itself; what rests is exact', async () => {
      const { page, faults } = await visit(browser, base, 'bram', '/', phone);
      await page.evaluateOnNewDocument('delete window.VideoDecoder');
      await page.goto(`${base}/critiques/${critiqueId}`);
      await page.waitForSelector('[data-take-player] video', { timeout: 180_000 });
      await page.waitForFunction(() => /picture follows the voice about to a tenth of a second/.test(document.body.innerText));
      const { events, seconds } = await log(marit.page, takeId);
      const { times } = await ask<{ times: number[] }>(page, `/../../footages/${bram.footages[0]!.id}/frames`);
      await seekTake(page, seconds - 0.1);
      const frame = meant(events, times, seconds - 0.1);
      await vi.waitFor(async () => {
        const now = await page.$eval('[data-take-player] video', (video) => (video as HTMLVideoElement).currentTime);
        expect(times.findLastIndex((at) => at <= now + 1e-3)).toBe(frame);
      }, patience);
      expect(faults).toEqual([]);
      await page.close();
    });

    it('is kept on the phone as a film, its size said before, and seen there without a network; signing out takes it off', async () => {
      const { page, press, faults } = await visit(browser, base, 'bram', `/critiques/${critiqueId}`, phone);
      await page.waitForSelector('[data-spoken="0"] summary');
      await page.evaluate(() => {
        const boxes = [...document.querySelectorAll('[data-spoken="0"] summary')] as HTMLElement[];
        const box = boxes.find((one) => one.innerText.startsWith('As a film'))!;
        box.click();
        // Away from the ways at the foot of the phone, which would take the press.
        box.scrollIntoView({ block: 'start' });
      });
      await press('button', 'Make the film');
      await page.waitForSelector('[data-film="ready"]', { timeout: 180_000 });
      await press('button', /^Keep it on this phone, \d+(\.\d+)? [kM]B$/);
      await page.waitForFunction(() => /It is on this phone/.test(document.body.innerText), { timeout: 180_000 });
      // All of the page has come too, for where there is no network.
      await page.evaluate(async () => void (await navigator.serviceWorker.ready));
      await page.setOfflineMode(true);
      await page.goto(`${base}/kept`);
      const video = await page.waitForSelector('[data-kept] video');
      await video!.evaluate(async (element) => {
        const film = element as HTMLVideoElement;
        film.muted = true;
        await film.play();
      });
      await page.waitForFunction(() => document.querySelector('video')!.currentTime > 0.5, { timeout: 180_000 });
      expect(await findings(page)).toEqual([]);
      // Whatever else is opened says that nothing can be reached, and shows the way there.
      await page.goto(`${base}/mine`);
      await page.waitForFunction(() => /See what is kept on this phone \(1\)/.test(document.body.innerText));
      await page.setOfflineMode(false);
      await page.goto(`${base}/mine`);
      await page.waitForFunction(() => /On this phone/.test(document.body.innerText));
      await press('button', 'Sign out');
      await page.waitForFunction(() => /Sign in/.test(document.body.innerText));
      await page.goto(`${base}/kept`);
      await page.waitForFunction(() => /Nothing is kept here/.test(document.body.innerText));
      expect(faults.filter((fault) => !/ERR_INTERNET_DISCONNECTED|Failed to fetch/.test(fault))).toEqual([]);
      await page.close();
    });

    it('is stopped to ask about that very instant, and nothing is asked by whoever thinks better of it', async () => {
      const { page } = client;
      await seekTake(page, 1);
      await page.tap('[data-take-player] button[aria-label="Listen"]');
      await page.waitForFunction(() => Number(document.querySelector('[data-heard]')!.getAttribute('data-heard')) > 2, {
        timeout: 180_000,
      });
      // Not under the bar at the foot of the page.
      await (await page.waitForSelector('::-p-aria([name="Stop here and ask"][role="button"])'))!.evaluate((one) =>
        one.scrollIntoView({ block: 'center' }),
      );
      await client.press('button', 'Stop here and ask');
      await page.waitForSelector('[aria-label="Your question"]');
      expect(await page.$eval('[data-take-player] video[data-coach]', (voice) => (voice as HTMLVideoElement).paused)).toBe(true);
      expect(await page.$eval('[aria-label^="Questions about"]', (section) => section.textContent)).toMatch(/About 0:0[2-4] of it:/);
      // From below the bar at the foot of the page to where a thumb finds it.
      await page.$eval('[aria-label="Your question"]', (field) => field.scrollIntoView({ block: 'start' }));
      // What is asked stays, and this critique is looked at by others: sending it is tested on the server.
      await client.press('button', 'Not now');
      await page.waitForSelector('[aria-label="Your question"]', { hidden: true });
      expect(client.faults).toEqual([]);
    });
  });
});

describe('a browser that is killed while a take is spoken', () => {
  it('loses its last seconds at most: at the next visit it is put together, and can be gone on with', async () => {
    const before = new Set((await recordings(marit.page)).map(({ id }) => id));
    const ours = async (page: Page) => (await recordings(page)).find(({ id }) => !before.has(id));
    const folder = await mkdtemp(join(tmpdir(), 'lean-e2e-take-'));
    try {
      const killed = await launch(folder);
      const { page } = await openDeskOf(killed, base, 'marit', bram.id, { sameProfile: true });
      await page.keyboard.press('Escape');
      await page.keyboard.press('KeyR');
      await page.waitForFunction(() => /Everything on the desk works/.test(document.body.innerText));
      await page.keyboard.press('KeyR');
      await phase(page, 'speaking');
      await page.keyboard.press('KeyD');
      await page.waitForFunction(() => /0:0[7-9]/.test(document.querySelector('[aria-label="Spoken so far"]')!.textContent!), {
        timeout: 180_000,
      });
      killed.process()!.kill('SIGKILL');

      const next = await launch(folder);
      const again = await openDeskOf(next, base, 'marit', bram.id, { sameProfile: true });
      await vi.waitFor(async () => expect(await ours(again.page)).toMatchObject({ state: 'ready' }), { timeout: 180_000, interval: 500 });
      const first = (await ours(again.page))!;
      expect(first.seconds).toBeGreaterThan(4.5);
      const { events } = await log(again.page, first.id);
      expect(events.map(({ kind }) => kind)).toContain('show');
      await again.page.keyboard.press('Escape');
      await again.page.keyboard.press('KeyR');
      const row = await again.page.waitForSelector(`[data-take="${first.id}"] button::-p-text(Go on with it)`, { timeout: 180_000 });
      await row!.click();
      await again.page.waitForFunction(() => /Paused at/.test(document.body.innerText));
      await again.page.keyboard.press('KeyR');
      await phase(again.page, 'speaking');
      // By the sound's own clock: on a busy machine it begins late and runs behind.
      await again.page.waitForFunction(
        (seconds) => {
          const [minutes, rest] = document.querySelector('[aria-label="Spoken so far"]')!.textContent!.split(':').map(Number);
          return minutes! * 60 + rest! >= seconds;
        },
        { timeout: 180_000 },
        Math.ceil(first.seconds) + 2,
      );
      await again.page.keyboard.press('KeyR');
      await again.page.waitForSelector('[aria-label="Spoken critique"]');
      await again.page.keyboard.press('Escape');
      await vi.waitFor(async () => expect((await ours(again.page))!.partSeconds).toHaveLength(2), { timeout: 180_000, interval: 500 });
      expect((await ours(again.page))!.seconds).toBeGreaterThan(first.seconds + 1);
      expect(again.visit.faults).toEqual([]);
      await next.close();
    } finally {
      await rm(folder, { recursive: true, force: true, maxRetries: 10, retryDelay: 200 });
    }
  });
});
