import { demoPractice } from '@lean-mentor/demo';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { findings } from './axe.ts';
import { cuttableNetwork, type CuttableNetwork } from './cuttableNetwork.ts';
import { smallTargets } from './targets.ts';
import { laptop, launch, phone, visit, type Visit } from './visit.ts';

const base = process.env['LEAN_E2E_URL']!;
const practice = demoPractice(new Date());
const bramId = practice.clients.find(({ name }) => name.startsWith('Bram'))!.id;
const guard = practice.work.find(({ terms }) => terms.name.startsWith('Closed guard'))!;

let browser: Browser;
let network: CuttableNetwork;
let bram: Visit;
let marit: Visit;
beforeAll(async () => {
  browser = await launch();
  network = await cuttableNetwork(base);
  bram = await visit(browser, network.base, 'bram', '/work', phone);
  marit = await visit(browser, base, 'marit', `/clients/${bramId}/work`, laptop);
});
afterAll(async () => {
  await network?.close();
  await browser?.close();
});

/** What the coach's side has of what was done of the round that begins today. */
const arrived = async (): Promise<{ id: string; rounds: { presses: object[] }[]; line: string }[]> =>
  marit.page.evaluate(
    async (client, id) => {
      const { work } = await (await fetch(`/api/clients/${client}/work`)).json();
      return work.find((one: { id: string }) => one.id === id).done;
    },
    bramId,
    guard.id,
  );

/** Lets the round's clock run on, as if so much time had passed with the phone in a pocket. */
const passTime = (page: Page, seconds: number): Promise<void> =>
  page.evaluate((ms) => {
    const key = Object.keys(localStorage).find((one) => one.includes('/doing/'))!;
    const doing = JSON.parse(localStorage.getItem(key)!);
    doing.timer.startedAt -= ms;
    localStorage.setItem(key, JSON.stringify(doing));
  }, seconds * 1000);

describe('work on the mat, on a phone whose network is cut', () => {
  it('is there with timer and count; the page is killed in the middle; when the network is back everything is there once', async () => {
    await bram.sees('Closed guard, from below');
    await bram.page.evaluate(async () => void (await navigator.serviceWorker.ready));
    await bram.page.waitForFunction(() => navigator.serviceWorker.controller !== null, { timeout: 180_000 });
    await network.cut();
    await bram.page.goto(`${network.base}/work`);
    await bram.sees('No network: this is as it came last');
    await bram.press('link', 'Begin: Closed guard, from below: break, then turn');
    await bram.press('button', /Start in 10 s/);
    await bram.sees('Get ready');
    expect(await smallTargets(bram.page)).toEqual([]);
    await passTime(bram.page, 70);
    await bram.page.reload();
    await bram.sees('Work');
    for (const end of [/^passed/, /^passed/, /^swept/, /^tap/]) await bram.press('button', end);
    await bram.press('button', /Undo/);
    // Killed, not left: nothing is sent or saved on the way out.
    const context = bram.page.browserContext();
    const session = await bram.page.createCDPSession();
    void session.send('Page.crash').catch(() => undefined);
    const again = await context.newPage();
    await again.setViewport(phone);
    await again.goto(`${network.base}/work`);
    const press = async (name: string): Promise<void> => {
      const found = (await again.waitForSelector(`::-p-aria([name="${name}"])`, { timeout: 180_000 }))!;
      // The bar at the foot lies over what is at the very bottom.
      await found.evaluate((element) => element.scrollIntoView({ block: 'center' }));
      await found.click();
    };
    await again.locator('::-p-text(In the middle of)').click();
    await again.waitForSelector('[data-phase="work"]');
    expect(await again.$$eval('[data-count]', (all) => all.map((one) => one.textContent))).toEqual(['1', '0', '2']);
    await press('End here');
    await again.waitForFunction(() => document.body.innerText.includes('1 of 3'));
    expect(await findings(again)).toEqual([]);
    expect(await smallTargets(again)).toEqual([]);
    await again.type('input', 'Cold hall.');
    await press('Nothing hurts');
    await press('Keep it');
    await again.waitForSelector('[data-unsent="1"]');
    expect(await arrived()).toEqual([]);
    await network.mend();
    await again.evaluate(() => dispatchEvent(new Event('online')));
    await again.waitForFunction(() => document.querySelector('[data-unsent]') === null, { timeout: 180_000 });
    const done = await arrived();
    expect(done).toMatchObject([{ line: 'Cold hall.', rounds: [{ presses: [{ wayId: 'w3' }, { wayId: 'w3' }, { wayId: 'w1' }] }] }]);
    // Whoever looks again sends nothing again.
    await again.reload();
    await again.waitForFunction(() => document.body.innerText.includes('1 of 3'), { timeout: 180_000 });
    expect(await arrived()).toEqual(done);
    expect(await smallTargets(again)).toEqual([]);
    expect(await findings(again)).toEqual([]);
    // Nothing of it stays for the tests that come after.
    await again.evaluate(
      async (client, work, id) => {
        const { token } = await (await fetch('/api/session')).json();
        await fetch(`/api/clients/${client}/work/${work}/done/${id}`, { method: 'DELETE', headers: { 'x-lean-token': token } });
      },
      bramId,
      guard.id,
      done[0]!.id,
    );
    await again.close();
  });
});

