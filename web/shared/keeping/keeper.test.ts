// @vitest-environment jsdom
import { z } from 'zod';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { WireFault } from '../wire/index.ts';
import { Keeper } from './keeper.ts';
import { savingWords } from './savingWords.ts';
import { browserShelf } from './shelf.ts';
import { ShelvedThing } from './shelvedThing.ts';

const restMs = 500;
/** What the server has, in the order it came, and what it answers next; without a word it takes everything. */
let server: string[];
let answers: (WireFault['code'] | 'slow')[];
const fault = (code: WireFault['code']): WireFault => ({ code, message: `Because of ${code}.` });
const send = async (things: readonly string[]): Promise<{ data?: number; error?: WireFault }> => {
  const answer = answers.shift();
  await new Promise((resolve) => setTimeout(resolve, answer === 'slow' ? 400 : 50));
  if (answer && answer !== 'slow') return { error: fault(answer) };
  if (things.includes('bad')) return { error: fault('not-valid') };
  server.push(...things);
  return { data: server.length };
};
const shelf = () => browserShelf({ name: 'page', subject: 'r', schema: z.string().max(40) });
const page = (over?: (waiting: string, next: string) => string) =>
  new ShelvedThing({ shelf: shelf(), send: (words: string) => send([words]), restMs, ...(over && { over }) });
const pass = (ms: number) => vi.advanceTimersByTimeAsync(ms);

beforeEach(() => {
  vi.useFakeTimers();
  localStorage.clear();
  [server, answers] = [[], []];
});
afterEach(() => {
  vi.useRealTimers();
  vi.restoreAllMocks();
});

describe('what is written', () => {
  it('is in this browser at once, and on the server when the hand has rested', async () => {
    const kept = page();
    for (const words of ['a', 'ab']) kept.put(words);
    expect([shelf().read(), kept.snapshot().saving, server]).toEqual(['ab', 'kept', []]);
    await pass(restMs + 60);
    expect([shelf().read(), kept.snapshot().saving, server]).toEqual([null, 'saved', ['ab']]);
  });

  it('while a call is on its way goes after it', async () => {
    const kept = page();
    answers = ['slow'];
    kept.put('a');
    const first = kept.flush();
    await pass(100);
    kept.put('ab');
    await pass(1000);
    expect([await first, server, kept.snapshot().saving]).toEqual([true, ['a', 'ab'], 'saved']);
  });

  it('is gone over what waits as its owner says', async () => {
    const kept = page((waiting, next) => `${waiting} ${next}`);
    for (const words of ['one', 'two']) kept.put(words);
    await pass(restMs + 60);
    expect(server).toEqual(['one two']);
  });

  it('stays here while the server is away, and is tried again at longer and longer pauses', async () => {
    const kept = page();
    answers = Array.from({ length: 6 }, () => 'offline');
    const tries: number[] = [];
    kept.put('a');
    for (let second = 0; second < 60; second++) {
      await pass(1000);
      tries.push(6 - answers.length);
    }
    expect(tries.slice(0, 10)).toEqual([1, 2, 2, 3, 3, 3, 3, 4, 4, 4]);
    expect([server, kept.snapshot().saving]).toEqual([['a'], 'saved']);
  });

  it('is sent again at longer and longer pauses where the server answers and yet takes nothing', async () => {
    let sent = 0;
    const kept = new Keeper<string, number>({
      queue: { waiting: () => ['a'], isKept: () => true, taken: () => undefined, refused: () => undefined },
      send: (things) => ((sent += 1), send(things)),
      restMs: 0,
    });
    kept.written();
    await pass(20_000);
    expect([sent, kept.snapshot().saving]).toEqual([5, 'away']);
  });

  it('says that it is kept, and that the server is away, while it is', async () => {
    const kept = page();
    answers = ['busy'];
    kept.put('a');
    await pass(restMs + 60);
    expect([kept.snapshot(), savingWords(kept.snapshot())]).toEqual([
      { saving: 'away', fault: fault('busy') },
      'Kept here; the server cannot be reached',
    ]);
  });

  it('is sent at once by who leaves', async () => {
    const kept = page();
    kept.put('last words');
    void kept.flush();
    await pass(60);
    expect(server).toEqual(['last words']);
  });

  it('by an earlier visit that could not send it is there again, and sent', async () => {
    shelf().put('from before');
    const kept = page();
    expect(kept.unsaved()).toBe('from before');
    await pass(restMs + 60);
    expect([server, shelf().read()]).toEqual([['from before'], null]);
  });

  it('that is refused is not sent again as it is, and is when it has been changed', async () => {
    const kept = page();
    kept.put('bad');
    await pass(60_000);
    expect([server, kept.snapshot(), shelf().read()]).toEqual([[], { saving: 'refused', fault: fault('not-valid') }, 'bad']);
    kept.put('good');
    await pass(restMs + 60);
    expect([server, kept.snapshot().saving]).toEqual([['good'], 'saved']);
  });

  it('over what somebody else changed waits for a decision, also when more is written and when it is left', async () => {
    const kept = page();
    answers = ['changed-meanwhile'];
    kept.put('mine');
    await pass(restMs + 60);
    kept.put('mine too');
    await pass(60_000);
    const left = kept.flush();
    await pass(60);
    expect([await left, server, shelf().read(), kept.snapshot().fault?.code]).toEqual([false, [], 'mine too', 'changed-meanwhile']);
    kept.drop();
    kept.put('decided');
    await pass(restMs + 60);
    expect([server, kept.snapshot().saving]).toEqual([['decided'], 'saved']);
  });

  it('in a browser that keeps nothing is sent all the same, and never called kept', async () => {
    vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new Error('full');
    });
    const kept = page();
    const said = new Set<string>();
    kept.subscribe(() => said.add(kept.snapshot().saving));
    answers = ['offline'];
    kept.put('a');
    await pass(restMs + 60);
    expect(savingWords(kept.snapshot())).toBe('Neither kept here nor sent: leave this page open');
    await pass(5000);
    expect([[...said], server]).toEqual([['writing', 'saved'], ['a']]);
  });
});

