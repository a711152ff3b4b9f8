import type { ResponseOf, openDesk } from '@lean-mentor/contract';
import type { Browser, Page } from 'puppeteer-core';
import { laptop, settledFrame, visit, wholeFootage, type Visit } from './visit.ts';

type Desk = ResponseOf<typeof openDesk>['document'];
type Drawing = Desk['drawings'][string];
type Spot = readonly [x: number, y: number];

/** Somebody at the desk of a request; spots are shares of the stage. */
export interface DeskPage {
  page: Page;
  visit: Visit;
  /** Presses the sheet at a share of its height. */
  goTo: (share: number) => Promise<void>;
  click: (x: number, y: number) => Promise<void>;
  clicks: (...spots: Spot[]) => Promise<void>;
  drag: (...spots: Spot[]) => Promise<void>;
  withControl: (key: 'KeyZ' | 'KeyY' | 'KeyC' | 'KeyV') => Promise<void>;
  reload: () => Promise<void>;
  /** What the server has. */
  desk: () => Promise<Desk>;
  drawings: () => Promise<Drawing[]>;
  /** Asks again until the answer is as wanted. */
  until: <T>(ask: () => Promise<T>, is: (answer: T) => boolean) => Promise<T>;
}

const mostTries = 100;

/** Opens the desk of a request. With `sameProfile` in the browser's own profile, where an earlier visit may have left something. */
export async function openDeskOf(
  browser: Browser,
  base: string,
  who: string,
  requestId: string,
  { sameProfile = false } = {},
): Promise<DeskPage> {
  const visited = await visit(browser, base, who, `/requests/${requestId}/desk`, laptop, { sameProfile });
  const { page } = visited;
  await wholeFootage(page);
  await settledFrame(page);
  const at = async (x: number, y: number): Promise<[number, number]> => {
    const box = (await (await page.$('[data-stage]'))!.boundingBox())!;
    return [box.x + box.width * x, box.y + box.height * y];
  };
  const desk = (): Promise<Desk> =>
    page.evaluate(async (request) => (await (await fetch(`/api/requests/${request}/desk`)).json()).document as never, requestId);
  return {
    page,
    visit: visited,
    desk,
    goTo: async (share) => {
      const sheet = (await (await page.waitForSelector('[aria-label="Round sheet"]'))!.boundingBox())!;
      await page.mouse.click(sheet.x + 110, sheet.y + 8 + (sheet.height - 16) * share);
      await settledFrame(page);
      // A note at that very place would open; the work begins with none.
      await page.keyboard.press('Escape');
    },
    click: async (x, y) => page.mouse.click(...(await at(x, y))),
    clicks: async (...spots) => {
      for (const spot of spots) await page.mouse.click(...(await at(...spot)));
    },
    drag: async (first, ...rest) => {
      await page.mouse.move(...(await at(...first)));
      await page.mouse.down();
      for (const spot of rest) await page.mouse.move(...(await at(...spot)), { steps: 6 });
      await page.mouse.up();
    },
    withControl: async (key) => {
      await page.keyboard.down('Control');
      await page.keyboard.press(key);
      await page.keyboard.up('Control');
    },
    reload: async () => {
      await page.reload();
      await settledFrame(page);
    },
    drawings: async () => Object.values((await desk()).drawings),
    until: async (ask, is) => {
      for (let tries = 0; ; tries++) {
        const answer = await ask();
        if (is(answer)) return answer;
        if (tries >= mostTries) throw new Error(`It did not come to that, but: ${JSON.stringify(answer).slice(0, 600)}`);
        await new Promise((resolve) => setTimeout(resolve, 100));
      }
    },
  };
}