describe('work, for the coach', () => {
  it('shows honestly what the retests tell: better for Bram, too little for Noor', async () => {
    await marit.sees('Better: 2 of 9, then 3 of 10, then 5 of 10, then 6 of 9, then 8 of 10.');
    expect(await findings(marit.page)).toEqual([]);
    const noor = practice.clients.find(({ name }) => name.startsWith('Noor'))!.id;
    await marit.page.goto(`${base}/clients/${noor}/work`);
    await marit.sees('Too little to tell: 3 of 7, then 4 of 8.');
    await marit.page.goto(`${base}/week`);
    await marit.sees('Work this week');
    expect(await findings(marit.page)).toEqual([]);
  });

  it('is proposed for a fix, changed, given, and on the client’s phone', async () => {
    await marit.page.goto(`${base}/clients/${bramId}/work/give`);
    await marit.press('button', /^Low in mount when they bridge/);
    await marit.sees('Three-quarter mount, on top');
    expect(await findings(marit.page)).toEqual([]);
    await marit.press('button', /^Ride the bridge/);
    await marit.press('button', /^Give it/);
    await marit.sees('Ride the bridge');
    await marit.sees('Not done yet.');
    const phoneOfBram = await visit(browser, base, 'bram', '/work', phone);
    await phoneOfBram.sees('Ride the bridge');
    expect(phoneOfBram.faults).toEqual([]);
    await marit.page.evaluate(async (client) => {
      const { token } = await (await fetch('/api/session')).json();
      const { work } = await (await fetch(`/api/clients/${client}/work`)).json();
      const { id } = work.find((one: { terms: { name: string } }) => one.terms.name === 'Ride the bridge');
      const headers = { 'x-lean-token': token, 'content-type': 'application/json' };
      await fetch(`/api/clients/${client}/work/${id}/end`, { method: 'POST', headers, body: JSON.stringify({ ended: true, words: '' }) });
    }, bramId);
    expect(marit.faults).toEqual([]);
  });
});

describe('every page of the client', () => {
  const sent = practice.requests.find(({ critique }) => critique)!;
  let page: Page;
  beforeAll(async () => {
    ({ page } = await visit(browser, base, 'bram', '/mine', phone));
  });
  afterAll(() => page?.close());

  it.each([
    '/mine',
    '/send',
    '/work',
    `/training/${bramId}`,
    '/own-letters',
    '/plan',
    '/account',
    `/critiques/${sent.critique!.id}`,
    `/requests/${sent.id}`,
    '/kept',
  ])('%s has nothing to press that a thumb would miss', async (path) => {
    await page.goto(base + path);
    // All of it is there: nothing stands in its place any more.
    await page.waitForFunction(() => document.querySelector('h1') && !document.querySelector('[aria-label="Loading"]'));
    expect(await smallTargets(page)).toEqual([]);
  });
});
