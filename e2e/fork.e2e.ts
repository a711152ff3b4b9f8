import { demoPractice } from '@lean-mentor/demo';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { askAs, sendWithMoment, takeBackSent, type Asked } from './critiqueSteps.ts';
import { openDeskOf, type DeskPage } from './deskPage.ts';
import { launch, phone, visit } from './visit.ts';

const base = process.env['LEAN_E2E_URL']!;
const ilse = demoPractice(new Date()).requests[0]!;
const noteId = Object.values(ilse.document!.notes).find(({ kind }) => kind === 'mistake')!.id;

let browser: Browser;
let marit: DeskPage;
beforeAll(async () => {
  browser = await launch();
  marit = await openDeskOf(browser, base, 'marit', ilse.id);
});
afterAll(() => browser?.close());

const ask = (...of: Asked): ReturnType<typeof askAs> => askAs(marit.page, ...of);
const forkOnDesk = async () => (await marit.desk()).notes[noteId]!.fork;

describe('a decision before a mistake', () => {
  it('is marked on the desk, asked of the client before they see what happened, and their choice reaches the coach', async () => {
    const { page, visit: coach } = marit;
    const words = ilse.document!.notes[noteId]!.what.slice(0, 24);
    await coach.press('button', new RegExp(words));
    await coach.press('button', /^A decision before it/);
    const fork = await marit.until(forkOnDesk, (one) => one !== null);
    expect(fork!.opensFrame).toBeLessThan(ilse.document!.notes[noteId]!.fromFrame);
    expect(fork!.options.filter(({ taken }) => taken)).toHaveLength(1);
    await page.waitForSelector(`[data-sheet-fork="${noteId}"]`);
    await coach.sees(/Open for \d\.\d s, 2\.\d s before this; nobody acted\./);

    const sent = await sendWithMoment(marit.page, ilse.id, noteId);
    expect(sent.status, JSON.stringify(sent.body)).toBe(200);
    const critiqueId = sent.body['id'] as string;

    const client = await visit(browser, base, 'ilse', `/critiques/${critiqueId}`, phone);
    await client.page.waitForSelector(`[data-fork="${noteId}"]`);
    await client.page.evaluate((id) => document.querySelector(`[data-fork="${id}"]`)!.scrollIntoView({ block: 'center' }), noteId);
    await client.page.waitForSelector(`[data-fork="${noteId}"] video[data-stands="true"]`, { timeout: 180_000 });
    // What it shows stands where the fork opens, and nothing of what came after is told yet.
    await client.sees('What would you do here?');
    await client.sees('The rest of this comes when you have said what you would do.');
    const instead = ilse.document!.notes[noteId]!.instead[0]!.when;
    expect(await client.page.evaluate(() => document.body.innerText)).not.toContain(`If ${instead}`);
    expect(await client.page.$('[aria-label="The coach’s order"]')).toBeNull();
    const first = fork!.options[0]!.do;
    await client.pressUntil(new RegExp(first.slice(0, 20)), async () => (await client.page.$('[aria-label="The coach’s order"]')) !== null);
    await client.sees(/You chose: .*as Marit would/s);
    await client.sees(new RegExp(`If ${instead}`));
    await client.page.reload();
    await client.sees(/You chose: /);
    expect(client.faults).toEqual([]);

    const { answers } = (await ask('GET', `/api/requests/${ilse.id}/desk`)).body as { answers: { noteId: string; words: string }[] };
    expect(answers).toMatchObject([{ noteId, words: expect.stringContaining(first) }]);

    // As it was before: other tests look at Ilse’s request waiting.
    const change = { changeId: crypto.randomUUID(), entity: 'note', id: noteId, before: { fork }, after: { fork: null } };
    await takeBackSent(page, ilse.id, critiqueId, change);
    await client.page.close();
  });
});

/** Which frames are shown beside each other, and what stands before the first of them. */
const besideFrames = (page: Page): Promise<number[]> =>
  page.$$eval('[data-beside] canvas', (all) => all.map((canvas) => Number(canvas.dataset['compareFrame'])));

describe('two stretches laid beside each other', () => {
  it('go with the critique: one picture at first, stepped through together on the client’s phone', async () => {
    const { footageId, fromFrame } = ilse.document!.notes[noteId]!;
    const before = (await marit.desk()).notes[noteId]!.comparisonId;
    const comparisonId = crypto.randomUUID();
    const item = (anchorFrame: number) => ({
      ...{ requestId: ilse.id, footageId, anchorFrame, mirrored: false },
      ...{ fromFrame: anchorFrame - 30, toFrame: anchorFrame + 30 },
    });
    const items = [item(fromFrame), item(fromFrame + 200)];
    const change = (entity: string, id: string, was: object | null, after: object | null) => ({
      ...{ changeId: crypto.randomUUID(), entity, id, before: was, after },
    });
    const changes = [
      change('comparison', comparisonId, null, { id: comparisonId, name: 'Two', layout: 'side', items }),
      change('note', noteId, { comparisonId: before }, { comparisonId }),
    ];
    await ask('POST', `/api/requests/${ilse.id}/desk/changes`, { changes, since: 0 });
    const sent = await sendWithMoment(marit.page, ilse.id, noteId, 'beside');
    expect(sent.status, JSON.stringify(sent.body)).toBe(200);

    const client = await visit(browser, base, 'ilse', `/critiques/${sent.body['id'] as string}`, phone);
    const { page } = client;
    await page.waitForSelector(`[data-beside="${noteId}"] img`);
    await page.$eval(`[data-beside="${noteId}"]`, (figure) => figure.scrollIntoView({ block: 'center' }));
    await page.waitForFunction(() => (document.querySelector('[data-beside] img') as HTMLImageElement).naturalWidth > 0);
    await client.press('button', /^Step through together/);
    await page.waitForFunction(() => document.querySelectorAll('[data-beside] canvas').length === 2);
    await expect.poll(() => besideFrames(page), { timeout: 180_000 }).toEqual([fromFrame, fromFrame + 200]);
    for (const _ of [1, 2]) await client.press('button', 'All one frame on');
    await expect.poll(() => besideFrames(page)).toEqual([fromFrame + 2, fromFrame + 202]);
    await client.press('button', 'All one frame back');
    await expect.poll(() => besideFrames(page)).toEqual([fromFrame + 1, fromFrame + 201]);
    await client.press('button', 'Play all at half speed');
    await expect.poll(() => besideFrames(page), { timeout: 180_000 }).toSatisfy(([first]: number[]) => first! > fromFrame + 10);
    expect(client.faults).toEqual([]);

    // As it was before: other tests look at Ilse’s request waiting.
    const back = change('note', noteId, { comparisonId }, { comparisonId: before });
    await takeBackSent(marit.page, ilse.id, sent.body['id'] as string, back);
    await page.close();
  });
});
