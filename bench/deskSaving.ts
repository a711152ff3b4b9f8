import type { Page } from 'puppeteer-core';
import { quantile, type Figure } from './figure.ts';

const edits = 120;
/** A hand that drops marks as fast as it can. */
const restMs = 120;

/** From the key that drops a mark until this browser's store has it (its transaction is complete), and until the server has it, as the desk's own word says. */
export async function benchDeskSaving(page: Page): Promise<Figure[]> {
  const times = await page.evaluate(
    async (count, rest) => {
      const word = document.querySelector('[data-saving]')!;
      let stored: (() => void) | null = null;
      const transaction = IDBDatabase.prototype.transaction;
      IDBDatabase.prototype.transaction = function (...given) {
        const made = transaction.apply(this, given);
        if (made.objectStoreNames.contains('history')) made.addEventListener('complete', () => stored?.());
        return made;
      };
      const all: { kept: number; saved: number }[] = [];
      for (let i = 0; i < count; i++) {
        const begun = performance.now();
        const at = { kept: NaN, saved: NaN };
        stored = () => {
          if (Number.isNaN(at.kept)) at.kept = performance.now() - begun;
        };
        const done = new Promise<void>((resolve) => {
          const observer = new MutationObserver(() => {
            if (word.getAttribute('data-saving') !== 'saved') return;
            at.saved = performance.now() - begun;
            observer.disconnect();
            resolve();
          });
          observer.observe(word, { attributes: true });
        });
        dispatchEvent(new KeyboardEvent('keydown', { code: 'KeyE' }));
        dispatchEvent(new KeyboardEvent('keyup', { code: 'KeyE' }));
        await done;
        await window.bench.rest(rest);
        all.push(at);
      }
      IDBDatabase.prototype.transaction = transaction;
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
    figure('key to kept on disk', times.map(({ kept }) => kept)),
    figure('key to saved', times.map(({ saved }) => saved)),
  ]; // prettier-ignore
}
