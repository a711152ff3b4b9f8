import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Bout, Draft, Request } from '@lean-mentor/contract';
import { writeBarcodeClip } from '@lean-mentor/demo/barcode';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { answerAllSteps, choose } from './sendFootage.ts';
import { laptop, launch, phone, settledFrame, visit, wholeFootage, type Visit } from './visit.ts';

const base = process.env['LEAN_E2E_URL']!;
const question = 'Which grip gives it away?';
let browser: Browser;
let folder: string;
let [teo, saga, marit] = [] as unknown as [Visit, Visit, Visit];
let requestId: string;

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'lean-e2e-intake-'));
  await writeBarcodeClip(join(folder, 'round.mp4'), { frames: 90, width: 320, height: 180, sound: true });
  await writeBarcodeClip(join(folder, 'corner.mp4'), { frames: 60, width: 320, height: 180, sound: true });
  browser = await launch();
  [teo, saga, marit] = await Promise.all([
    visit(browser, base, 'teo', '/', phone),
    visit(browser, base, 'saga', '/', phone),
    visit(browser, base, 'marit', '/', laptop),
  ]);
});
afterAll(async () => {
  await browser?.close();
  await rm(folder, { recursive: true, force: true });
});

const get = <T>(page: Page, path: string): Promise<T> => page.evaluate(async (p) => (await (await fetch(p)).json()) as T, path);
const open = (who: Visit, path: string) => who.page.goto(base + path);

// The steps follow one another: each begins where the one before ended.
describe('a minor who sends footage', () => {
  it('taps who is who, and the colours become words', async () => {
    await teo.press('link', 'Send footage');
    await choose(teo, join(folder, 'round.mp4'));
    await teo.sees('1 of 7');
    await teo.press('button', 'Go on');
    await teo.page.waitForSelector('[data-picture] video');
    await teo.page.waitForFunction(() => document.querySelector('video')!.readyState >= 2);
    const picture = (await (await teo.page.$('[data-picture]'))!.boundingBox())!;
    await teo.page.mouse.click(picture.x + picture.width * 0.3, picture.y + picture.height * 0.8);
    await teo.sees('Now tap your partner’s top.');
    await teo.page.mouse.click(picture.x + picture.width * 0.7, picture.y + picture.height * 0.8);
    await teo.sees('You are both marked.');
    const words = await teo.page.$$eval('input[type=text], input:not([type])', (inputs) =>
      inputs.map((i) => (i as HTMLInputElement).value),
    );
    for (const word of words) expect(word).toMatch(/^[a-z ]+ top$/);
    await teo.sees('Saved');
  });

  it('goes on with it on another device, with everything said so far', async () => {
    const laptopOfTeo = await visit(browser, base, 'teo', '/send', laptop);
    await laptopOfTeo.press('link', /round\.mp4/);
    await laptopOfTeo.sees('Who is who');
    await laptopOfTeo.sees('You are both marked.');
    const { drafts } = await get<{ drafts: Draft[] }>(laptopOfTeo.page, '/api/drafts');
    expect(drafts[0]!.intake.whoMarks).toHaveLength(1);
    laptopOfTeo.page.on('dialog', (dialog) => void dialog.accept());
    await laptopOfTeo.press('button', 'Throw it away');
    await laptopOfTeo.sees('Thrown away.');
  });

  it('sends it to the guardian, and the coach does not see it yet', async () => {
    await open(teo, '/send');
    await answerAllSteps(teo, {
      file: join(folder, 'round.mp4'),
      you: 'violet top',
      partner: 'white top',
      kind: 'Light sparring',
      attire: 'Jacket',
      question,
    });
    // Where the other steps go on, without a scroll, and nothing lies over it.
    const free = await teo.page.$$eval('button', (buttons) => {
      const send = buttons.find(({ innerText }) => innerText === 'Send')!;
      const { left, top, width, height } = send.getBoundingClientRect();
      return send.contains(document.elementFromPoint(left + width / 2, top + height / 2));
    });
    expect(free).toBe(true);
    await teo.pressUntil('Send', async () => (await teo.shows()).includes('Your guardian has it now.'));
    await teo.sees('Your guardian has it now.');
    await marit.page.reload();
    await marit.sees('Ilse Tarrow');
    expect(await marit.shows()).not.toContain(question);
  });

  it('is read and approved by the guardian, and then waits with the coach', async () => {
    await saga.page.reload();
    await saga.sees('Waits for your guardian’s yes');
    await saga.press('link', 'What you sent');
    await saga.sees('violet top against white top');
    await saga.press('button', 'Yes, send it to the coach');
    await saga.sees('With your coach');
    requestId = new URL(saga.page.url()).pathname.split('/')[2]!;
  });
});

