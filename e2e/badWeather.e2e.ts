import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { findings } from './axe.ts';
import { demoPractice } from '@lean-mentor/demo';
import { writeBarcodeClip } from '@lean-mentor/demo/barcode';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { answerAllSteps, choose } from './sendFootage.ts';
import { laptop, launch, phone, settledFrame, visit } from './visit.ts';

const base = process.env['LEAN_E2E_URL']!;
let browser: Browser;
let folder: string;
beforeAll(async () => {
  browser = await launch();
  folder = await mkdtemp(join(tmpdir(), 'lean-e2e-'));
});
afterAll(async () => {
  await browser?.close();
  await rm(folder, { recursive: true, force: true });
});

/** Bytes a second upwards; null for no limit. */
const slowUpload = async (page: Page, bytesPerSecond: number | null): Promise<void> => {
  const session = await page.createCDPSession();
  await session.send('Network.enable');
  await session.send('Network.emulateNetworkConditions', {
    offline: false,
    latency: 0,
    downloadThroughput: -1,
    uploadThroughput: bytesPerSecond ?? -1,
  });
};

describe('an upload that is cut off', () => {
  it('goes on where it stopped after the page was loaded anew, and refuses another file', async () => {
    const file = join(folder, 'long.mp4');
    await writeBarcodeClip(file, { frames: 200, width: 640, height: 360, sound: true });
    const other = join(folder, 'other.mp4');
    await writeBarcodeClip(other, { frames: 20, width: 160, height: 90 });
    const petra = await visit(browser, base, 'petra', '/send', phone);
    // Slow enough that some of it is still to come when all steps are answered, on a slow machine too.
    await slowUpload(petra.page, 15_000);
    await answerAllSteps(petra, {
      file,
      you: 'grey top',
      partner: 'black top',
      kind: 'Hard sparring',
      attire: 'No jacket',
      question: 'Does it arrive whole?',
    });
    await petra.pressUntil('Send', () => petra.page.evaluate(() => location.pathname === '/mine'));
    await petra.sees(/[1-9]\d*\.\d MB of|0\.[1-9] MB of/);

    // Whether the upload asks before the page is left is the browser's own dialog.
    petra.page.on('dialog', (dialog) => void dialog.accept());
    await petra.page.reload();
    await petra.sees('Not all of long.mp4 has arrived.');
    await choose(petra, other);
    await petra.sees(/That is another file: .* Choose long\.mp4\./);

    const offsets: number[] = [];
    petra.page.on('request', (request) => {
      const offset = request.headers()['upload-offset'];
      if (request.method() === 'PATCH' && offset) offsets.push(Number(offset));
    });
    await slowUpload(petra.page, null);
    await choose(petra, file);
    await petra.sees(/Making the review copy|Waiting its turn|With your coach/);
    expect(offsets[0]).toBeGreaterThan(0);
    expect(petra.faults.filter((fault) => !/ERR_|net::/.test(fault))).toEqual([]);
  });
});

/** Waits on Today until the demo's first request can be opened. */
const firstIsReady = (page: Page) =>
  page.waitForFunction(
    (id) => document.querySelector(`[data-request="${id}"]`)?.textContent.includes('Go on'),
    { timeout: 180_000 },
    demoPractice(new Date()).requests[0]!.id,
  );

describe('a desk without a network', () => {
  it('keeps what is done, says so, and sends it when the network is back, also after the page was closed meanwhile', async () => {
    const ilse = demoPractice(new Date()).requests[0]!;
    const marit = await visit(browser, base, 'marit', '/today', laptop);
    await firstIsReady(marit.page);
    await marit.page.goto(`${base}/requests/${ilse.id}/desk`);
    await settledFrame(marit.page);
    const marks = () =>
      marit.page.evaluate(
        async (id) =>
          Object.values((await (await fetch(`/api/requests/${id}/desk`)).json()).document.marks as Record<string, { atFrame: number }>).map(
            (m) => m.atFrame,
          ),
        ilse.id,
      );
    const before = await marks();
    // The page can be loaded anew, and what was done on it still cannot be sent: it is on this browser's disk or nowhere.
    let away = true;
    // What goes by way of the service worker is not seen here.
    await marit.page.setBypassServiceWorker(true);
    await marit.page.setRequestInterception(true);
    marit.page.on('request', (request) => void (away && request.url().endsWith('/desk/changes') ? request.abort() : request.continue()));
    await marit.page.keyboard.press('KeyE');
    await marit.sees('Kept here; the server cannot be reached');
    await marit.page.reload();
    await settledFrame(marit.page);
    await marit.sees(/Kept here/);
    expect(await marks()).toHaveLength(before.length);
    away = false;
    await marit.page.waitForFunction(() => document.body.innerText.includes('Saved'), { timeout: 180_000 });
    expect(await marks()).toHaveLength(before.length + 1);
  });
});

