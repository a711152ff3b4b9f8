import type { Page } from 'puppeteer-core';
import { quantile, type Figure } from './figure.ts';

const edits = 60;

/** From the key of a position until the ribbon on the sheet is drawn anew and that picture is shown. */
export async function benchDeskCoding(page: Page): Promise<Figure[]> {
  const times = await page.evaluate(async (count) => {
    const press = (code: string): void => {
      dispatchEvent(new KeyboardEvent('keydown', { code, bubbles: true }));
      dispatchEvent(new KeyboardEvent('keyup', { code, bubbles: true }));
    };
    const sheet = document.querySelector('[aria-label="Round sheet"]')!;
    const redrawn = (): Promise<number> =>
      new Promise((resolve) => {
        const observer = new MutationObserver(() => {
          observer.disconnect();
          resolve(performance.now());
        });
        observer.observe(sheet, { subtree: true, attributes: true, attributeFilter: ['d'], childList: true });
      });
    press('KeyG');
    await window.bench.rest(300);
    const all: number[] = [];
    for (let i = 0; i < count; i++) {
      for (let step = 0; step < 3; step++) await window.bench.pressed('KeyD');
      await window.bench.rest(150);
      const begun = performance.now();
      const seen = redrawn();
      press(i % 2 === 0 ? 'KeyF' : 'KeyU');
      // Said again what was there already, nothing is drawn.
      const at = await Promise.race([seen, window.bench.rest(1000).then(() => null)]);
      if (at !== null) all.push(at - begun);
      await window.bench.rest(150);
    }
    press('Escape');
    return all;
  }, edits);
  return [0.5, 0.95].map((share) => ({
    figure: `key of a position to the ribbon redrawn, p${share * 100}`,
    value: quantile([...times], share),
    unit: 'ms',
    count: times.length,
  }));
}
