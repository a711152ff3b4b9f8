import type { Page } from 'puppeteer-core';

/** What the bench does inside the page: it stands in `window.bench` there. */
export interface DeskDriver {
  /** Presses a key and answers the milliseconds until the stage says that its picture is the frame it went to. */
  pressed: (code: string) => Promise<number>;
  /** Presses the sheet at a share of its height and answers the milliseconds until the stage stands. */
  jumped: (share: number) => Promise<number>;
  /** The frame the stage says, and the number burnt into its picture, as brightness at the points of the barcode. */
  look: (points: { x: number; y: number }[]) => { frame: number; brightness: number[] };
  settled: () => Promise<void>;
  rest: (ms: number) => Promise<void>;
}

declare global {
  interface Window {
    bench: DeskDriver;
  }
}

/** Puts the driver into a page whose desk is open. */
export async function installDriver(page: Page): Promise<void> {
  // The loader of this bench keeps the names of functions by a helper that the page does not have.
  await page.evaluate('globalThis.__name = (f) => f');
  await page.evaluate(() => {
    const state = (): Element => document.querySelector('[data-stage-state]')!;
    const frameNow = (): number => Number(state().getAttribute('data-frame'));
    const isSettled = (): boolean => state().getAttribute('data-settled') === 'true';
    const until = (is: () => boolean): Promise<void> =>
      new Promise((resolve) => {
        if (is()) return resolve();
        const observer = new MutationObserver(() => {
          if (!is()) return;
          observer.disconnect();
          resolve();
        });
        observer.observe(state(), { attributes: true });
      });
    const mostMs = 10_000;
    const timed = async (act: () => void): Promise<number> => {
      const begun = performance.now();
      act();
      // The page says what it now goes to before anything else runs; a jump to where it stands changes nothing.
      await Promise.resolve();
      const late = new Promise<never>((_, reject) => setTimeout(() => reject(new Error(`Frame ${frameNow()} does not come.`)), mostMs));
      await Promise.race([until(isSettled), late]);
      return performance.now() - begun;
    };
    window.bench = {
      pressed: (code) =>
        timed(() => {
          dispatchEvent(new KeyboardEvent('keydown', { code, bubbles: true }));
          dispatchEvent(new KeyboardEvent('keyup', { code, bubbles: true }));
        }),
      jumped: (share) =>
        timed(() => {
          const svg = document.querySelector('[aria-label="Round sheet"] svg')!;
          const box = document.querySelector('[aria-label="Round sheet"]')!.getBoundingClientRect();
          const at = { clientX: box.left + 110, clientY: box.top + 8 + (box.height - 16) * share, pointerId: 1, bubbles: true };
          // A pointer that the browser does not know cannot be captured.
          svg.setPointerCapture = () => undefined;
          svg.dispatchEvent(new PointerEvent('pointerdown', { ...at, buttons: 1 }));
          svg.dispatchEvent(new PointerEvent('pointerup', at));
        }),
      look: (points) => {
        const canvas = document.querySelector<HTMLCanvasElement>('[data-decoded]')!;
        const context = canvas.getContext('2d')!;
        const brightness = points.map(
          ({ x, y }) => context.getImageData(Math.floor(x * canvas.width), Math.floor(y * canvas.height), 1, 1).data[0]!,
        );
        return { frame: frameNow(), brightness };
      },
      settled: () => until(isSettled),
      rest: (ms) => new Promise((resolve) => setTimeout(resolve, ms)),
    };
  });
}
