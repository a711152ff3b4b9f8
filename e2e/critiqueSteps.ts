import type { Page } from 'puppeteer-core';
import type { Visit } from './visit.ts';

/** What an address of the app answers to somebody who is signed in. */
export const fetchBytes = async ({ page }: Visit, path: string): Promise<Buffer> =>
  Buffer.from(await page.evaluate(async (p) => Array.from(new Uint8Array(await (await fetch(p)).arrayBuffer())), path));

/** Goes on with the answer in the critique's editor, until it is saved. */
export async function writeAnswer({ page, sees }: Visit, words: string): Promise<void> {
  const answer = '.critique-page blockquote + p';
  await page.waitForSelector(answer);
  await page.click(answer);
  await page.keyboard.press('End');
  await page.keyboard.type(words);
  await sees('Saved');
}

/** Waits until the first moment's clip plays before or after a time of its footage, in seconds. */
export const clipAt = ({ page }: Visit, side: 'before' | 'after', seconds: number) =>
  page.waitForFunction(
    (where, at) => {
      const now = (document.querySelector('[data-moment] video') as HTMLVideoElement).currentTime;
      return where === 'before' ? now < at : now > at;
    },
    { timeout: 180_000, polling: 20 },
    side,
    seconds,
  );

/** Waits until the first moment's clip plays; answers the second of its footage and the speed at which it does. */
export async function playingClip({ page }: Visit): Promise<[second: number, rate: number]> {
  await page.$eval('[data-moment]', (figure) => figure.scrollIntoView({ block: 'center' }));
  const playing = await page.waitForFunction(
    () => {
      const video = document.querySelector('[data-moment] video') as HTMLVideoElement | null;
      return video && !video.paused && video.readyState >= 2 && video.currentTime > 0 ? [video.currentTime, video.playbackRate] : false;
    },
    { timeout: 180_000, polling: 20 },
  );
  return (await playing.jsonValue()) as [number, number];
}

export type Asked = [method: string, path: string, body?: object];

/** Asks the server as whoever is signed in on a page. */
export const askAs = (page: Page, ...[method, path, body]: Asked): Promise<{ status: number; body: Record<string, unknown> }> =>
  page.evaluate(
    async (how, where, sent) => {
      const { token } = await (await fetch('/api/session')).json();
      const headers = { 'x-lean-token': token, 'content-type': 'application/json' };
      const answer = await fetch(where, { method: how, headers, ...(sent && { body: JSON.stringify(sent) }) });
      return { status: answer.status, body: await answer.json() };
    },
    method,
    path,
    body,
  );

/** Drafts the critique of a request, puts a moment at its end, and sends it. */
export async function sendWithMoment(page: Page, requestId: string, noteId: string, show = 'clip'): ReturnType<typeof askAs> {
  const { doc, revision } = (await askAs(page, 'POST', `/api/requests/${requestId}/critique/draft`)).body;
  const content = [...(doc as { content: object[] }).content, { type: 'moment', attrs: { noteId, show } }];
  const kept = await askAs(page, 'PUT', `/api/requests/${requestId}/critique`, { doc: { type: 'doc', content }, revision });
  return askAs(page, 'POST', `/api/requests/${requestId}/critique/send`, { revision: kept.body['revision'] });
}

/** Leaves a request as it was before `sendWithMoment`: the critique back, the desk changed back, the page the draft of the work again. */
export async function takeBackSent(page: Page, requestId: string, critiqueId: string, back: object): Promise<void> {
  const asked: Asked[] = [
    ['POST', `/api/critiques/${critiqueId}/take-back`],
    ['POST', `/api/requests/${requestId}/desk/changes`, { changes: [back], since: 0 }],
    ['POST', `/api/requests/${requestId}/critique/draft`],
  ];
  for (const one of asked) {
    const { status, body } = await askAs(page, ...one);
    if (status !== 200) throw new Error(`${one[1]} answers ${status}: ${JSON.stringify(body)}`);
  }
}
