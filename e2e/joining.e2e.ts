import { demoPassword } from '@lean-mentor/demo';
import { generateSync } from 'otplib';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { findings } from './axe.ts';
import { laptop, launch, phone, visit, type Visit } from './visit.ts';

const base = process.env['LEAN_E2E_URL']!;
const email = 'runa.vik@harbour.example';
const words = 'slow hips before quick hands';

let browser: Browser;
let marit: Visit;
beforeAll(async () => {
  browser = await launch();
  marit = await visit(browser, base, 'marit', '/clients', laptop);
});
afterAll(() => browser?.close());

/** The link in the latest letter to an address, as the coach passes it on. */
async function linkFor(subject: string): Promise<string> {
  await marit.page.goto(`${base}/letters`);
  await marit.sees(subject);
  return marit.page.evaluate((wanted) => {
    const letter = [...document.querySelectorAll('li')].find((one) => one.innerText.includes(wanted))!;
    return letter.querySelector<HTMLElement>('[title*="/join/"], [title*="/forgotten/"]')!.title;
  }, subject);
}

/** Somebody with a phone of their own who was never here. */
async function stranger(path: string): Promise<Page> {
  const context = await browser.createBrowserContext();
  const page = await context.newPage();
  await page.setViewport(phone);
  await page.goto(path);
  return page;
}
const shows = (page: Page, text: RegExp): Promise<unknown> =>
  page.waitForFunction((source) => new RegExp(source).test(document.body.innerText), { timeout: 180_000 }, text.source);

describe('a new client', () => {
  let page: Page;

  it('is invited by the coach, chooses a password from the letter’s link on a phone, and is in', async () => {
    await marit.press('link', 'Invite somebody');
    await marit.sees('Nobody is invited yet');
    await marit.fill('Name', 'Runa Vik');
    await marit.fill('Address', email);
    await marit.press('button', 'Write the invitation');
    await marit.sees('its link opens until');
    expect(await findings(marit.page)).toEqual([]);
    const link = await linkFor('invites you to Lean Mentor');
    expect(await findings(marit.page)).toEqual([]);
    page = await stranger(link);
    await shows(page, /Marit Osei invites you as a client/);
    expect(await findings(page)).toEqual([]);
    await page.type('input[autocomplete="new-password"]', 'q1w2e3r4t5y6');
    await page.keyboard.press('Enter');
    await shows(page, /one of the passwords that are tried first/);
    await page.click('input[autocomplete="new-password"]', { count: 3 });
    await page.type('input[autocomplete="new-password"]', words);
    await page.keyboard.press('Enter');
    await shows(page, /My critiques/);
    expect(new URL(page.url()).pathname).toBe('/mine');
    await marit.page.goto(`${base}/clients`);
    await marit.sees('Runa Vik');
    // The link has been used.
    const late = await stranger(link);
    await shows(late, /This link has been used/);
    await late.browserContext().close();
  });

  it('sees where they are signed in, and changes the password, which signs them out everywhere else', async () => {
    await page.goto(`${base}/account`);
    await shows(page, /Where you are signed in/);
    await shows(page, /Chrome/);
    expect(await findings(page)).toEqual([]);
    await page.type('input[autocomplete="current-password"]', words);
    await page.type('input[autocomplete="new-password"]', 'quick hands after slow hips');
    await page.keyboard.press('Enter');
    await shows(page, /Your password is changed/);
  });

  it('who forgot it has a letter written, and comes in by its link', async () => {
    const lost = await stranger(base);
    await shows(lost, /Password forgotten/);
    await lost.click('a[href="/forgotten"]');
    // The page before it asks for an address too.
    await shows(lost, /A letter goes there/);
    await lost.type('input[autocomplete="username"]', email);
    await lost.keyboard.press('Enter');
    await shows(lost, /a letter is on its way/);
    await lost.goto(await linkFor('A new password'));
    await shows(lost, /A new password/);
    expect(await findings(lost)).toEqual([]);
    await lost.type('input[autocomplete="new-password"]', words);
    await lost.keyboard.press('Enter');
    await shows(lost, /My critiques/);
    // Where they were signed in before, they are not any more.
    await page.goto(`${base}/mine`);
    await shows(page, /Password forgotten/);
    await lost.browserContext().close();
    await page.browserContext().close();
  });
});

