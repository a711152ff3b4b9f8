import { createRequire } from 'node:module';
import { readFileSync } from 'node:fs';
import type { Page } from 'puppeteer-core';

/** The accessibility checker's source, to be run inside the page. */
const axeSource = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

interface Axe {
  run: (context: Document, options: object) => Promise<{ violations: { id: string; nodes: { html: string }[] }[] }>;
}

/** What keeps somebody from using the page as it is now (WCAG 2, A and AA), each with the elements it is about. */
export async function findings(page: Page): Promise<string[]> {
  await page.evaluate(axeSource);
  return page.evaluate(async () => {
    // A colour half way from one to the other is nobody's contrast: what is passing over is waited for.
    const passing = document.getAnimations().filter((one) => one instanceof CSSTransition);
    await Promise.allSettled(passing.map((one) => one.finished));
    const { axe } = globalThis as unknown as { axe: Axe };
    return (await axe.run(document, { runOnly: ['wcag2a', 'wcag2aa'] })).violations.map(
      (v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 120)).join(' | ')}`,
    );
  });
}
