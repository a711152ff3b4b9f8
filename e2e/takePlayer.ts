import type { Page } from 'puppeteer-core';

/** Goes to an instant of what is heard. */
export const seekTake = (page: Page, seconds: number): Promise<void> =>
  page.$eval(
    '[data-take-player] input[type=range]',
    (input, to) => {
      // As a person drags it: React hears of it only through the property's own setter.
      Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!.call(input, String(to));
      input.dispatchEvent(new Event('input', { bubbles: true }));
    },
    seconds,
  );

/** The frame that is painted in the player. */
export const playerFrame = (page: Page): Promise<number> =>
  page.$eval('[data-take-player] canvas', (canvas) => Number((canvas as HTMLCanvasElement).dataset['frame'] ?? -1));
