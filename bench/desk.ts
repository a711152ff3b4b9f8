import { frameOnStage, laptop, launch, settledFrame, visit } from '@lean-mentor/e2e';
import type { Page } from 'puppeteer-core';
import type { Figure } from './figure.ts';

const steps = 60;
const jumps = 40;

const quantile = (values: number[], share: number): number =>
  values.sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))]!;

/** Milliseconds from a key's press to its frame on the stage, as the page itself sees it. */
const pressed = (page: Page, code: string): Promise<number> =>
  page.evaluate(
    (key) =>
      new Promise<number>((resolve) => {
        const stage = document.querySelector('[data-stage]')!;
        const before = stage.getAttribute('data-frame');
        const begun = performance.now();
        const observer = new MutationObserver(() => {
          if (stage.getAttribute('data-frame') === before || stage.getAttribute('data-settled') !== 'true') return;
          observer.disconnect();
          resolve(performance.now() - begun);
        });
        observer.observe(stage, { attributes: true });
        dispatchEvent(new KeyboardEvent('keydown', { code: key, bubbles: true }));
      }),
    code,
  );

/** The desk in headless Chromium: opening, stepping both ways, and whether each picture is the frame it says. */
export async function benchDesk(base: string, requestId: string): Promise<Figure[]> {
  const browser = await launch();
  try {
    const { page } = await visit(browser, base, 'marit', '/today', laptop);
    const begun = performance.now();
    await page.goto(`${base}/requests/${requestId}/desk`);
    await settledFrame(page);
    const openMs = performance.now() - begun;

    const on: number[] = [];
    const back: number[] = [];
    let exact = 0;
    const look = async (): Promise<void> => {
      const said = await settledFrame(page);
      if ((await frameOnStage(page)) === said) exact += 1;
    };
    for (let i = 0; i < steps; i++) {
      on.push(await pressed(page, 'KeyD'));
      await look();
    }
    for (let i = 0; i < steps; i++) {
      back.push(await pressed(page, 'KeyA'));
      await look();
    }
    const sheet = (await (await page.waitForSelector('[aria-label="Round sheet"]'))!.boundingBox())!;
    for (let i = 0; i < jumps; i++) {
      await page.mouse.click(sheet.x + 110, sheet.y + 10 + (sheet.height - 20) * ((i * 0.618) % 1));
      await look();
    }
    const latency = (figure: string, values: number[]): Figure[] =>
      [0.5, 0.95].map((share) => ({ figure: `${figure}, p${share * 100}`, value: quantile(values, share), unit: 'ms', steps }));
    return [
      { figure: 'desk open', value: openMs, unit: 'ms' },
      ...latency('step forward', on),
      ...latency('step back', back),
      { figure: 'exact frames', value: exact / (2 * steps + jumps), unit: 'share', looks: 2 * steps + jumps },
    ];
  } finally {
    await browser.close();
  }
}
