// @vitest-environment jsdom
import { act, cleanup, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { renderAsking } from '../../testing/withServer.tsx';
import { useViewing } from './useViewing.ts';

/** How often the server was asked for addresses; each time they are others. */
let asked: number;

beforeEach(() => {
  asked = 0;
  vi.stubGlobal('fetch', () => {
    asked += 1;
    const at = (name: string) => `/${name}?${asked}`;
    const addresses = { reviewCopy: at('copy'), poster: at('poster'), strip: at('strip'), until: '2031-01-01T10:00:00.000Z' };
    return Promise.resolve(new Response(JSON.stringify(addresses)));
  });
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('the addresses of a footage’s files', () => {
  it('are asked for again when they no longer load, once in ten seconds at most', async () => {
    const { result } = renderAsking(() => useViewing('f'));
    await waitFor(() => expect(result.current.addresses?.reviewCopy).toBe('/copy?1'));
    vi.useFakeTimers({ toFake: ['Date'] });
    for (let time = 0; time < 3; time++) act(() => result.current.askAgain());
    await waitFor(() => expect(result.current.addresses?.reviewCopy).toBe('/copy?2'));
    expect(asked).toBe(2);
    vi.setSystemTime(Date.now() + 10_001);
    act(() => result.current.askAgain());
    await waitFor(() => expect(asked).toBe(3));
  });

  it('that were never asked for, while it is being made ready, are not asked for again', () => {
    const { result } = renderAsking(() => useViewing('f', { skip: true }));
    expect(() => act(() => result.current.askAgain())).not.toThrow();
    expect(asked).toBe(0);
  });
});
