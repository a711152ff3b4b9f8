import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { writeBarcodeClip } from '@lean-mentor/demo/barcode';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { findings } from './axe.ts';
import { ownHouse } from './ownHouse.ts';
import { answerAllSteps } from './sendFootage.ts';
import { laptop, launch, phone, visit, type Visit } from './visit.ts';

const house = await ownHouse();
const { base } = house;
const words = 'slow hips before quick hands';
const runa = { email: 'runa.vik@harbour.example', password: words };
const saga = { email: 'saga.vik@harbour.example', password: words };

let ended: Promise<unknown>;
let end = (): void => undefined;
let browser: Browser;
let coach: Visit;
let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'lean-e2e-coach-'));
  await writeBarcodeClip(join(folder, 'round.mp4'), { frames: 90, width: 320, height: 180, sound: true });
  const { child } = await house.start();
  ended = new Promise((resolve) => child.once('exit', resolve));
  end = () => void child.kill('SIGINT');
  const { stdout } = house.account('coach', 'Rhea Moss', 'rhea@harbour.example');
  browser = await launch();
  coach = await visit(browser, base, { email: 'rhea@harbour.example', password: stdout.trim().split(' ').at(-1)! }, '/today', laptop);
});
afterAll(async () => {
  await browser?.close();
  end();
  await ended;
  await rm(folder, { recursive: true, force: true });
  await rm(house.dataDir, { recursive: true, force: true });
});

const shows = (page: Page, text: string): Promise<unknown> =>
  page.waitForFunction((wanted) => document.body.innerText.includes(wanted), { timeout: 180_000 }, text);

/** Somebody who was invited opens the link of their letter on a phone and chooses a password. */
async function joinAs(name: string): Promise<Page> {
  await coach.page.goto(`${base}/letters`);
  await coach.sees(`${name}`);
  const link = await coach.page.evaluate((wanted) => {
    const letter = [...document.querySelectorAll('li')].find((one) => one.innerText.includes(wanted))!;
    return letter.querySelector<HTMLElement>('[title*="/join/"]')!.title;
  }, name);
  const page = await (await browser.createBrowserContext()).newPage();
  await page.setViewport(phone);
  await page.goto(link);
  await page.waitForSelector('input[autocomplete="new-password"]');
  expect(await findings(page)).toEqual([]);
  await page.type('input[autocomplete="new-password"]', words);
  await page.keyboard.press('Enter');
  await shows(page, 'My critiques');
  return page;
}

const fillDate = (label: string, day: string): Promise<void> =>
  coach.page.$eval(
    `::-p-aria([name="${label}"])`,
    (input, value) => {
      const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!;
      set.call(input, value);
      input.dispatchEvent(new Event('input', { bubbles: true }));
    },
    day,
  );
const dayAgo = (years: number): string => new Date(Date.now() - years * 365.25 * 86_400_000).toISOString().slice(0, 10);

describe('a new coach', () => {
  it('finds nothing waiting, and sets hours on a clock that is hers', async () => {
    await coach.sees('Nothing to review today, nothing late.');
    await coach.sees('Nothing waits. A request appears here');
    expect(await findings(coach.page)).toEqual([]);
    await coach.press('link', 'Practice');
    await coach.sees('Every week');
    expect(await findings(coach.page)).toEqual([]);
    await coach.page.locator('::-p-aria([name="On the clock of"])').fill('Nowhere/Harbour');
    await coach.press('button', 'Keep these hours');
    await coach.sees('This time zone is not known');
    await coach.page.locator('::-p-aria([name="On the clock of"])').fill('Europe/Lisbon');
    // She works at the weekend too, all day.
    for (const day of ['Saturday', 'Sunday']) {
      await coach.press('button', `Another window on ${day}`);
      await coach.page.locator(`::-p-aria([name="${day} from"])`).fill('7:00');
      await coach.page.locator(`::-p-aria([name="${day} to"])`).fill('23:00');
    }
    await coach.press('button', 'Keep these hours');
    await coach.sees('Your hours are kept.');
    await coach.page.reload();
    await coach.sees('Every week');
    expect(await coach.page.$eval('::-p-aria([name="Sunday to"])', (input) => (input as HTMLInputElement).value)).toBe('23:00');
    await coach.press('button', 'Make an address');
    await coach.sees('It is not shown again.');
    expect(await findings(coach.page)).toEqual([]);
    const address = await coach.page.$eval('[aria-label="The address"]', (input) => (input as HTMLInputElement).value);
    expect(await (await fetch(address)).text()).toMatch(/^BEGIN:VCALENDAR\r\n/);
  });

  it('offers a plan and invites a client of fifteen and her guardian, who come in by their letters', async () => {
    await coach.press('link', 'Plans');
    await coach.sees('No plans yet.');
    await coach.press('button', 'A new plan');
    await coach.fill('Name', 'Steady');
    await coach.page.locator('::-p-aria([name="Requests in it"])').fill('1');
    await coach.press('button', 'Offer this plan');
    await coach.sees('20 working hours');
    expect(await findings(coach.page)).toEqual([]);
    await coach.page.goto(`${base}/people`);
    await coach.fill('Name', 'Runa Vik');
    await coach.fill('Address', runa.email);
    await fillDate('Born on', dayAgo(15));
    await coach.press('button', 'Write the invitation');
    await coach.sees('its link opens until');
    await joinAs('Runa Vik');
    await coach.page.goto(`${base}/people`);
    await coach.press('radio', /A guardian/);
    await coach.fill('Name', 'Saga Vik');
    await coach.fill('Address', saga.email);
    await coach.choose('Of', /^Runa Vik/);
    await coach.press('button', 'Write the invitation');
    await coach.sees('guardian of Runa Vik');
    await joinAs('Saga Vik');
  });

  it('gives her the plan, which both see with what is left of it', async () => {
    await coach.page.goto(`${base}/practice/plans`);
    await coach.sees('Nobody has a plan yet.');
    await coach.choose('Give', 'Runa Vik');
    await coach.press('button', 'Give this plan');
    await coach.sees(/Runa Vik\s+Steady\s+1 of 1 left until/);
    expect(await findings(coach.page)).toEqual([]);
  });
});

