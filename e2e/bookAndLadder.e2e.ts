import { demoPractice } from '@lean-mentor/demo';
import type { Browser } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { laptop, launch, phone, visit, type Visit } from './visit.ts';

const base = process.env['LEAN_E2E_URL']!;
const { requests } = demoPractice(new Date());
const ilse = requests.find((r) => r.document && !r.critique)!;
const bram = requests.find((r) => r.critique)!;
let browser: Browser;
let marit: Visit;

beforeAll(async () => {
  browser = await launch();
  marit = await visit(browser, base, 'marit', '/book', laptop);
});
afterAll(() => browser?.close());

const rungs = (): Promise<string[]> => marit.page.$$eval('[data-rung]', (rows) => rows.map((row) => row.getAttribute('data-rung')!));

describe('the book', () => {
  it('finds an entry by a word of it, changes it, and keeps what is being written while one looks elsewhere', async () => {
    await marit.page.locator('[aria-label="Search the book"]').fill('lifted while passing');
    await marit.press('button', 'Base out before you fight the lift');
    await marit.sees('Wide foot first, then hands.');
    await marit.press('button', 'Edit');
    await marit.page.locator('form input[maxlength="300"]').fill('Wide foot, low hips.');
    await marit.page.goto(`${base}/today`);
    await marit.page.goBack();
    await marit.page.waitForFunction(() =>
      [...document.querySelectorAll('form input')].some((input) => (input as HTMLInputElement).value === 'Wide foot, low hips.'),
    );
    await marit.press('button', 'Keep this in the book');
    await marit.sees('“Wide foot, low hips.”');
  });

  it('says in words why a cue is too long, and does not take it', async () => {
    await marit.press('button', 'Edit');
    await marit.page.locator('form input[maxlength="300"]').fill('one two three four five six seven eight nine ten eleven twelve thirteen');
    await marit.sees('A cue has at most 12 words; this one has 13.');
    await marit.press('button', 'Leave it as it was');
    await marit.sees('“Wide foot, low hips.”');
  });

  it('takes a drill out and puts it back', async () => {
    await marit.page.goto(`${base}/book?shelf=drills`);
    await marit.press('button', 'Touch, level, step');
    await marit.press('button', 'Take it out');
    await marit.press('button', 'Put it back');
    await marit.page.waitForFunction(() =>
      [...document.querySelectorAll('nav button')].some((one) => one.textContent === 'Touch, level, step'),
    );
  });
});

describe('the ladder', () => {
  it('ranks the candidates with every part, and another school orders them anew', async () => {
    await marit.page.goto(`${base}/requests/${ilse.id}/wrap-up`);
    await marit.sees('The critique ends here');
    // Other tests write on this desk as well.
    expect(await rungs()).toEqual(
      expect.arrayContaining(['Bottom hand stays on the near arm', 'Frame at the hip before the shoulders are flat']),
    );
    for (const part of ['Cost', 'Often', 'Again', 'Asked', 'Ground']) await marit.sees(part);
    await marit.sees('Ilse’s question is not answered yet.');
    const sums = () =>
      marit.page.$$eval('[data-rung]', (all) => all.map((rung) => (rung as HTMLElement).innerText.match(/Sum\s+(\d\.\d\d)/)?.[1]));
    const balanced = await sums();
    // Pressed while the rungs still move: nothing of it is lost.
    for (const school of ['Deciding moment', 'Habit breaker', 'Groundwork first']) {
      const radio = (await marit.page.waitForSelector(`::-p-aria([name="${school}"][role="radio"])`))!;
      const box = (await radio.boundingBox())!;
      await marit.page.mouse.click(box.x + box.width / 2, box.y + box.height / 2);
      await marit.page.waitForFunction((element) => element.getAttribute('aria-checked') === 'true', { timeout: 180_000 }, radio);
    }
    await marit.sees('Base, posture and frames');
    expect(await sums()).not.toEqual(balanced);
    await marit.page.click('::-p-aria([name="Balanced"][role="radio"])');
    await marit.page.waitForFunction(
      async (id) => (await (await fetch(`/api/requests/${id}/ladder`)).json()).choice.school === 'balanced',
      { polling: 300 },
      ilse.id,
    );
  });

  it('is put in the coach’s own order with the keys alone, asks why, and keeps both', async () => {
    const [computed, second] = (await rungs()) as [string, string];
    await marit.page.focus(`[aria-label="Move “${second}”"]`);
    await marit.page.keyboard.press('Space');
    await new Promise((resolve) => setTimeout(resolve, 300));
    await marit.page.keyboard.press('ArrowUp');
    await new Promise((resolve) => setTimeout(resolve, 300));
    await marit.page.keyboard.press('Space');
    await marit.sees('Why not as Balanced says?');
    expect((await rungs())[0]).toBe(second);
    await marit.fill('Why not as Balanced says?', 'She can train this alone.');
    await marit.page.waitForFunction(
      async (id) => (await (await fetch(`/api/requests/${id}/ladder`)).json()).choice.reason === 'She can train this alone.',
      { polling: 300 },
      ilse.id,
    );
    await marit.page.reload();
    await marit.sees('Why not as Balanced says?');
    expect((await rungs())[0]).toBe(second);
    await marit.press('button', 'Back to the computed order');
    await marit.page.waitForFunction((name) => document.querySelector('[data-rung]')!.getAttribute('data-rung') === name, {}, computed);
  });

  it('cuts where the line stands', async () => {
    // While the rungs move, the browser takes no press.
    const says = (words: string) => marit.page.evaluate((w) => document.body.innerText.includes(w), words);
    await marit.pressUntil('One fix fewer', () => says('One fix; at this level two fixes are'));
    await marit.pressUntil('One fix more', () => says('Two fixes; at this level two fixes are'));
  });

  it('gives the notes of a rung another principle, and takes it back', async () => {
    const name = 'Frame at the hip before the shoulders are flat';
    const principleNames = () =>
      marit.page.evaluate(async (id) => {
        const [desk, book] = await Promise.all([`/api/requests/${id}/desk`, '/api/book'].map(async (path) => (await fetch(path)).json()));
        const names = new Map((book.principles as { id: string; name: string }[]).map((one) => [one.id, one.name]));
        return Object.values(desk.document.notes as Record<string, { principleId: string }>).map((note) => names.get(note.principleId));
      }, ilse.id);
    await marit.press('button', `More for “${name}”`);
    await marit.press('menuitem', 'Merge into another principle');
    const chosen = await marit.choose('Another principle', /\S/);
    await marit.press('button', 'Merge');
    await marit.sees(`“${chosen}” now.`);
    await vi.waitUntil(async () => (await principleNames()).includes(chosen), { timeout: 180_000, interval: 200 });
    await marit.page.waitForSelector(`[data-rung="${chosen}"]`);
    await marit.press('button', 'Undo');
    await marit.page.waitForSelector(`[data-rung="${name}"]`);
    await vi.waitUntil(async () => !(await principleNames()).includes(chosen), { timeout: 180_000, interval: 200 });
  });

  it('has no error in it', () => expect(marit.faults).toEqual([]));
});

