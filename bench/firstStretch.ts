import { readFile } from 'node:fs/promises';
import { type Caller, laptop, launch, phone, settledFrame, visit } from '@lean-mentor/e2e';
import type { Page } from 'puppeteer-core';
import type { Figure } from './figure.ts';
import { tenMinuteFilm } from './madeFootage.ts';

/** Desk and preview are looked at for so long after they opened, in seconds. */
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

/** Looks at a page again and again for a while. */
async function lookOn(look: () => Promise<void>): Promise<void> {
  for (const end = performance.now() + lookedAtSeconds * 1000; performance.now() < end;) {
    await look();
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
}

/**
 * A ten-minute film of 1080p60: from its last byte to a frame of it on the desk of a coach who waits for it and in the preview of a client
 * who has not sent it yet; and whether what is shown moves when more of it comes.
 */
export async function benchFirstStretch(base: string, client: Caller, folder: string): Promise<Figure[]> {
  const bytes = await readFile(tenMinuteFilm(folder));
  const onTheDesk = await benchDeskStretch(base, client, bytes);
  await client.quiet();
  return [...onTheDesk, ...(await benchPreviewStretch(base, client, bytes))];
}

/** On the phone of a client who is to tap who is who, and does not have the file on this device. */
async function benchPreviewStretch(base: string, client: Caller, bytes: Buffer): Promise<Figure[]> {
  const footage = await client.openDraft(bytes.length, 'Ten minutes of 1080p60, looked at before it is sent', 'who');
  const browser = await launch();
  try {
    const { page } = await visit(browser, base, 'wen', `/send/${footage.requestId}`, phone);
    await page.waitForSelector('h1');
    await client.upload(footage, [bytes]);
    const arrived = performance.now();
    const seen = () =>
      page.evaluate(() => {
        const video = document.querySelector<HTMLVideoElement>('[data-picture] video:not([aria-hidden])');
        if (!video || video.readyState < HTMLMediaElement.HAVE_CURRENT_DATA || video.seeking) return null;
        return { at: video.currentTime, there: Number(document.querySelector('[data-so-far]')?.getAttribute('data-so-far')) };
      });
    await page.waitForFunction(
      () => (document.querySelector<HTMLVideoElement>('[data-picture] video:not([aria-hidden])')?.readyState ?? 0) >= 2,
      {
        timeout: 120_000,
        polling: 50,
      },
    );
    const seconds = (performance.now() - arrived) / 1000;
    const first = await seen();
    let [last, editions, moved, looks] = [first, 0, 0, 0];
    await lookOn(async () => {
      const now = await seen();
      looks++;
      if (now?.at !== first?.at) moved++;
      if (now && now.there !== last?.there) editions++;
      last = now ?? last;
    });
    return [
      {
        ...{ figure: 'ten minutes of 1080p60: last byte to a picture in the client’s preview', value: seconds, unit: 's', goal: 20 },
        there: first?.there ?? 0,
      },
      {
        figure: 'looks at a preview that showed nothing or another moment while more came',
        value: moved,
        unit: 'looks',
        goal: 0,
        looks,
        editions,
      },
    ];
  } finally {
    await browser.close();
    await client.ask('DELETE', `/api/drafts/${footage.requestId}`);
  }
}

async function benchDeskStretch(base: string, client: Caller, bytes: Buffer): Promise<Figure[]> {
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
    await lookOn(async () => {
      const now = await seenNow(page);
      if (now.there !== last) editions++;
      last = now.there;
      if (now.frame !== frame || now.settled !== 'true') moved++;
    });
    return [
      { figure: 'ten minutes of 1080p60: last byte to a frame on the desk', value: seconds, unit: 's', goal: 20, there: first.there },
      { figure: 'looks at a stage that moved while more came', value: moved, unit: 'looks', goal: 0, editions, thereThen: last },
    ];
  } finally {
    await browser.close();
    await client.ask('POST', `/api/requests/${footage.requestId}/withdraw`);
  }
}
