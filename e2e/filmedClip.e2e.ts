import { demoPractice } from '@lean-mentor/demo';
import type { Browser } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { openDeskOf } from './deskPage.ts';
import { launch, settledFrame } from './visit.ts';

const base = process.env['LEAN_E2E_URL']!;
const bram = demoPractice(new Date()).requests.find((r) => r.critique)!;
const patience = { timeout: 180_000, interval: 200 };

let browser: Browser;
beforeAll(async () => {
  browser = await launch();
});
afterAll(() => browser?.close());

describe('a demonstration', () => {
  it('is filmed at the desk with the machine’s own camera, looked at, and kept as a clip of the book that the note shows', async () => {
    const desk = await openDeskOf(browser, base, 'marit', bram.id);
    const { page } = desk;
    await page.keyboard.press('KeyX');
    await settledFrame(page);
    await page.keyboard.press('KeyF');
    await page.keyboard.press('Escape');
    await desk.visit.press('button', /^Add a clip/);
    await desk.visit.press('button', 'Film one now');
    await desk.visit.press('button', 'Film');
    await page.waitForFunction(() => /Begins in \d/.test(document.body.innerText));
    await page.waitForFunction(() => /Filming, 0:0[2-9]/.test(document.body.innerText));
    await desk.visit.press('button', 'Stop');
    await page.waitForSelector('video[aria-label="What was filmed"]');
    await desk.visit.press('button', 'Keep it');
    const clips = () =>
      page.evaluate(
        async () => (await (await fetch('/api/clips')).json()).clips as { id: string; title: string; state: string; seconds: number }[],
      );
    const filmed = async () => (await clips()).find(({ title }) => title.startsWith('Filmed '));
    await vi.waitFor(async () => expect(await filmed()).toMatchObject({ state: 'ready' }), patience);
    const clip = (await filmed())!;
    expect(clip.seconds).toBeGreaterThan(1.5);
    await vi.waitFor(
      async () => expect(Object.values((await desk.desk()).notes).some(({ clipId }) => clipId === clip.id)).toBe(true),
      patience,
    );
    expect(desk.visit.faults).toEqual([]);
    // Other tests look at an empty shelf.
    await page.evaluate(async (id) => {
      const { token } = await (await fetch('/api/session')).json();
      await fetch(`/api/clips/${id}`, { method: 'DELETE', headers: { 'x-lean-token': token } });
    }, clip.id);
  });
});
