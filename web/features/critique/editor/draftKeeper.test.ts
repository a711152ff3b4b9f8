import { paragraph, type CritiqueDoc } from '@lean-mentor/core/critique';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { againMs, DraftKeeper, restMs, type SaveDraft } from './draftKeeper.ts';

const doc = (words: string): CritiqueDoc => ({ type: 'doc', content: [paragraph(words)] });
let shelf: CritiqueDoc | null;
let server: { doc: CritiqueDoc | null; revision: number };
let reachable: boolean;

const save: SaveDraft = async (written, revision) => {
  await new Promise((resolve) => setTimeout(resolve, 50));
  if (!reachable) return { fault: 'gone', conflict: false };
  if (revision !== server.revision) return { fault: 'changed', conflict: true };
  server = { doc: written, revision: revision + 1 };
  return { revision: server.revision };
};
const keeperAt = (revision = 0) => new DraftKeeper(save, { put: (one) => (shelf = one), clear: () => (shelf = null) }, revision);

beforeEach(() => {
  vi.useFakeTimers();
  [shelf, server, reachable] = [null, { doc: null, revision: 0 }, true];
});
afterEach(() => vi.useRealTimers());

describe('what is written', () => {
  it('is on this machine at once and on the server after a rest', async () => {
    const keeper = keeperAt();
    keeper.put(doc('a'));
    keeper.put(doc('ab'));
    expect([shelf, server.doc, keeper.snapshot().state]).toEqual([doc('ab'), null, 'saving']);
    await vi.advanceTimersByTimeAsync(restMs + 60);
    expect([shelf, server, keeper.snapshot().state]).toEqual([null, { doc: doc('ab'), revision: 1 }, 'saved']);
  });

  it('while a save is on its way is saved after it, on its revision', async () => {
    const keeper = keeperAt();
    keeper.put(doc('a'));
    const first = keeper.flush();
    await vi.advanceTimersByTimeAsync(10);
    keeper.put(doc('ab'));
    const second = keeper.flush();
    await vi.advanceTimersByTimeAsync(200);
    expect([await first, await second, server.doc]).toEqual([1, 2, doc('ab')]);
  });

  it('stays on this machine while nothing can be reached, and is sent when it can', async () => {
    const keeper = keeperAt();
    reachable = false;
    keeper.put(doc('a'));
    await vi.advanceTimersByTimeAsync(restMs + 60);
    expect([shelf, keeper.snapshot().state, keeper.snapshot().fault]).toEqual([doc('a'), 'kept', 'gone']);
    reachable = true;
    await vi.advanceTimersByTimeAsync(againMs + 60);
    expect([shelf, server.doc, keeper.snapshot().state]).toEqual([null, doc('a'), 'saved']);
  });

  it('is never put over what somebody else wrote: it waits for a decision', async () => {
    const keeper = keeperAt();
    server = { doc: doc('theirs'), revision: 5 };
    keeper.put(doc('mine'));
    await vi.advanceTimersByTimeAsync(restMs + 60);
    keeper.put(doc('mine too'));
    await vi.advanceTimersByTimeAsync(againMs * 3);
    expect([server.doc, shelf, keeper.snapshot().state]).toEqual([doc('theirs'), doc('mine too'), 'conflict']);
    const nothing = keeper.flush();
    await vi.advanceTimersByTimeAsync(60);
    expect(await nothing).toBeNull();

    keeper.settle(5, doc('mine too'));
    await vi.advanceTimersByTimeAsync(60);
    expect([server.doc, shelf, keeper.snapshot()]).toEqual([doc('mine too'), null, { state: 'saved', fault: undefined, revision: 6 }]);
  });

  it('can be given up for what is there', async () => {
    const keeper = keeperAt();
    server = { doc: doc('theirs'), revision: 5 };
    keeper.put(doc('mine'));
    await vi.advanceTimersByTimeAsync(restMs + 60);
    keeper.settle(5, null);
    await vi.advanceTimersByTimeAsync(againMs * 2);
    expect([server.doc, shelf, keeper.snapshot().state]).toEqual([doc('theirs'), null, 'saved']);
  });
});
