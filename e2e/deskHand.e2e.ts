import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { demoPractice } from '@lean-mentor/demo';
import { writeBarcodeClip } from '@lean-mentor/demo/barcode';
import type { Browser, CDPSession, ElementHandle } from 'puppeteer-core';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { openDeskOf, type DeskPage } from './deskPage.ts';
import { launch } from './visit.ts';

const base = process.env['LEAN_E2E_URL']!;
const { id } = demoPractice(new Date()).requests[0]!;

let browser: Browser;
let marit: DeskPage;
let session: CDPSession;
beforeAll(async () => {
  browser = await launch();
  marit = await openDeskOf(browser, base, 'marit', id);
  session = await marit.page.createCDPSession();
});
beforeEach(() => marit.page.keyboard.press('Escape'));
afterAll(() => browser?.close());

const onStage = async (x: number, y: number) => {
  const box = (await (await marit.page.$('[data-stage]'))!.boundingBox())!;
  return { x: box.x + box.width * x, y: box.y + box.height * y };
};
const measures = async () => Object.values((await marit.desk()).measures);
const measure = async (words: string): Promise<void> => {
  await marit.visit.press('button', 'Measure');
  await marit.visit.press('menuitem', new RegExp(`^${words}`));
};
/** The measurement of a kind, once there is one. */
const measured = async (kind: string) =>
  (await marit.until(
    async () => (await measures()).findLast(({ input }) => input.kind === kind),
    (found) => found !== undefined,
  ))!;

describe('a pen', () => {
  it('draws as hard as it is pressed', async () => {
    await marit.goTo(0.2);
    await marit.page.keyboard.press('Digit3');
    const count = (await marit.drawings()).length;
    const pen = async (type: 'mousePressed' | 'mouseMoved' | 'mouseReleased', x: number, force: number) =>
      session.send('Input.dispatchMouseEvent', {
        type,
        ...(await onStage(x, 0.4)),
        button: 'left',
        buttons: type === 'mouseReleased' ? 0 : 1,
        clickCount: 1,
        pointerType: 'pen',
        force,
      });
    await pen('mousePressed', 0.2, 0.2);
    for (let i = 1; i <= 10; i++) await pen('mouseMoved', 0.2 + i * 0.04, 0.2 + i * 0.07);
    await pen('mouseReleased', 0.6, 0);
    const drawn = (await marit.until(marit.drawings, (all) => all.length === count + 1)).at(-1)!;
    const pressures = drawn.points.map(({ pressure }) => pressure ?? null);
    expect(drawn.tool).toBe('freehand');
    expect(pressures[0]).toBeCloseTo(0.2, 1);
    expect(Math.max(...pressures.map(Number))).toBeCloseTo(0.9, 1);
  });
});

describe('two fingers', () => {
  it('enlarge the picture between them', async () => {
    const zoom = () => marit.page.$eval('[data-stage-state]', (element) => Number(element.getAttribute('data-zoom')));
    expect(await zoom()).toBe(1);
    const [left, right] = [await onStage(0.45, 0.5), await onStage(0.55, 0.5)];
    const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', apart: number) =>
      session.send('Input.dispatchTouchEvent', {
        type,
        touchPoints:
          type === 'touchEnd'
            ? []
            : [
                { x: left.x - apart, y: left.y, id: 1 },
                { x: right.x + apart, y: right.y, id: 2 },
              ],
      });
    await touch('touchStart', 0);
    for (const apart of [20, 40, 80]) await touch('touchMove', apart);
    await touch('touchEnd', 80);
    // 80 px apart between the fingers became 240.
    expect(await zoom()).toBeCloseTo((right.x - left.x + 160) / (right.x - left.x), 1);
    await marit.page.click('[title="Show the whole picture"]');
    expect(await zoom()).toBe(1);
  });
});

describe('measuring on the mat', () => {
  it('takes corners, then gives a distance in metres, weight over the base, and the speed of a dot', async () => {
    await marit.goTo(0.35);
    await measure('Mat');
    await marit.clicks([0.3, 0.5], [0.7, 0.5], [0.8, 0.9], [0.2, 0.9]);
    await marit.visit.press('button', 'Done');
    expect((await measured('mat')).result.words).toMatch(/m/);

    await measure('Distance');
    await marit.clicks([0.3, 0.5], [0.7, 0.5]);
    const distance = await measured('distance');
    // The upper edge of the tile that was marked is one tile long.
    expect([distance.result.unit, Math.round(distance.result.value! * 100) / 100]).toEqual(['m', 1]);

    await measure('Balance check');
    await marit.visit.sees('the middle of the head');
    await marit.click(0.5, 0.3);
    for (const x of [0.47, 0.53]) await marit.click(x, 0.4);
    for (let i = 0; i < 4; i++) await marit.visit.press('button', 'It is hidden');
    for (const x of [0.48, 0.52]) await marit.click(x, 0.6);
    for (let i = 0; i < 6; i++) await marit.visit.press('button', 'It is hidden');
    await marit.visit.sees('Press every contact with the mat');
    await marit.clicks([0.4, 0.8], [0.6, 0.8]);
    await marit.visit.press('button', 'Done');
    const balance = await measured('balance');
    expect(Math.abs(balance.result.value! - 50)).toBeLessThan(15);
    await marit.visit.sees(/teaching aid/);

    await measure('Path of a dot');
    for (const x of [0.4, 0.45, 0.5]) await marit.click(x, 0.7);
    await marit.visit.press('button', 'Done');
    const path = await measured('path');
    expect(path.toFrame! - path.atFrame).toBe(4);
    expect(path.result.words).toMatch(/m\/s/);
  });
});

