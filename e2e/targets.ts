import type { Page } from 'puppeteer-core';

/** Controls of a page that a thumb would miss: below 44 px either way. Words within a sentence are not among them. */
export const smallTargets = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('a, button, input, textarea, summary, [role=radio]')]
      .filter((one) => one.checkVisibility() && getComputedStyle(one).display !== 'inline' && !one.closest('label'))
      .filter((one) => {
        const { width, height } = one.getBoundingClientRect();
        return width > 0 && (width < 44 || height < 44);
      })
      .map((one) => `${one.tagName} ${one.getAttribute('aria-label') ?? one.textContent?.slice(0, 40) ?? ''}`),
  );
