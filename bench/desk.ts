import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { writeBarcodeClip } from '@lean-mentor/demo/barcode';
import { frameOnStage, laptop, launch, settledFrame, visit } from '@lean-mentor/e2e';
import type { Page } from 'puppeteer-core';
import type { Caller } from './caller.ts';
import { quantile, type Figure } from './figure.ts';

const frames = 900;
const steps = 60;
const jumps = 40;

/** Milliseconds from a key's press to its frame on the stage, as the page itself sees it. */
const pressed = (page: Page, code: string): Promise<number> =>
  page.evaluate(
    (key) =>
      new Promise<number>((resolve) => {
        const stage = document.querySelector('[data-stage-state]')!;
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

/** Ready footage whose frames carry their numbers. */
async function bringNumberedFrames(client: Caller, folder: string): Promise<string> {
  const file = join(folder, 'numbered.mp4');
  await writeBarcodeClip(file, { frames, width: 1280, height: 720, variableRate: true, bFrames: 3, sound: true });
  const bytes = await readFile(file);
  const footage = await client.openRequest(bytes.length, 'Is it that very frame?');
  await client.upload(footage, [bytes]);
  if ((await client.settled(footage.id)) !== 'ready') throw new Error('The numbered frames were not made ready.');
  return footage.requestId;
}

/** The desk in headless Chromium: opening, stepping both ways, and whether each picture is the frame it says. */
export async function benchDesk(client: Caller, folder: string): Promise<Figure[]> {
  const { base } = client;
  const requestId = await bringNumberedFrames(client, folder);
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
