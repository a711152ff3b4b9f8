// @vitest-environment jsdom
import { bout, type Bout, type BoutEdit, type Request } from '@lean-mentor/contract';
import { act, cleanup } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { renderAsking } from '../../testing/withServer.tsx';
import { useBouts } from './useBouts.ts';

const boutOf = (fields: Partial<Bout>): Bout =>
  bout.parse({ id: crypto.randomUUID(), fromFrame: 0, toFrame: 90, spans: [], version: 1, ...fields });
const first = boutOf({});
const request = { id: 'r', footages: [{ id: 'v', bouts: [first] }] } as unknown as Request;
let sent: BoutEdit[][];
let answer: 'taken' | 'away' | 'changed-meanwhile';

beforeEach(() => {
  vi.useFakeTimers();
  localStorage.clear();
  [sent, answer] = [[], 'taken'];
  vi.stubGlobal('fetch', (_: URL, { body }: { body: string }) => {
    if (answer === 'away') return Promise.reject(new TypeError('no network'));
    if (answer === 'changed-meanwhile')
      return Promise.resolve(new Response(JSON.stringify({ code: answer, message: 'Somebody else.' }), { status: 409 }));
    const { edits } = JSON.parse(body) as { edits: BoutEdit[] };
    sent.push(edits);
    const bouts = edits.flatMap(({ id, base, after }) => (after ? [boutOf({ ...after, id, version: base + 1 })] : []));
    return Promise.resolve(new Response(JSON.stringify({ bouts })));
  });
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const open = () => renderAsking(() => useBouts(request));
const pass = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms));
const shortened = (toFrame: number) => ({ v: [{ ...first, toFrame }] });

describe('bouts that are edited here', () => {
  it('that were changed in the last moment are saved when the page is left', async () => {
    const { result, unmount } = open();
    act(() => result.current.put(shortened(60)));
    unmount();
    await pass(0);
    expect(sent.flat().map(({ id, base, after }) => [id, base, after?.toFrame])).toEqual([[first.id, 1, 60]]);
  });

  it('that could not be saved are there at the next visit, edited from what they were edited from', async () => {
    answer = 'away';
    const { result, unmount } = open();
    act(() => result.current.put(shortened(60)));
    await pass(1000);
    expect(result.current.keeping.saving).toBe('away');
    unmount();
    answer = 'taken';
    const again = open();
    expect(again.result.current.bouts['v']?.[0]?.toFrame).toBe(60);
    await pass(1000);
    expect(sent.flat().map(({ base, after }) => [base, after?.toFrame])).toEqual([[1, 60]]);
    expect([again.result.current.keeping.saving, localStorage.length]).toEqual(['saved', 0]);
  });

  it('go back and forth, and each step is saved on the version that the last one made', async () => {
    const { result } = open();
    act(() => result.current.put(shortened(60)));
    await pass(1000);
    act(() => result.current.undo());
    await pass(1000);
    act(() => result.current.redo());
    await pass(1000);
    expect(sent.flat().map(({ base, after }) => [base, after?.toFrame])).toEqual([
      [1, 60],
      [2, 90],
      [3, 60],
    ]);
  });

  it('that somebody else changed are not saved over theirs, and can be let go', async () => {
    answer = 'changed-meanwhile';
    const { result } = open();
    act(() => result.current.put(shortened(60)));
    await pass(1000);
    answer = 'taken';
    act(() => result.current.put(shortened(50)));
    await pass(60_000);
    expect([sent, result.current.keeping.fault?.message]).toEqual([[], 'Somebody else.']);
    act(() => result.current.letGo());
    expect([result.current.bouts['v'], localStorage.length]).toEqual([[first], 0]);
  });
});
