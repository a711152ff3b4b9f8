// @vitest-environment jsdom
import { cleanup, render } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { useRestingSave } from './useRestingSave.ts';

let saved: string[];
let works: boolean;
const save = (value: string): Promise<boolean> => {
  if (works) saved.push(value);
  return Promise.resolve(works);
};
function Page({ words }: { words: string }) {
  useRestingSave(words, save, 400);
  return null;
}
beforeEach(() => {
  vi.useFakeTimers();
  [saved, works] = [[], true];
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

describe('what is edited', () => {
  it('is saved once it has rested, and the first value not at all', async () => {
    const { rerender } = render(<Page words="a" />);
    await vi.advanceTimersByTimeAsync(1000);
    for (const words of ['ab', 'abc']) rerender(<Page words={words} />);
    await vi.advanceTimersByTimeAsync(399);
    expect(saved).toEqual([]);
    await vi.advanceTimersByTimeAsync(1);
    expect(saved).toEqual(['abc']);
  });

  it('is saved at once when its part of the page goes away', async () => {
    const { rerender, unmount } = render(<Page words="a" />);
    rerender(<Page words="last words" />);
    unmount();
    await vi.advanceTimersByTimeAsync(0);
    expect(saved).toEqual(['last words']);
  });

  it('is saved at once when the page is left', async () => {
    const { rerender } = render(<Page words="a" />);
    rerender(<Page words="last words" />);
    dispatchEvent(new Event('pagehide'));
    await vi.advanceTimersByTimeAsync(0);
    expect(saved).toEqual(['last words']);
  });

  it('is tried again until it is taken, the newest words only', async () => {
    works = false;
    const { rerender } = render(<Page words="a" />);
    rerender(<Page words="b" />);
    await vi.advanceTimersByTimeAsync(3000);
    rerender(<Page words="c" />);
    works = true;
    await vi.advanceTimersByTimeAsync(10_000);
    expect(saved).toEqual(['c']);
  });

  it('that changes while a save runs follows it', async () => {
    let done = (): void => undefined;
    const slow = (value: string): Promise<boolean> => {
      saved.push(value);
      return new Promise((resolve) => (done = () => resolve(true)));
    };
    function Slow({ words }: { words: string }) {
      useRestingSave(words, slow, 400);
      return null;
    }
    const { rerender, unmount } = render(<Slow words="a" />);
    rerender(<Slow words="b" />);
    await vi.advanceTimersByTimeAsync(400);
    rerender(<Slow words="c" />);
    done();
    await vi.advanceTimersByTimeAsync(400);
    expect(saved).toEqual(['b', 'c']);
    unmount();
  });
});