describe('a new client', () => {
  let client: Visit;
  let guardian: Visit;

  it('sees before sending when the critique comes; her guardian says yes; nothing is left then', async () => {
    client = await visit(browser, base, runa, '/send', phone);
    await answerAllSteps(client, {
      ...{ file: join(folder, 'round.mp4'), you: 'in green', partner: 'in white', kind: 'Light sparring', attire: 'No jacket' },
      question: 'Where does it begin?',
    });
    await client.sees(/If you send this now, the critique comes by .* in eight of ten cases, and by .* at the latest\./);
    expect(await findings(client.page)).toEqual([]);
    await client.pressUntil('Send', () => client.page.evaluate(() => location.pathname === '/mine'));
    await client.sees('0 of 1 left until');
    guardian = await visit(browser, base, saga, '/mine', phone);
    await guardian.press('link', 'What you sent');
    await guardian.press('button', 'Yes, send it to the coach');
    await guardian.sees(/In eight of ten cases by .*; promised by .* at the latest\./);
  });

  it('of fifteen buys nothing: her guardian does, gets an invoice, and pays it by the stand-in’s key', async () => {
    await coach.page.goto(`${base}/practice/money`);
    await coach.press('button', 'Begin');
    await fillDate('Periods are invoiced from', dayAgo(-1));
    await coach.fill('Who writes them', 'Rhea Moss');
    expect(await findings(coach.page)).toEqual([]);
    await coach.press('button', 'Keep this');
    await coach.sees('Nothing is owed.');
    await client.page.goto(`${base}/plan`);
    await client.sees('0 of 1 left until');
    expect(await client.shows()).not.toContain('One more for');
    await guardian.page.goto(`${base}/plan`);
    await guardian.press('button', /One more for 25.00 EUR/);
    await guardian.sees('1 of 2 left until');
    await guardian.sees('Invoice 1');
    expect(await findings(guardian.page)).toEqual([]);
    await guardian.press('button', 'Pay 25.00 EUR');
    // The keys are there with the payment they are about.
    await guardian.sees('It is paid');
    expect(await findings(guardian.page)).toEqual([]);
    await guardian.page.keyboard.press('p');
    await guardian.sees('It was paid.');
    await guardian.press('link', 'Back to your plan');
    await guardian.sees(/25.00 EUR\s+One request more.*\s+paid/);
    await coach.page.reload();
    await coach.sees('Nothing is owed.');
    await coach.press('checkbox', 'settled ones too');
    await coach.sees('Saga Vik (for Runa Vik)');
  });

  it('is told by letter that it comes later when the coach is ill, and the coach’s day says so', async () => {
    await coach.page.goto(`${base}/today`);
    await coach.sees('Where does it begin?');
    await coach.page.goto(`${base}/practice/hours`);
    await coach.fill('What your clients read', 'A cold; nothing serious.');
    await coach.press('button', 'Pause, and move promises');
    // What the message of it says leaves again; the letters tell that the promise moved.
    await coach.sees('I am back');
    await coach.page.goto(`${base}/letters`);
    await coach.sees('Your critique comes later than promised');
    await coach.page.goto(`${base}/today`);
    await coach.sees(/You are away until .*, nothing late\./);
    await coach.page.goto(`${base}/practice/hours`);
    await coach.press('button', 'I am back');
    await coach.page.waitForFunction(() => !document.body.innerText.includes('I am back'));
    expect([...coach.faults, ...client.faults, ...guardian.faults]).toEqual([]);
  });
});