describe('things in a row', () => {
  const rowOf = (...things: string[]) => {
    const refused: string[] = [];
    const lots: (readonly string[])[] = [];
    const keeper = new Keeper<string, number>({
      restMs: 0,
      mostAtOnce: 3,
      send: (lot) => (lots.push(lot), send(lot)),
      queue: {
        waiting: () => things,
        isKept: () => true,
        taken: (sent) => things.splice(0, sent.length),
        refused: (one) => (refused.push(one), things.shift()),
      },
    });
    return { keeper, things, refused, lots };
  };

  it('are sent in their order, so many at once', async () => {
    const { keeper, lots } = rowOf('a', 'b', 'c', 'd');
    keeper.written();
    await pass(1000);
    expect([lots, server]).toEqual([
      [['a', 'b', 'c'], ['d']],
      ['a', 'b', 'c', 'd'],
    ]);
  });

  it('of which one is refused are sent one by one until it is found, and the rest goes on together', async () => {
    const { keeper, refused, lots } = rowOf('a', 'bad', 'c', 'd', 'e');
    keeper.written();
    await pass(2000);
    expect([server, refused, keeper.snapshot().saving]).toEqual([['a', 'c', 'd', 'e'], ['bad'], 'saved']);
    expect(lots.at(-1)).toEqual(['c', 'd', 'e']);
  });
});

describe('a shelf', () => {
  it('reads nothing from what is not what it says', () => {
    for (const text of ['{"no": "string"}', 'no json', JSON.stringify('x'.repeat(41))]) {
      localStorage.setItem('lean-mentor//page/r', text);
      expect(shelf().read()).toBeNull();
    }
    shelf().put('whole');
    expect(shelf().read()).toBe('whole');
  });

  it('takes over what an earlier version of the page kept elsewhere, once', () => {
    localStorage.setItem('before--r', JSON.stringify(['old words']));
    const formerly = { key: (account: string) => `before-${account}-r`, as: (kept: unknown) => (kept as string[])[0] };
    const renewed = () => browserShelf({ name: 'page', subject: 'r', formerly, schema: z.string() });
    expect(renewed().read()).toBe('old words');
    renewed().clear();
    expect([renewed().read(), localStorage.length]).toEqual([null, 0]);
  });

  it('is its subject’s alone', () => {
    shelf().put('mine');
    expect(browserShelf({ name: 'page', subject: 'other', schema: z.string() }).read()).toBeNull();
    expect(browserShelf({ name: 'else', subject: 'r', schema: z.string() }).read()).toBeNull();
  });
});