describe('an assistant’s second step', () => {
  it('is set up by scanning or writing a secret, asked for at the door, passed by a code for a lost device, and ended', async () => {
    const jonas = await visit(browser, base, 'jonas', '/account', laptop);
    await jonas.sees('A second step at the door');
    const { page } = jonas;
    const section = '[aria-label="A second step"]';
    await page.waitForSelector(`${section} input[type=password]`);
    await page.type(`${section} input[type=password]`, demoPassword);
    await jonas.press('button', 'Set it up');
    const secret = await page.waitForSelector(`${section} [data-secret]`);
    expect(await page.$eval(`${section} img`, (picture) => (picture as HTMLImageElement).naturalWidth)).toBeGreaterThan(100);
    expect(await findings(page)).toEqual([]);
    const letters = (await secret!.evaluate((element) => element.textContent)).replace(/\s/g, '');
    await page.type(`${section} input[autocomplete="one-time-code"]`, generateSync({ secret: letters }));
    await jonas.press('button', 'Ask for it from now on');
    await jonas.sees('they are not shown again');
    const [first, second] = await page.$$eval(`${section} li`, (all) => all.map((one) => one.innerText));
    await jonas.press('button', 'I have kept them');
    await jonas.sees(/Codes for a lost device: 10 left/);
    await jonas.press('button', 'Sign out');
    await page.waitForSelector('input[autocomplete="username"]');
    await page.type('input[autocomplete="username"]', 'jonas@skerrow.example');
    await page.type('input[type=password]', demoPassword);
    await jonas.press('button', 'Sign in');
    await jonas.sees('The six digits your device shows');
    expect(await findings(page)).toEqual([]);
    await page.type('input[autocomplete="one-time-code"]', first!);
    await page.keyboard.press('Enter');
    // Back where they were.
    await jonas.sees(/Codes for a lost device: 9 left/);
    await jonas.press('button', 'End it');
    await page.type(`${section} input[type=password]`, demoPassword);
    await page.type(`${section} input[autocomplete="one-time-code"]`, second!);
    await jonas.press('button', 'Ask for it no more');
    await jonas.sees('Set it up');
  });
});

