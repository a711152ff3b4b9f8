// @vitest-environment jsdom
import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { z } from 'zod';
import { ShelvedThing } from './shelvedThing.ts';
import { browserShelf } from './shelf.ts';
import { useKept } from './useKept.ts';

let sent: string[];
const send = (words: string) => {
  sent.push(words);
  return Promise.resolve({ data: true as const });
};
const open = () => {
  const make = () => new ShelvedThing({ shelf: browserShelf({ name: 'p', schema: z.string() }), send, restMs: 400 });
  const { result, unmount } = renderHook(() => useKept(make));
  return { put: (words: string) => act(() => result.current[0].put(words)), saving: () => result.current[1].saving, unmount };
};
beforeEach(() => {
  vi.useFakeTimers();
  localStorage.clear();
  sent = [];
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});
const pass = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms));

describe('what was written in the last moment', () => {
  it('is sent when its part of the page goes away', async () => {
    const { put, unmount } = open();
    put('last words');
    unmount();
    await pass(0);
    expect(sent).toEqual(['last words']);
  });

  it.each(['pagehide', 'online'])('is sent at %s', async (event) => {
    const { put } = open();
    put('last words');
    dispatchEvent(new Event(event));
    await pass(0);
    expect(sent).toEqual(['last words']);
  });

  it('is not sent twice', async () => {
    const { put, unmount } = open();
    put('once');
    await pass(1000);
    unmount();
    await pass(1000);
    expect(sent).toEqual(['once']);
  });

  it('is shown where it stands', async () => {
    const { put, saving } = open();
    put('words');
    expect(saving()).toBe('kept');
    await pass(1000);
    expect(saving()).toBe('saved');
  });
});
