// @vitest-environment jsdom
import { paragraph, type CritiqueDoc } from '@lean-mentor/core/critique';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { keptCritique } from './keptCritique.ts';

const doc = (words: string): CritiqueDoc => ({ type: 'doc', content: [paragraph(words)] });
let server: { doc: CritiqueDoc | null; revision: number };
/** What becomes of the next saves: not reached, or taken with the answer lost on the way. */
let weather: ('away' | 'answer-lost')[];

const calls = {
  save: (page: { doc: CritiqueDoc; revision: number }) => {
    const now = weather.shift();
    if (now === 'away') return Promise.resolve({ error: { code: 'offline', message: 'Away.' } });
    if (page.revision !== server.revision) return Promise.resolve({ error: { code: 'changed-meanwhile', message: 'Changed.' } });
    server = { doc: page.doc, revision: page.revision + 1 };
    if (now === 'answer-lost') return Promise.resolve({ error: { code: 'offline', message: 'Away.' } });
    return Promise.resolve({ data: { revision: server.revision } });
  },
  ask: () => Promise.resolve({ data: server }),
};
const open = (revision = server.revision) => keptCritique('r', revision, calls);
const pass = (ms: number) => vi.advanceTimersByTimeAsync(ms);

beforeEach(() => {
  vi.useFakeTimers();
  localStorage.clear();
  [server, weather] = [{ doc: null, revision: 0 }, []];
});
afterEach(() => vi.useRealTimers());

describe('a critique in hand', () => {
  it('is saved on the revision that the last save made', async () => {
    const page = open();
    for (const words of ['a', 'ab', 'abc']) {
      page.putDoc(doc(words));
      await pass(1000);
    }
    expect([server, await page.flushed()]).toEqual([{ doc: doc('abc'), revision: 3 }, 3]);
  });

  it('whose answer was lost is known by its words: nobody else wrote, and it goes on', async () => {
    const page = open();
    weather = ['answer-lost'];
    page.putDoc(doc('mine'));
    await pass(800);
    page.putDoc(doc('mine, and more'));
    await pass(5000);
    expect([server, page.snapshot().saving]).toEqual([{ doc: doc('mine, and more'), revision: 2 }, 'saved']);
  });

  it('that was sent as the page was left is no conflict at the next visit', async () => {
    const left = open();
    weather = ['answer-lost'];
    left.putDoc(doc('last words'));
    void left.flush();
    await pass(0);
    weather = ['away', 'away', 'away', 'away', 'away'];
    const again = open();
    expect(again.kept).toEqual(doc('last words'));
    weather = [];
    await pass(2000);
    expect(again.snapshot()).toEqual({ saving: 'saved', fault: null });
    expect(server.doc).toEqual(doc('last words'));
  });

  it('kept from an earlier visit is not put over what somebody else wrote since', async () => {
    weather = ['away', 'away', 'away', 'away', 'away'];
    const left = open();
    left.putDoc(doc('mine'));
    await pass(800);
    server = { doc: doc('theirs'), revision: 5 };
    weather = [];
    const again = open();
    await pass(2000);
    expect([server.doc, again.kept, again.snapshot().fault?.code]).toEqual([doc('theirs'), doc('mine'), 'changed-meanwhile']);
    again.settle(5, doc('mine'));
    await pass(100);
    expect([server, again.snapshot().saving]).toEqual([{ doc: doc('mine'), revision: 6 }, 'saved']);
  });

  it('can be given up for what is there', async () => {
    const page = open();
    server = { doc: doc('theirs'), revision: 5 };
    page.putDoc(doc('mine'));
    await pass(1000);
    page.settle(5, null);
    await pass(10_000);
    expect([server.doc, localStorage.length, page.snapshot().saving]).toEqual([doc('theirs'), 0, 'saved']);
  });
});