describe('what was said', () => {
  it('is found over all clients, and leads to its frame', async () => {
    await marit.page.goto(`${base}/clients`);
    await marit.page.locator('[aria-label="Search all that was said"]').fill('every mistake straight back');
    await marit.sees('The sweep starts against a straight back.');
    await marit.sees('Bram Okonjo');
  });

  it('and what came of it stands on the client’s page', async () => {
    await marit.page.goto(`${base}/clients/${bram.clientId}`);
    await marit.sees('Fixes over time');
    await marit.sees('7 in 5.5 min');
    await marit.press('button', 'Close it: Low in mount when they bridge');
    await marit.sees('Open it again');
    await marit.press('button', 'Open it again: Low in mount when they bridge');
    await marit.page.waitForFunction(() => !document.body.innerText.includes('Open it again'));
  });

  it('is lent by a link that opens without a sign-in and ends when it is ended', async () => {
    await marit.page.goto(`${base}/critiques/${bram.critique!.id}`);
    await marit.press('button', 'For their home coach');
    await marit.page.locator('form input[maxlength="120"]').fill('Ines at home');
    await marit.press('button', 'Make it');
    const address = await (await marit.page.waitForSelector('[aria-label="The link"]'))!.evaluate(
      (input) => (input as HTMLInputElement).value,
    );
    const stranger = await (await browser.createBrowserContext()).newPage();
    await stranger.goto(address);
    await stranger.waitForFunction(
      () => document.body.innerText.includes('Your sweep is clean') && document.body.innerText.includes('You read it by a link'),
    );
    // The seconds around a moment play by themselves while they are on the screen: no more of the footage than that.
    await (await stranger.waitForSelector('figure[data-moment]'))!.scrollIntoView();
    const played = await stranger.waitForFunction(() => {
      const video = document.querySelector<HTMLVideoElement>('figure[data-moment] video');
      return video && video.currentTime > 0.2 && [video.duration, video.playbackRate];
    });
    const [seconds, rate] = (await played.jsonValue()) as [number, number];
    expect(rate).toBe(0.5);
    expect(seconds).toBeGreaterThan(3);
    expect(seconds).toBeLessThan(4.3);
    // Whose critique it is sees the link too, and ends it.
    const client = await visit(browser, base, 'bram', `/critiques/${bram.critique!.id}`, phone);
    await client.press('button', 'Who can read this');
    await client.press('button', 'End the link for Ines at home');
    await client.sees('There is no link');
    await client.page.close();
    await stranger.reload();
    await stranger.waitForFunction(() => document.body.innerText.includes('has expired'));
  });
});
