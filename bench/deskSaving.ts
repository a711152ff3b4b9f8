import type { Page } from 'puppeteer-core';
import { quantile, type Figure } from './figure.ts';

const edits = 120;
/** A hand that drops marks as fast as it can. */
const restMs = 120;

/**
 * From the key that drops a mark until this browser's store has it (its transaction is complete), and until the server has it, as the
 * desk's own word says.
 */
export async function benchDeskSaving(page: Page): Promise<Figure[]> {
  const times = await page.evaluate(
    async (count, rest) => {
      const word = document.querySelector('[data-saving]')!;
      let stored: ((at: number) => void) | null = null;
      // The desk's store says when the disk had it; its own thread is not this page's.
      const observer = new PerformanceObserver((list) => {
        for (const { name, startTime } of list.getEntries()) if (name === 'desk-kept') stored?.(startTime);
      });
      observer.observe({ type: 'mark' });
      const all: { kept: number; saved: number }[] = [];
      for (let i = 0; i < count; i++) {
        const begun = performance.now();
        const at = { kept: NaN, saved: NaN };
        stored = (time) => {
          if (Number.isNaN(at.kept)) at.kept = time - begun;
        };
        const done = new Promise<void>((resolve) => {
          const watching = new MutationObserver(() => {
            if (word.getAttribute('data-saving') !== 'saved') return;
            at.saved = performance.now() - begun;
            watching.disconnect();
            resolve();
          });
          watching.observe(word, { attributes: true });
        });
        dispatchEvent(new KeyboardEvent('keydown', { code: 'KeyE' }));
        dispatchEvent(new KeyboardEvent('keyup', { code: 'KeyE' }));
        await done;
        await window.bench.rest(rest);
        all.push(at);
      }
      observer.disconnect();
      return all;
    },
    edits,
    restMs,
  );
  const figure = (name: string, values: number[]): Figure => ({
    figure: `${name}, p95`,
    value: quantile(values, 0.95),
    unit: 'ms',
    count: edits,
  });
  return [
    figure(
      'key to kept on disk',
      times.map(({ kept }) => kept),
    ),
    figure(
      'key to saved',
      times.map(({ saved }) => saved),
    ),
  ];
}
