import { demoPractice } from '@lean-mentor/demo';
import type { Browser } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { laptop, launch, visit, type Visit } from './visit.ts';

const base = process.env['LEAN_E2E_URL']!;
const ilse = demoPractice(new Date()).requests.find((r) => r.document && !r.critique)!;
const path = `/requests/${ilse.id}/critique`;
let browser: Browser;
let marit: Visit;

beforeAll(async () => {
  browser = await launch();
  marit = await visit(browser, base, 'marit', path, laptop);
});
afterAll(() => browser?.close());

const stored = (): Promise<{ doc: { content: { type: string; attrs?: { name?: string } }[] } }> =>
  marit.page.evaluate(async (id) => (await fetch(`/api/requests/${id}/critique`)).json(), ilse.id);
const fixNames = (): Promise<string[]> =>
  marit.page.$$eval('[aria-label="Name of the fix"]', (inputs) => inputs.map((input) => (input as HTMLInputElement).value));
const toEndOf = async (selector: string): Promise<void> => {
  await marit.page.click(selector);
  await marit.page.keyboard.press('End');
};

describe('the critique’s editor', () => {
  it('begins with a draft from the work, and says what it amounts to', async () => {
    await marit.sees('What went well');
    await marit.sees('Both your arms are long, hands on his arms');
    await marit.sees(/About \d+ minutes to read and watch/);
    expect((await fixNames()).length).toBeGreaterThanOrEqual(2);
  });

  it('moves a fix as a whole, and undo brings it back', async () => {
    const [first, second] = await fixNames();
    await marit.press('button', `“${first}” later`);
    await marit.page.waitForFunction(
      (name) => (document.querySelector('[aria-label="Name of the fix"]') as HTMLInputElement).value === name,
      {},
      second,
    );
    await marit.sees('Saved');
    expect(
      (await stored()).doc.content
        .filter(({ type }) => type === 'fix')
        .map(({ attrs }) => attrs?.name)
        .slice(0, 2),
    ).toEqual([second, first]);
    await marit.press('button', 'Undo');
    await marit.page.waitForFunction(
      (name) => (document.querySelector('[aria-label="Name of the fix"]') as HTMLInputElement).value === name,
      {},
      first,
    );
  });

  it('puts a moment in where one writes, and it stays tied to its note', async () => {
    const before = (await marit.page.$$('.critique-page figure')).length;
    await toEndOf('.critique-page blockquote + p');
    await marit.page.keyboard.type('The hand leaves first. ');
    await marit.page.click('[aria-label="Moments"] button');
    await marit.page.waitForFunction((count) => document.querySelectorAll('.critique-page figure').length === count + 1, {}, before);
    await marit.press('button', /Loops at half speed/);
    await marit.sees('Stands still');
    await marit.sees('Saved');
    expect(JSON.stringify((await stored()).doc)).toContain('"show":"still"');
  });

  it('keeps chosen words as a phrase, which is there the next time', async () => {
    await toEndOf('.critique-page blockquote + p');
    await marit.page.keyboard.type('Slowly first.');
    await marit.page.keyboard.down('Shift');
    for (let letter = 0; letter < 'Slowly first.'.length; letter++) await marit.page.keyboard.press('ArrowLeft');
    await marit.page.keyboard.up('Shift');
    await marit.press('button', 'Keep the chosen words as a phrase');
    await marit.page.waitForSelector('[aria-label="Forget Slowly first."]');
    await marit.page.reload();
    await marit.page.waitForSelector('[aria-label="Forget Slowly first."]');
  });

  it('says that it was changed elsewhere, keeps both, and goes on with what the coach chooses', async () => {
    await marit.sees('Saved');
    await marit.page.evaluate(async (id) => {
      const { token } = await (await fetch('/api/session')).json();
      const { revision } = await (await fetch(`/api/requests/${id}/critique`)).json();
      const doc = { type: 'doc', content: [{ type: 'paragraph', content: [{ type: 'text', text: 'Written elsewhere.' }] }] };
      const headers = { 'content-type': 'application/json', 'x-lean-token': token };
      await fetch(`/api/requests/${id}/critique`, { method: 'PUT', headers, body: JSON.stringify({ doc, revision }) });
    }, ilse.id);
    await toEndOf('.critique-page blockquote + p');
    await marit.page.keyboard.type(' And here.');
    await marit.sees('This was changed elsewhere while you wrote.');
    expect(JSON.stringify((await stored()).doc)).toContain('Written elsewhere.');
    await marit.press('button', 'Keep what is here');
    await marit.sees('Saved');
    expect(JSON.stringify((await stored()).doc)).toContain('And here.');
  });

  it('keeps what is written while nothing can be reached, also when the page is loaded anew', async () => {
    await marit.page.setRequestInterception(true);
    marit.page.on('request', (request) => void (request.method() === 'PUT' ? request.abort() : request.continue()));
    await toEndOf('.critique-page blockquote + p');
    await marit.page.keyboard.type(' Written in a tunnel.');
    await marit.sees('Kept here; the server cannot be reached');
    marit.page.removeAllListeners('request');
    await marit.page.setRequestInterception(false);
    await marit.page.reload();
    await marit.sees('Written in a tunnel.');
    await marit.sees('Saved');
    expect(JSON.stringify((await stored()).doc)).toContain('Written in a tunnel.');
  });

  it('drafts anew when asked, and undo brings the page back', async () => {
    await marit.press('button', 'Draft it anew');
    await marit.sees('Drafted anew from the desk and the ladder.');
    await marit.page.waitForFunction(() => !document.querySelector('.critique-page')!.textContent!.includes('tunnel'));
    await marit.page.$$eval('[data-message] button', (buttons) => buttons.find((button) => button.textContent === 'Undo')!.click());
    await marit.sees('Written in a tunnel.');
  });

  it('is in nobody’s way: no fault in the page', () => {
    expect(marit.faults.filter((fault) => !fault.includes('net::ERR_FAILED'))).toEqual([]);
  });
});