describe('the round sheet', () => {
  it('lets the end of a drawing’s life be dragged', async () => {
    const { page } = marit;
    await marit.goTo(0.5);
    await page.keyboard.press('Digit1');
    await marit.drag([0.3, 0.3], [0.5, 0.5]);
    await page.keyboard.press('Escape');
    const arrow = (await marit.until(marit.drawings, (all) => all.at(-1)?.tool === 'arrow')).at(-1)!;
    await marit.drag([0.4, 0.4], [0.4, 0.4]);
    const end = (await page.waitForSelector('[data-life-end=to]'))!;
    const box = (await end.boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2, box.y + 60, { steps: 5 });
    await page.mouse.up();
    const now = async () => (await marit.drawings()).find((drawing) => drawing.id === arrow.id)!;
    const longer = await marit.until(now, (drawing) => drawing.toFrame > arrow.toFrame);
    expect(longer.fromFrame).toBe(arrow.fromFrame);
  });
});

describe('keys', () => {
  it('can be given another place, which the desk then obeys and remembers', async () => {
    const { page } = marit;
    await marit.goTo(0.4);
    const marks = async () => Object.keys((await marit.desk()).marks).length;
    const before = await marks();
    await page.keyboard.press('?');
    await marit.visit.press('button', 'Another key for: Drop a mark; with Shift begin and end a range');
    await page.keyboard.press('KeyP');
    await page.keyboard.press('Escape');
    await marit.reload();
    await page.keyboard.press('KeyD');
    await page.keyboard.press('KeyE');
    await page.keyboard.press('KeyP');
    await marit.until(marks, (count) => count === before + 1);
    await page.keyboard.press('?');
    await marit.visit.press('button', 'All keys as they were');
    await page.keyboard.press('Escape');
  });
});

describe('the room of the desk', () => {
  const stageHeight = () => marit.page.$eval('[data-panel][id=stage]', (panel) => panel.getBoundingClientRect().height);

  it('is shared between picture and note by an edge that moves by key and by pointer, and stays where it was left', async () => {
    const { page } = marit;
    const handle = '[aria-label="Height of the picture"]';
    const before = await stageHeight();
    await page.focus(handle);
    for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowUp');
    const byKeys = await marit.until(stageHeight, (height) => height < before - 60);
    const at = (await (await page.$(handle))!.boundingBox())!;
    await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2);
    await page.mouse.down();
    await page.mouse.move(at.x + at.width / 2, at.y - 60, { steps: 4 });
    await page.mouse.up();
    const byPointer = await marit.until(stageHeight, (height) => height < byKeys - 30);
    await marit.reload();
    expect(Math.abs((await stageHeight()) - byPointer)).toBeLessThan(2);
  });

  it('shows a whole note, how far the work has come, and its messages over nothing that can be pressed', async () => {
    const { page } = marit;
    await marit.goTo(0.35);
    await page.keyboard.press('KeyX');
    await page.waitForSelector('section[aria-label="Note"] textarea[aria-label="What happened"]');
    const hidden = () => page.$eval('section[aria-label="Note"]', (note) => note.scrollHeight - note.clientHeight);
    await marit.until(hidden, (pixels) => pixels <= 0);
    await marit.visit.sees(/% watched/);
    await page.keyboard.press('KeyC');
    await marit.visit.sees('In the tray.');
    const covered = await page.$$eval('button:not(:disabled), a', (all) =>
      all
        .filter((one) => one.checkVisibility() && !one.closest('[data-message]'))
        .filter((one) => {
          const { x, y, width, height } = one.getBoundingClientRect();
          return document.elementFromPoint(x + width / 2, y + height / 2)?.closest('[data-message]');
        })
        .map((one) => one.textContent),
    );
    expect(covered).toEqual([]);
  });

  it('is made dark, and is still so when it is opened again', async () => {
    const { page } = marit;
    await marit.visit.press('button', 'For a dark room');
    await marit.reload();
    const brightness = await page.evaluate(() => getComputedStyle(document.documentElement).backgroundColor.match(/\d+/g)!.map(Number)[0]!);
    expect(brightness).toBeLessThan(60);
    await marit.visit.press('button', 'For a light room');
  });
});

describe('a clip of the coach’s own', () => {
  it('is brought, shown on a note, and plays there', async () => {
    const { page } = marit;
    const folder = await mkdtemp(join(tmpdir(), 'lean-e2e-clip-'));
    try {
      const file = join(folder, 'Elbow back to the hip.mp4');
      await writeBarcodeClip(file, { frames: 60 });
      await marit.goTo(0.75);
      await page.keyboard.press('KeyF');
      await page.keyboard.type('The elbow leaves again');
      await marit.visit.press('button', 'Add a clip …');
      const input = (await page.waitForSelector('[aria-label="Your clips"] input[type=file]')) as ElementHandle<HTMLInputElement>;
      await input.uploadFile(file);
      await marit.visit.sees('Clip: Elbow back to the hip');
      await page.waitForSelector('video[aria-label="Elbow back to the hip"]', { timeout: 180_000 });
      const seconds = await page.waitForFunction(
        () => document.querySelector<HTMLVideoElement>('video[aria-label="Elbow back to the hip"]')?.duration || null,
      );
      expect(await seconds.jsonValue()).toBeCloseTo(2, 1);
      const note = await marit.until(
        async () => Object.values((await marit.desk()).notes).find(({ what }) => what === 'The elbow leaves again'),
        (found) => Boolean(found?.clipId),
      );
      expect(note!.clipId).toMatch(/^[0-9a-f-]{36}$/);
      expect(marit.visit.faults).toEqual([]);
    } finally {
      await rm(folder, { recursive: true, force: true });
    }
  });
});