describe('every main screen', () => {
  it('can be read by assistive technology and has its contrast (axe, WCAG 2 AA)', async () => {
    const found: string[] = [];
    const tiny = join(folder, 'tiny.mp4');
    await writeBarcodeClip(tiny, { frames: 30, width: 160, height: 90 });
    const look = async (page: Page, name: string): Promise<void> => {
      const violations = await findings(page);
      found.push(...violations.map((v) => `${name} ${v}`));
      // Whoever hears or speaks to a page knows a button by its name alone: no two share one.
      const twice = await page.evaluate(() => {
        // One of a few, within a question of its own, is called as it is there.
        const names = [...document.querySelectorAll<HTMLElement>('button:not([role=radio]), [role=button]')]
          .filter((button) => button.checkVisibility() && !(button as HTMLButtonElement).disabled)
          .map((button) => (button.getAttribute('aria-label') ?? button.innerText).trim().replace(/\s+/g, ' '));
        return [...new Set(names.filter((one, i) => one !== '' && names.indexOf(one) !== i))];
      });
      found.push(...twice.map((one) => `${name}: two buttons are called “${one}”`));
    };
    const practice = demoPractice(new Date());
    const sent = practice.requests.find((r) => r.critique)!;
    const marit = await visit(browser, base, 'marit', '/today', laptop);
    await marit.sees(practice.requests[0]!.question);
    await firstIsReady(marit.page);
    await look(marit.page, 'Today');
    for (const [name, path, words] of [
      ['Clients', '/clients', 'Odalys Fenn'],
      ['Client', `/clients/${sent.clientId}`, sent.question],
      ['Letters', '/letters', 'Letters'],
      ['Book', '/book?open=none', 'Choose an entry'],
      ['Ladder', `/requests/${practice.requests[0]!.id}/wrap-up`, 'The critique ends here'],
      ['Critique editor', `/requests/${practice.requests[0]!.id}/critique`, 'What went well'],
      ['Footage', `/requests/${practice.requests[0]!.id}/footage`, 'Bout'],
      ['Desk', `/requests/${practice.requests[0]!.id}/desk`, 'Choose the fixes'],
    ] as const) {
      await marit.page.goto(base + path);
      await marit.sees(words);
      await look(marit.page, name);
    }
    await marit.press('button', 'For a dark room');
    await look(marit.page, 'Desk in a dark room');
    await marit.press('button', 'For a light room');
    const bram = await visit(browser, base, 'bram', '/mine', phone);
    await bram.sees(sent.question);
    await look(bram.page, 'My critiques');
    await bram.page.goto(`${base}/critiques/${sent.critique!.id}`);
    await bram.sees('Your sweep is clean');
    await look(bram.page, 'Critique');
    await bram.page.goto(`${base}/send`);
    await bram.sees('Choose the video');
    await look(bram.page, 'Send footage');
    await bram.page.goto(`${base}/requests/${sent.id}`);
    await bram.sees('Answered');
    await look(bram.page, 'What was sent');
    await bram.page.goto(`${base}/send`);
    await answerAllSteps(bram, { file: tiny, you: 'a', partner: 'b', kind: 'Match', attire: 'Jacket', question: 'Why?' }, (step) =>
      look(bram.page, `Send footage: ${step}`),
    );
    expect(found).toEqual([]);
  });

  it('of a critique with three fixes of three moments each is two pages of A4 on paper', async () => {
    const sent = demoPractice(new Date()).requests.find((r) => r.critique)!;
    const bram = await visit(browser, base, 'bram', `/critiques/${sent.critique!.id}`, phone);
    await bram.sees('Your sweep is clean');
    await bram.page.evaluate(() => {
      const fix = document.querySelector('[data-fix="1"]')!;
      // Two more moments, each under a note of thirty words, in each of three fixes.
      const figure = fix.querySelector('figure')!;
      for (let i = 0; i < 2; i++) {
        const words = document.createElement('p');
        words.textContent = `${'elbow leaves your ribs early '.repeat(6)}.`;
        figure.after(words, figure.cloneNode(true));
      }
      const others = [...document.querySelectorAll('[data-fix]')].filter((one) => one !== fix);
      for (const other of others) other.remove();
      fix.after(fix.cloneNode(true), fix.cloneNode(true));
    });
    // Where the columns break hangs on each line: whatever the length, nothing hangs over into a third page, an empty one.
    for (let lines = 0; lines < 4; lines++) {
      const pdf = Buffer.from(await bram.page.pdf({ preferCSSPageSize: true })).toString('latin1');
      expect(pdf.match(/\/Type\s*\/Page[^s]/g), `with ${lines} lines more`).toHaveLength(2);
      expect(pdf).toMatch(/\/MediaBox \[0 0 59[45](\.\d+)? 84[12](\.\d+)?\]/);
      await bram.page.evaluate(() =>
        document.querySelector('[data-fix] h2')!.after(Object.assign(document.createElement('p'), { textContent: 'ribs' })),
      );
    }
  });

  it('tells a visitor of another role that there is no such page for them', async () => {
    const noor = await visit(browser, base, 'noor', '/letters', phone);
    await noor.sees('There is no page at this address for you.');
  });
});
