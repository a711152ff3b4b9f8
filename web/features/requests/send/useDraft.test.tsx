// @vitest-environment jsdom
import type { Draft } from '@lean-mentor/contract';
import { configureStore } from '@reduxjs/toolkit';
import { act, cleanup, renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import { Provider } from 'react-redux';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { baseApi } from '../../../shared/wire/index.ts';
import { useDraft } from './useDraft.ts';

const draft = { id: 'd', step: 'footage', said: { event: 'Quay' } } as unknown as Draft;
/** What reached the server, and whether it can be reached. */
let saved: { step: string; said: object }[];
let reachable: boolean;

beforeEach(() => {
  vi.useFakeTimers();
  localStorage.clear();
  saved = [];
  reachable = true;
  vi.stubGlobal('fetch', async (_: URL, { body }: { body: string }) => {
    if (!reachable) throw new TypeError('no network');
    saved.push(JSON.parse(body) as (typeof saved)[number]);
    return Promise.resolve(new Response(JSON.stringify(draft)));
  });
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

function open() {
  const store = configureStore({
    reducer: { [baseApi.reducerPath]: baseApi.reducer },
    middleware: (standard) => standard().concat(baseApi.middleware),
  });
  const wrapper = ({ children }: { children: ReactNode }) => <Provider store={store}>{children}</Provider>;
  return renderHook(() => useDraft(draft), { wrapper }).result;
}
const pass = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms));

describe('a draft in hand', () => {
  it('shows what is said at once and saves it when the hand rests, only what was said here', async () => {
    const hand = open();
    act(() => hand.current.change({ question: 'W' }));
    act(() => hand.current.change({ question: 'Why?' }));
    expect(hand.current.said).toEqual({ event: 'Quay', question: 'Why?' });
    expect([hand.current.keeping.saving, saved.length]).toEqual(['kept', 0]);
    await pass(1000);
    expect(saved).toEqual([{ step: 'footage', said: { question: 'Why?' } }]);
    expect(hand.current.keeping.saving).toBe('saved');
    expect(localStorage).toHaveLength(0);
  });

  it('stays at its step when something is said after the step has been saved', async () => {
    const hand = open();
    act(() => hand.current.goTo('who'));
    await pass(1000);
    act(() => hand.current.change({ whoClient: 'violet top' }));
    await pass(1000);
    expect(saved.map(({ step }) => step)).toEqual(['who', 'who']);
  });

  it('keeps what does not reach the server, says so, and sends it when it can', async () => {
    reachable = false;
    const hand = open();
    act(() => hand.current.change({ question: 'Why?' }));
    act(() => hand.current.goTo('hurts'));
    await pass(1000);
    expect([hand.current.keeping.saving, hand.current.step, localStorage.length]).toEqual(['away', 'hurts', 1]);
    reachable = true;
    await pass(6000);
    expect(saved).toEqual([{ step: 'hurts', said: { question: 'Why?' } }]);
    expect([hand.current.keeping.saving, localStorage.length]).toEqual(['saved', 0]);
  });

  it('has again, after the browser was closed, what had not been saved', async () => {
    reachable = false;
    const before = open();
    act(() => before.current.change({ whoClient: 'violet top' }));
    await pass(1000);
    cleanup();
    reachable = true;
    const again = open();
    expect(again.current.said.whoClient).toBe('violet top');
    await pass(1000);
    expect(saved).toEqual([{ step: 'footage', said: { whoClient: 'violet top' } }]);
  });

  it('says on demand whether all of it has reached the server', async () => {
    const hand = open();
    act(() => hand.current.change({ question: 'Why?' }));
    await act(async () => expect(await hand.current.flush()).toBe(true));
    reachable = false;
    act(() => hand.current.change({ question: 'Why not?' }));
    await act(async () => expect(await hand.current.flush()).toBe(false));
  });
});
