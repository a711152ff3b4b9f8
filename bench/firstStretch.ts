import { readFile } from 'node:fs/promises';
import { type Caller, laptop, launch, settledFrame, visit } from '@lean-mentor/e2e';
import type { Page } from 'puppeteer-core';
import type { Figure } from './figure.ts';
import { tenMinuteFilm } from './madeFootage.ts';

/** The desk is looked at for so long after it opened, in seconds. */
const lookedAtSeconds = 30;

interface Seen {
  frame: string | null;
  settled: string | null;
  there: number;
}

const seenNow = (page: Page): Promise<Seen> =>
  page.evaluate(() => {
    const state = document.querySelector('[data-stage-state]');
    return {
      frame: state?.getAttribute('data-frame') ?? null,
      settled: state?.getAttribute('data-settled') ?? null,
      there: Number(document.querySelector('[data-so-far]')?.getAttribute('data-so-far') ?? 0),
    };
  });

/**
 * A ten-minute film of 1080p60: from its last byte to a frame of it on the desk of a coach who waits for it; and whether what is on the
 * stage moves when more of it comes.
 */
export async function benchFirstStretch(base: string, client: Caller, folder: string): Promise<Figure[]> {
  const bytes = await readFile(tenMinuteFilm(folder));
  const footage = await client.openRequest(bytes.length, 'Ten minutes of 1080p60');
  const browser = await launch();
  try {
    const { page } = await visit(browser, base, 'marit', `/requests/${footage.requestId}/desk`, laptop);
    await client.upload(footage, [bytes]);
    const arrived = performance.now();
    await page.waitForSelector('[data-stage]', { timeout: 120_000 });
    await settledFrame(page);
    const seconds = (performance.now() - arrived) / 1000;
    const first = await seenNow(page);
    for (let step = 0; step < 20; step++) await page.keyboard.press('KeyD');
    await settledFrame(page);
    const { frame } = await seenNow(page);
    let [editions, moved, last] = [0, 0, first.there];
    for (const end = performance.now() + lookedAtSeconds * 1000; performance.now() < end;) {
      const now = await seenNow(page);
      if (now.there !== last) editions++;
      last = now.there;
      if (now.frame !== frame || now.settled !== 'true') moved++;
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
    return [
      { figure: 'ten minutes of 1080p60: last byte to a frame on the desk', value: seconds, unit: 's', goal: 20, there: first.there },
      { figure: 'looks at a stage that moved while more came', value: moved, unit: 'looks', goal: 0, editions, thereThen: last },
    ];
  } finally {
    await browser.close();
    await client.ask('POST', `/api/requests/${footage.requestId}/withdraw`);
  }
}