describe('a request that cannot be answered yet', () => {
  it('has its clock stopped by the coach, who says what is needed', async () => {
    await open(marit, `/requests/${requestId}/desk`);
    // It opens by itself when the footage is ready; the demo's own may be made ready before it.
    await wholeFootage(marit.page);
    await settledFrame(marit.page);
    await marit.press('button', new RegExp(question.replace('?', '\\?')));
    await marit.page.locator('summary').click();
    await marit.fill('In words to Teo', 'Your hands are hidden. Is there a second camera?');
    await marit.press('button', 'Ask Teo first');
    await marit.sees('Asked Teo. The clock stands.');
    expect((await get<Request>(marit.page, `/api/requests/${requestId}`)).stoppedAt).not.toBeNull();
  });

  it('is answered by the client with other footage, and goes on when that has arrived', async () => {
    await open(teo, `/requests/${requestId}`);
    await teo.sees('Is there a second camera?');
    await choose(teo, join(folder, 'corner.mp4'));
    await teo.fill('Your answer', 'From the corner, here.');
    await teo.press('button', 'Answer');
    // What is new of a minor goes past the guardian again.
    await teo.sees('Waits for your guardian’s yes');
    await open(saga, `/requests/${requestId}`);
    await saga.press('button', 'Yes, send it to the coach');
    await open(teo, `/requests/${requestId}`);
    await teo.page.waitForFunction(() => document.body.innerText.includes('With your coach'), { timeout: 180_000 });
    const { exchange, footages } = await get<Request>(teo.page, `/api/requests/${requestId}`);
    expect(exchange.map((saying) => saying.kind)).toEqual(['need-footage', 'answer']);
    expect(footages.map((footage) => footage.fileName)).toEqual(['round.mp4', 'corner.mp4']);
  });
});

describe('the bouts of a request', () => {
  const bouts = async (): Promise<Bout[]> => (await get<Request>(marit.page, `/api/requests/${requestId}`)).footages[0]!.bouts;
  const until = (enough: (now: Bout[]) => boolean): Promise<Bout[]> =>
    vi.waitFor(
      async () => {
        const now = await bouts();
        expect(now).toSatisfy(enough);
        return now;
      },
      { timeout: 180_000, interval: 100 },
    );

  it('are proposed, accepted, split and brought back, each saved as it happens', async () => {
    await open(marit, `/requests/${requestId}/footage`);
    await marit.page.waitForSelector('[data-bout]');
    expect(await bouts()).toMatchObject([{ fromFrame: 0, toFrame: 90, proposed: true, order: 1 }]);
    await marit.press('button', 'Accept the proposed bout');
    await until(([bout]) => bout?.proposed === false);
    const column = (await (await marit.page.$('[data-time-page]'))!.boundingBox())!;
    await marit.page.mouse.click(column.x + 90, column.y + column.height / 2);
    await settledFrame(marit.page);
    await marit.press('button', 'Split it here');
    const [before, after] = await until((now) => now.length === 2);
    expect([before!.toFrame, after!.toFrame, after!.order]).toEqual([after!.fromFrame, 90, 2]);
    await marit.press('button', 'Take the last change back');
    await until((now) => now.length === 1);
    await marit.press('button', 'Do it again');
    await until((now) => now.length === 2);
  });

  it('are moved by their edges, said more about, and put in the day’s order', async () => {
    const edge = await marit.page.waitForSelector('[aria-label="Start of bout 2"]');
    await edge!.focus();
    const [, second] = await bouts();
    await marit.page.keyboard.press('ArrowDown');
    await until((now) => now[1]!.fromFrame === second!.fromFrame + 1);
    await marit.page.click(`[data-bout="${second!.id}"] button`);
    await marit.fill('By what', 'by 4 to 2');
    await until((now) => now[1]!.outcomeWords === 'by 4 to 2');
    await marit.press('button', 'Bout 2 earlier');
    const moved = await until((now) => now.find(({ id }) => id === second!.id)!.order === 1);
    expect(moved.map(({ order }) => order).sort()).toEqual([1, 2]);
  });

  it('are shown by a second camera, whose place is found in a worker and set right by a frame', async () => {
    await marit.page.waitForFunction(
      async (id) => ((await (await fetch(`/api/requests/${id}`)).json()) as Request).footages[1]!.state === 'ready',
      { timeout: 180_000, polling: 500 },
      requestId,
    );
    const { footages } = await get<Request>(marit.page, `/api/requests/${requestId}`);
    await open(marit, `/requests/${requestId}/footage?footage=${footages[1]!.id}`);
    await marit.choose('Does this video show the same bouts as another one?', /^1\. /);
    await marit.press('button', 'Find how they lie');
    await marit.page.waitForSelector('[data-offset]', { timeout: 180_000 });
    const offset = Number(await marit.page.$eval('[data-offset]', (p) => p.getAttribute('data-offset')));
    await marit.press('button', 'A frame later');
    await marit.sees('found by hand');
    await new Promise((resolve) => setTimeout(resolve, 500));
    const saved = (await get<Request>(marit.page, `/api/requests/${requestId}`)).footages[1]!.alignment!;
    expect(saved).toMatchObject({ toFootageId: footages[0]!.id, by: 'hand', confidence: null });
    expect(saved.offsetSeconds - offset).toBeCloseTo(1 / 30, 2);
  });
});

describe('the partner’s consent, taken back', () => {
  it('removes the footage for everyone, and says so', async () => {
    teo.page.on('dialog', (dialog) => void dialog.accept());
    await teo.press('button', 'My partner no longer agrees to be on film');
    await teo.sees('the partner’s consent was taken back');
    await open(marit, `/requests/${requestId}/desk`);
    await marit.sees('There is no footage of Teo Abara-Lund here any more.');
  });

  it('has left no error in any page', () => {
    const wanted = (fault: string): boolean => !/status of (410|404)/.test(fault);
    expect([...teo.faults, ...saga.faults, ...marit.faults].filter(wanted)).toEqual([]);
  });
});
