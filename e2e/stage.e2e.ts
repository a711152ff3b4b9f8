import { demoPractice } from '@lean-mentor/demo';
import type { Browser } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { laptop, launch, settledFrame, visit, wholeFootage, type Visit } from './visit.ts';

const base = process.env['LEAN_E2E_URL']!;
const { id } = demoPractice(new Date()).requests[0]!;
interface Drawing {
  points: { x: number; y: number }[];
}

let browser: Browser;
let marit: Visit;
let box: { x: number; y: number; width: number; height: number };
beforeAll(async () => {
  browser = await launch();
  marit = await visit(browser, base, 'marit', `/requests/${id}/desk`, laptop);
  await wholeFootage(marit.page);
  await settledFrame(marit.page);
  box = (await (await marit.page.$('[data-stage]'))!.boundingBox())!;
});
afterAll(() => browser?.close());

const at = (x: number, y: number): [number, number] => [box.x + box.width * x, box.y + box.height * y];
const zoom = async (): Promise<number> => Number(await marit.page.$eval('[data-stage-state]', (stage) => stage.getAttribute('data-zoom')));
const drawings = (): Promise<Drawing[]> =>
  marit.page.evaluate(async (request) => {
    const { document: desk } = (await (await fetch(`/api/requests/${request}/desk`)).json()) as {
      document: { drawings: Record<string, Drawing> };
    };
    return Object.values(desk.drawings);
  }, id);
/** Draws an arrow between two points of the stage and answers it as it was saved. */
async function arrow(from: [number, number], to: [number, number]): Promise<Drawing> {
  const before = (await drawings()).length;
  await marit.page.keyboard.press('Digit1');
  await marit.page.mouse.move(...at(...from));
  await marit.page.mouse.down();
  await marit.page.mouse.move(...at(...to), { steps: 4 });
  await marit.page.mouse.up();
  await marit.page.keyboard.press('Escape');
  for (let tries = 0; tries < 50; tries++) {
    const now = await drawings();
    if (now.length > before) return now[now.length - 1]!;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error('The arrow was not saved.');
}

describe('the stage', () => {
  it('is enlarged by the wheel about the pointer, and what is drawn stands where the picture shows it', async () => {
    await marit.page.mouse.move(...at(0.25, 0.5));
    await marit.page.mouse.wheel({ deltaY: -700 });
    await marit.page.waitForFunction(() => Number(document.querySelector('[data-stage-state]')!.getAttribute('data-zoom')) > 2);
    const z = await zoom();
    expect(z).toBeCloseTo(Math.E, 1);
    const { points } = await arrow([0.3, 0.4], [0.6, 0.7]);
    const spot = (x: number, y: number) => ({ x: 0.25 - 0.25 / z + x / z, y: 0.5 - 0.5 / z + y / z });
    for (const [i, [x, y]] of (
      [
        [0.3, 0.4],
        [0.6, 0.7],
      ] as const
    ).entries()) {
      expect(points[i]!.x).toBeCloseTo(spot(x, y).x, 2);
      expect(points[i]!.y).toBeCloseTo(spot(x, y).y, 2);
    }
  });

  it('is moved by dragging with Space, which then does not play', async () => {
    const place = () => marit.page.$eval('[data-stage] > div', (picture) => (picture as HTMLElement).style.transform);
    const before = await place();
    await marit.page.mouse.move(...at(0.5, 0.5));
    await marit.page.keyboard.down('Space');
    await marit.page.mouse.down();
    await marit.page.mouse.move(...at(0.4, 0.45), { steps: 4 });
    await marit.page.mouse.up();
    await marit.page.keyboard.up('Space');
    expect(await place()).not.toBe(before);
    await settledFrame(marit.page);
    expect(await marit.page.$eval('video', (video) => video.paused)).toBe(true);
  });

  it('is mirrored, and drawings are kept as the picture is', async () => {
    await marit.page.click('[title="Show the whole picture"]');
    await marit.press('button', 'Mirror the picture');
    const { points } = await arrow([0.2, 0.5], [0.4, 0.6]);
    expect(points[0]!.x).toBeCloseTo(0.8, 2);
    expect(points[1]!.x).toBeCloseTo(0.6, 2);
    await marit.press('button', 'Mirror the picture');
  });

  it('takes its drawings back by undo', async () => {
    const before = (await drawings()).length;
    for (let i = 0; i < 2; i++) {
      await marit.page.keyboard.down('Control');
      await marit.page.keyboard.press('KeyZ');
      await marit.page.keyboard.up('Control');
    }
    for (let tries = 0; tries < 50 && (await drawings()).length > before - 2; tries++)
      await new Promise((resolve) => setTimeout(resolve, 100));
    expect(await drawings()).toHaveLength(before - 2);
    expect(marit.faults).toEqual([]);
  });
});
