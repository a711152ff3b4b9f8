import type { Browser } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { findings } from './axe.ts';
import { laptop, launch, visit, type Visit } from './visit.ts';

const base = process.env['LEAN_E2E_URL']!;

let browser: Browser;
let marit: Visit;
beforeAll(async () => {
  browser = await launch();
  marit = await visit(browser, base, 'marit', '/today', laptop);
});
afterAll(() => browser?.close());

const names = (): Promise<string[]> =>
  marit.page.$$eval('[data-request]', (rows) => rows.map((row) => row.getAttribute('aria-label')!.split(',')[0]!));
const until = (is: (names: string[]) => boolean, tries = 100): Promise<void> =>
  names().then((now) =>
    is(now)
      ? undefined
      : tries === 0
        ? Promise.reject(new Error(now.join()))
        : new Promise<void>((r) => setTimeout(r, 100)).then(() => until(is, tries - 1)),
  );

/** Whether the page says it now. */
const says = async (who: Visit, words: string): Promise<boolean> => (await who.shows()).includes(words);

describe('Today', () => {
  it('names the promise that was broken an hour ago first, and says so in the day’s sentence', async () => {
    await marit.sees(/one is late already\./);
    await marit.sees(/promises? at risk/);
    await marit.sees(/Odalys Fenn[\s\S]*was promised/);
    // An hour ago when the house began; other tests may have passed since.
    await marit.sees(/late by \d+ h/);
    await until((now) => now[0] === 'Odalys Fenn' && now.includes('Ilse Tarrow'));
    expect(await findings(marit.page)).toEqual([]);
  });

  it('shows at once what another order does, in every figure and in the list', async () => {
    await marit.page.waitForFunction(() => ![...document.querySelectorAll('[data-policy]')].some((row) => row.textContent.includes('…')));
    const figures = await marit.page.$$eval('[data-policy]', (rows) => rows.map((row) => row.textContent));
    expect(figures).toHaveLength(5);
    for (const row of figures) expect(row).toMatch(/\d|none/);
    await marit.page.click('[data-policy="plan-rank"]');
    // Ilse's plan ranks above the one of Odalys.
    await until((now) => now[0] === 'Ilse Tarrow');
    await marit.sees('Keep this order');
    await marit.press('button', 'Back to the one in use');
    await until((now) => now[0] === 'Odalys Fenn');
  });

  it('is moved by hand, says what that costs, and gives it back', async () => {
    await marit.press('button', 'Odalys Fenn later');
    await until((now) => now[0] === 'Ilse Tarrow');
    await marit.sees(/What was moved by hand/);
    await marit.press('button', 'Give Odalys Fenn back to the order');
    await until((now) => now[0] === 'Odalys Fenn');
  });

  it('is gone through by keys, and found by typing', async () => {
    await marit.page.focus('[data-request]');
    await marit.page.keyboard.press('ArrowDown');
    await marit.page.waitForFunction(() => document.activeElement?.getAttribute('data-index') === '1');
    await marit.page.keyboard.press('ArrowUp');
    await marit.page.waitForFunction(() => document.activeElement?.getAttribute('data-index') === '0');
    const first = await marit.page.evaluate(() => document.activeElement!.getAttribute('data-request'));
    await marit.page.type('[aria-label="Find a request"]', 'knee shield');
    await until((now) => now.join() === 'Ilse Tarrow');
    await marit.page.click('[aria-label="Find a request"]', { count: 3 });
    await marit.page.keyboard.press('Backspace');
    await until((now) => now.length > 1);
    await marit.page.focus(`[data-request="${first}"]`);
    await marit.page.keyboard.press('Enter');
    await marit.page.waitForFunction((id) => location.pathname === `/requests/${id}/desk`, {}, first);
    expect(marit.faults).toEqual([]);
  });

  it('counts the time at the desk, which the next look at the day shows', async () => {
    const { page } = marit;
    await page.goto(`${base}/today`);
    await page.waitForSelector('[data-request]');
    const id = await page.$eval('[data-request]', (row) => row.getAttribute('data-request')!);
    const spent = () =>
      page.evaluate(async (requestId) => {
        const { rows } = (await (await fetch('/api/today')).json()) as { rows: { id: string; spentMinutes: number }[] };
        return rows.find((row) => row.id === requestId)!.spentMinutes;
      }, id);
    const before = await spent();
    await page.goto(`${base}/requests/${id}/wrap-up`);
    await page.waitForSelector('main');
    await page.mouse.move(420, 330);
    await new Promise((resolve) => setTimeout(resolve, 4000));
    // Leaving tells what was counted.
    await page.goto(`${base}/letters`);
    await expect.poll(spent, { timeout: 180_000 }).toBeGreaterThan(before + 2 / 60);
  });

  it('is handed to an assistant until a day, done by them, sent back with a word, offered again and taken', async () => {
    const jonas = await visit(browser, base, 'jonas', '/today', laptop);
    await marit.page.goto(`${base}/today`);
    await marit.press('button', 'Hand over Odalys Fenn’s request');
    await marit.fill('A word (may stay empty)', 'Only the first minute.');
    expect(await findings(marit.page)).toEqual([]);
    await marit.pressUntil('Hand it over', () => says(marit, 'with Jonas Wray, by tomorrow'));
    await jonas.page.reload();
    await jonas.sees('asked by Marit Osei, by tomorrow');
    await jonas.sees('Marit Osei: Only the first minute.');
    expect(await findings(jonas.page)).toEqual([]);
    await jonas.pressUntil('It is done: Coding, Odalys Fenn', () => says(jonas, 'offered to Marit Osei'));
    await marit.page.reload();
    await marit.sees('Jonas Wray has done it');
    await marit.pressUntil('Send back …: Coding, Odalys Fenn', () => says(marit, 'Send it back'));
    await marit.fill('A word on why', 'The clinch is missing.');
    await marit.pressUntil('Send it back', () => says(marit, 'Marit Osei: The clinch is missing.'));
    await jonas.page.reload();
    await jonas.pressUntil('It is done: Coding, Odalys Fenn', () => says(jonas, 'offered to Marit Osei'));
    await marit.page.reload();
    await marit.pressUntil('Take it: Coding, Odalys Fenn', async () => !(await says(marit, 'In other hands')));
    expect([...marit.faults, ...jonas.faults]).toEqual([]);
  });
});
