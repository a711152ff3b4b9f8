import type { Page } from 'puppeteer-core';
import { quantile, type Figure } from './figure.ts';

const seconds = 4;

/** Scrolls the sheet from top to bottom and back by a fixed way a picture, and counts the pictures the browser makes. */
export async function benchDeskSheet(page: Page): Promise<Figure[]> {
  const gaps = await page.evaluate(async (duration) => {
    const sheet = document.querySelector('[aria-label="Round sheet"]')!;
    const between: number[] = [];
    let [last, way] = [performance.now(), 24];
    const end = last + duration * 1000;
    while (last < end) {
      const now = await new Promise<number>((resolve) => requestAnimationFrame(resolve));
      sheet.scrollTop += way;
      if (sheet.scrollTop <= 0 || sheet.scrollTop + sheet.clientHeight >= sheet.scrollHeight - 1) way = -way;
      between.push(now - last);
      last = now;
    }
    return between.slice(1);
  }, seconds);
  const mean = gaps.reduce((sum, gap) => sum + gap, 0) / gaps.length;
  return [
    { figure: 'sheet of 300 notes while scrolling', value: 1000 / mean, unit: 'pictures a second', worstGapMs: quantile(gaps, 0.99) },
  ];
}
