import { demoPractice } from '@lean-mentor/demo';
import type { Browser } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { askAs, sendWithMoment, type Asked } from './critiqueSteps.ts';
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
    await client.page.waitForSelector(`[data-fork="${noteId}"] video[data-stands="true"]`, { timeout: 30_000 });
    // What it shows stands where the fork opens, and nothing of what came after is told yet.
    await client.sees('What would you do here?');
    expect(await client.page.$('[aria-label="The coach’s order"]')).toBeNull();
    const first = fork!.options[0]!.do;
    await client.pressUntil(new RegExp(first.slice(0, 20)), async () => (await client.page.$('[aria-label="The coach’s order"]')) !== null);
    await client.sees(/You chose: .*as Marit would/s);
    await client.page.reload();
    await client.sees(/You chose: /);
    expect(client.faults).toEqual([]);

    const { answers } = (await ask('GET', `/api/requests/${ilse.id}/desk`)).body as { answers: { noteId: string; words: string }[] };
    expect(answers).toMatchObject([{ noteId, words: expect.stringContaining(first) }]);

    // As it was before: other tests look at Ilse’s request waiting.
    expect((await ask('POST', `/api/critiques/${critiqueId}/take-back`)).status).toBe(200);
    const change = { changeId: crypto.randomUUID(), entity: 'note', id: noteId, before: { fork }, after: { fork: null } };
    await ask('POST', `/api/requests/${ilse.id}/desk/changes`, { changes: [change], since: 0 });
    await ask('PUT', `/api/requests/${ilse.id}/critique`, { doc: { type: 'doc', content: [{ type: 'paragraph' }] }, revision: 2 });
    await client.page.close();
  });
});
