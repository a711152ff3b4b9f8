// @vitest-environment jsdom
import type { Draft } from '@lean-mentor/contract';
import { act, cleanup } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { renderAsking } from '../../../testing/withServer.tsx';
import { useDraft } from './useDraft.ts';

const draft = { id: 'd', step: 'footage', intake: { event: 'Quay' } } as unknown as Draft;
/** What reached the server, and whether it can be reached. */
let saved: { step: string; intake: object }[];
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

const open = () => renderAsking(() => useDraft(draft)).result;
const pass = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms));

describe('a draft in hand', () => {
  it('shows what is said at once and saves it when the hand rests, only what was said here', async () => {
    const written = open();
    act(() => written.current.change({ question: 'W' }));
    act(() => written.current.change({ question: 'Why?' }));
    expect(written.current.intake).toEqual({ event: 'Quay', question: 'Why?' });
    expect([written.current.keeping.saving, saved.length]).toEqual(['kept', 0]);
    await pass(1000);
    expect(saved).toEqual([{ step: 'footage', intake: { question: 'Why?' } }]);
    expect(written.current.keeping.saving).toBe('saved');
    expect(localStorage).toHaveLength(0);
  });

  it('stays at its step when something is said after the step has been saved', async () => {
    const written = open();
    act(() => written.current.goTo('who'));
    await pass(1000);
    act(() => written.current.change({ whoClient: 'violet top' }));
    await pass(1000);
    expect(saved.map(({ step }) => step)).toEqual(['who', 'who']);
  });

  it('keeps what does not reach the server, says so, and sends it when it can', async () => {
    reachable = false;
    const written = open();
    act(() => written.current.change({ question: 'Why?' }));
    act(() => written.current.goTo('hurts'));
    await pass(1000);
    expect([written.current.keeping.saving, written.current.step, localStorage.length]).toEqual(['away', 'hurts', 1]);
    reachable = true;
    await pass(6000);
    expect(saved).toEqual([{ step: 'hurts', intake: { question: 'Why?' } }]);
    expect([written.current.keeping.saving, localStorage.length]).toEqual(['saved', 0]);
  });

  it('has again, after the browser was closed, what had not been saved', async () => {
    reachable = false;
    const before = open();
    act(() => before.current.change({ whoClient: 'violet top' }));
    await pass(1000);
    cleanup();
    reachable = true;
    const again = open();
    expect(again.current.intake.whoClient).toBe('violet top');
    await pass(1000);
    expect(saved).toEqual([{ step: 'footage', intake: { whoClient: 'violet top' } }]);
  });

  it('has again what an earlier page had kept under another name', async () => {
    reachable = false;
    const before = open();
    act(() => before.current.change({ whoClient: 'violet top' }));
    await pass(1000);
    cleanup();
    const [key] = Object.keys(localStorage) as [string];
    localStorage.setItem(key, localStorage.getItem(key)!.replace('"intake"', '"said"'));
    reachable = true;
    expect(open().current.intake.whoClient).toBe('violet top');
    await pass(1000);
  });

  it('says on demand whether all of it has reached the server', async () => {
    const written = open();
    act(() => written.current.change({ question: 'Why?' }));
    await act(async () => expect(await written.current.flush()).toBe(true));
    reachable = false;
    act(() => written.current.change({ question: 'Why not?' }));
    await act(async () => expect(await written.current.flush()).toBe(false));
  });
});