describe('people', () => {
  it('are changed, paused and let in again by a coach, and a client’s page is put right', async () => {
    await marit.page.goto(`${base}/people`);
    await marit.sees('Who signs in here');
    await marit.sees(/guardian of Teo Abara-Lund \(agreed on/);
    expect(await findings(marit.page)).toEqual([]);
    await marit.press('button', 'Pause Jonas Wray');
    await marit.sees('paused since');
    await marit.press('button', 'Let Jonas Wray in again');
    await marit.page.waitForFunction(() => !document.body.innerText.includes('paused since'));
    await marit.press('button', 'Change Odalys Fenn');
    expect(await findings(marit.page)).toEqual([]);
    await marit.press('button', 'Keep it');
    await marit.press('button', 'Remove Odalys Fenn');
    await marit.sees('nobody can take that back');
    await marit.page.goto(`${base}/clients`);
    await marit.press('link', /Odalys Fenn/);
    await marit.press('button', 'Change …');
    await marit.fill('About', 'Back after two years away; nights on Tuesdays.');
    expect(await findings(marit.page)).toEqual([]);
    await marit.press('button', 'Keep it');
    await marit.sees('nights on Tuesdays');
    expect(marit.faults).toEqual([]);
  });
});

describe('letters', () => {
  const choose = (when: string): Promise<void> => marit.press('button', when);

  it('are worded by the coach, who sees how they read and what is wrong, and go as they came again', async () => {
    await marit.page.goto(`${base}/letters`);
    await marit.press('link', 'Their words');
    await choose('A plan is given, ended or paused');
    await marit.sees('From 2026-05-01 on your plan is “Steady”.');
    await marit.fill('Words', 'Hallo {nmae}, {change}');
    await marit.sees('“{nmae}” is no field of this letter.');
    await marit.fill('Words', 'Hallo {name}.');
    await marit.sees('{change} must stand in it');
    expect(await findings(marit.page)).toEqual([]);
    await marit.press('button', 'Put {change} in');
    await marit.sees('Hallo Ada Moor.From 2026-05-01');
    await marit.press('button', 'Keep these words');
    await marit.sees('in your own words');
    await marit.press('button', 'As it came');
    await marit.page.waitForFunction(() => !document.body.innerText.includes('in your own words'));
    expect(marit.faults).toEqual([]);
  });

  it('are read in the app on a phone, and by mail no more where they say so, which only they take back', async () => {
    const saga = await visit(browser, base, 'saga', '/own-letters', phone);
    await saga.sees('Invoice');
    await saga.sees('Letters come');
    expect(await findings(saga.page)).toEqual([]);
    await saga.press('radio', /Only in the app/);
    await saga.sees('Letters stay in the app from now on.');
    await marit.page.goto(`${base}/people`);
    await marit.sees('letters only in the app (their own wish)');
    await saga.press('radio', /By mail/);
    await saga.sees('Letters come to your address again.');
    expect(saga.faults).toEqual([]);
  });
});

describe('somebody who leaves', () => {
  it('takes everything along, asks to be forgotten and takes it back; the coach removes them with their name typed, and they are out', async () => {
    const runa = await visit(browser, base, { email, password: words }, '/account', phone);
    // What is fetched above it moves it down once it is there.
    await runa.sees('By mail');
    await runa.press('link', 'What is kept of Runa Vik');
    await runa.sees('Who looked, and who changed something');
    expect(await findings(runa.page)).toEqual([]);
    const zip = await runa.page.evaluate(async () => {
      const link = [...document.querySelectorAll('a')].find(({ innerText }) => innerText.startsWith('Take everything along'))!;
      const answer = await fetch(link.href);
      return [answer.headers.get('content-type'), new TextDecoder('latin1').decode((await answer.arrayBuffer()).slice(0, 2))];
    });
    expect(zip).toEqual(['application/zip', 'PK']);
    const typed = 'To be sure, type the whole name: Runa Vik';
    await runa.fill(typed, 'Runa');
    await runa.press('button', 'Have everything removed');
    await runa.sees('Type the whole name, Runa Vik');
    await runa.fill(typed, 'Runa Vik');
    await runa.press('button', 'Have everything removed');
    await runa.sees('It is done on');
    expect(await findings(runa.page)).toEqual([]);
    await marit.page.goto(`${base}/practice/kept`);
    await marit.sees('asked by Runa Vik');
    expect(await findings(marit.page)).toEqual([]);
    await runa.press('button', 'Take it back');
    await runa.sees('You can have everything about Runa Vik removed here.');
    await marit.page.reload();
    await marit.sees('Nobody has. Who does is removed a week later');
    await marit.page.goto(`${base}/clients`);
    await marit.press('link', /Runa Vik/);
    await marit.press('link', 'What is kept of Runa');
    await marit.sees('Removes everything about Runa Vik at once.');
    expect(await findings(marit.page)).toEqual([]);
    await marit.fill(typed, 'Runa Vik');
    await marit.press('button', 'Remove everything now');
    await marit.sees('Everything about them is removed');
    await marit.page.waitForFunction(() => !document.body.innerText.includes('Runa Vik'));
    await runa.page.reload();
    await runa.sees('Sign in');
    // The half name, which was refused.
    expect([...marit.faults, ...runa.faults]).toEqual([expect.stringContaining('400')]);
  });

  it('is, of each kind, kept as long as the coach says, who sees beforehand what would go', async () => {
    await marit.page.goto(`${base}/practice/kept`);
    await marit.fill('Letters: months', '0');
    await marit.sees('Months are whole numbers from 1 to 240, or empty.');
    await marit.fill('Letters: months', '240');
    await marit.page.waitForFunction(() => !document.body.innerText.includes('Months are whole numbers'));
    await marit.sees('nothing just now');
    await marit.press('button', 'Keep this');
    await marit.sees('That is kept.');
    await marit.page.reload();
    await marit.page.waitForFunction(() => document.querySelector<HTMLInputElement>('[aria-label="Letters: months"]')?.value === '240');
    expect(marit.faults).toEqual([]);
  });
});
