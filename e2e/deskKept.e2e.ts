import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { demoPractice } from '@lean-mentor/demo';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { askAs } from './critiqueSteps.ts';
import { openDeskOf, type DeskPage } from './deskPage.ts';
import { launch, visit, laptop } from './visit.ts';

const base = process.env['LEAN_E2E_URL']!;
const { id } = demoPractice(new Date()).requests[0]!;

/** Kills the web server in the middle of whatever it does; the start script starts it again. */
async function killServer(): Promise<void> {
  const { status } = await fetch(process.env['LEAN_E2E_POWER']!, { method: 'POST' });
  expect(status).toBe(200);
}

/** Waits until the web server that was killed answers again. */
async function serverIsUp(): Promise<void> {
  while ((await fetch(`${base}/api/ready`).catch(() => null))?.status !== 200) await new Promise((resolve) => setTimeout(resolve, 200));
}

let browser: Browser;
let marit: DeskPage;
beforeAll(async () => {
  browser = await launch();
  marit = await openDeskOf(browser, base, 'marit', id);
});
beforeEach(() => marit.page.keyboard.press('Escape'));
afterAll(() => browser?.close());

describe('two people', () => {
  it('see each other’s marks and both versions of what both changed', async () => {
    const { page } = marit;
    await marit.goTo(0.8);
    await page.keyboard.press('KeyF');
    await page.keyboard.type('First version');
    await page.keyboard.press('Enter');
    const note = (await marit.until(
      async () => Object.values((await marit.desk()).notes).find(({ what }) => what === 'First version'),
      (found) => found !== undefined,
    ))!;
    await marit.visit.sees('Saved');
    // The other one's words arrive while this desk cannot hear of them.
    await page.setOfflineMode(true);
    const other = await visit(browser, base, 'jonas', '/today', laptop);
    await other.page.evaluate(
      async (request, noteId) => {
        const { token } = await (await fetch('/api/session')).json();
        const change = {
          changeId: crypto.randomUUID(),
          entity: 'note',
          id: noteId,
          before: { what: 'First version' },
          after: { what: 'Hers' },
        };
        await fetch(`/api/requests/${request}/desk/changes`, {
          method: 'POST',
          headers: { 'content-type': 'application/json', 'x-lean-token': token },
          body: JSON.stringify({ changes: [change], since: 0 }),
        });
      },
      id,
      note.id,
    );
    await page.keyboard.press('KeyF');
    await page.keyboard.type(' and mine');
    await page.keyboard.press('Enter');
    await marit.visit.sees('the server cannot be reached');
    await page.setOfflineMode(false);
    await page.keyboard.press('KeyF');
    await marit.visit.sees(/Both of you changed what happened.*“First version and mine”.*“Hers”/s);
    await other.page.close();
  });
});

/** Takes marks off the desk again: other tests look at it. */
async function takeAway(marks: { id: string }[]): Promise<void> {
  const most = 150;
  for (let at = 0; at < marks.length; at += most) {
    const changes = marks
      .slice(at, at + most)
      .map((mark) => ({ changeId: crypto.randomUUID(), entity: 'mark', id: mark.id, before: mark, after: null }));
    const { status, body } = await askAs(marit.page, 'POST', `/api/requests/${id}/desk/changes`, { changes, since: 0 });
    expect([status, status === 200 ? null : body]).toEqual([200, null]);
  }
}

describe('nothing is lost', () => {
  it('of five hundred edits when every third answer is dropped, and the server and the browser are killed in between', async () => {
    const folder = await mkdtemp(join(tmpdir(), 'lean-e2e-profile-'));
    try {
      let made = 0;
      const marksNow = async (page: Page) =>
        Object.values(
          (await page.evaluate(
            async (request) => (await (await fetch(`/api/requests/${request}/desk`)).json()).document.marks,
            id,
          )) as Record<string, object>,
        ).length;
      const before = await marksNow(marit.page);
      const there = new Set(Object.keys((await marit.desk()).marks));
      for (const share of [0.2, 0.6]) {
        await serverIsUp();
        const killed = await launch(folder);
        const desk = await openDeskOf(killed, base, 'marit', id, { sameProfile: true });
        const session = await desk.page.createCDPSession();
        let answers = 0;
        session.on('Fetch.requestPaused', ({ requestId }) => {
          answers += 1;
          void session
            .send(answers % 3 === 0 ? 'Fetch.failRequest' : 'Fetch.continueRequest', {
              requestId,
              ...(answers % 3 === 0 && { errorReason: 'ConnectionReset' }),
            } as never)
            .catch(() => undefined);
        });
        await session.send('Fetch.enable', { patterns: [{ urlPattern: '*/desk/changes', requestStage: 'Response' }] });
        await desk.goTo(share);
        for (let i = 0; i < 250; i++) {
          await desk.page.keyboard.press('KeyE');
          made += 1;
          if (i === 90) await killServer();
          if (i % 25 === 0) await desk.page.keyboard.press('KeyD');
        }
        // What is kept here survives; what is still on its way to the disk has not been said to be kept.
        await desk.page.waitForFunction(() => document.querySelector('[data-saving]')?.getAttribute('data-saving') !== 'writing');
        killed.process()!.kill('SIGKILL');
      }
      await serverIsUp();
      const last = await launch(folder);
      const desk = await openDeskOf(last, base, 'marit', id, { sameProfile: true });
      await desk.page.waitForFunction(() => document.querySelector('[data-saving]')?.getAttribute('data-saving') === 'saved', {
        timeout: 180_000,
      });
      await desk.until(
        () => marksNow(desk.page),
        (count) => count >= before + made,
      );
      expect(await marksNow(desk.page)).toBe(before + made);
      await last.close();
      await takeAway(Object.values((await marit.desk()).marks).filter((mark) => !there.has(mark.id)));
    } finally {
      // A browser that was killed may still be letting go of its files.
      await rm(folder, { recursive: true, force: true, maxRetries: 10, retryDelay: 200 });
    }
    // Two browsers, two killed servers and five hundred presses: on a slow machine minutes.
  });
});
