import type { Page } from 'puppeteer-core';
import { quantile, type Figure } from './figure.ts';

const edits = 120;

/** From the key that drops a mark until this browser has it on disk, and until the server has it, as the desk's own word says. */
export async function benchDeskSaving(page: Page): Promise<Figure[]> {
  const times = await page.evaluate(async (count) => {
    const word = document.querySelector('[data-saving]')!;
    const all: { kept: number; saved: number }[] = [];
    for (let i = 0; i < count; i++) {
      const begun = performance.now();
      const at: { kept?: number; saved?: number } = {};
      const done = new Promise<void>((resolve) => {
        const observer = new MutationObserver(() => {
          const saving = word.getAttribute('data-saving');
          if (saving !== 'writing') at.kept ??= performance.now() - begun;
          if (saving !== 'saved') return;
          at.saved = performance.now() - begun;
          observer.disconnect();
          resolve();
        });
        observer.observe(word, { attributes: true });
      });
      dispatchEvent(new KeyboardEvent('keydown', { code: 'KeyE' }));
      dispatchEvent(new KeyboardEvent('keyup', { code: 'KeyE' }));
      await done;
      all.push(at as { kept: number; saved: number });
      await window.bench.rest(30);
    }
    return all;
  }, edits);
  return [
    { figure: 'key to kept on disk, p95', value: quantile(times.map(({ kept }) => kept), 0.95), unit: 'ms', count: edits },
    { figure: 'key to saved, p95', value: quantile(times.map(({ saved }) => saved), 0.95), unit: 'ms', count: edits },
  ]; // prettier-ignore
}
