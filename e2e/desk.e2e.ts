import { demoPractice } from '@lean-mentor/demo';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { openDeskOf, type DeskPage } from './deskPage.ts';
import { launch, settledFrame } from './visit.ts';

const base = process.env['LEAN_E2E_URL']!;
const { id } = demoPractice(new Date()).requests[0]!;

let browser: Browser;
let marit: DeskPage;
beforeAll(async () => {
  browser = await launch();
  marit = await openDeskOf(browser, base, 'marit', id);
});
beforeEach(() => marit.page.keyboard.press('Escape'));
afterAll(() => browser?.close());

describe('drawing', () => {
  it('has a tool on each digit, and each is kept as it was drawn', async () => {
    await marit.goTo(0.3);
    const before = (await marit.drawings()).length;
    const { page } = marit;
    await page.keyboard.press('Digit2');
    await marit.drag([0.2, 0.2], [0.3, 0.4], [0.45, 0.45]);
    await page.keyboard.press('Digit4');
    await marit.clicks([0.6, 0.3], [0.5, 0.4], [0.62, 0.52]);
    await page.keyboard.press('Digit6');
    await marit.clicks([0.1, 0.6], [0.25, 0.6], [0.2, 0.8]);
    await page.keyboard.press('Enter');
    await page.keyboard.press('Digit7');
    await marit.click(0.7, 0.8);
    await page.keyboard.press('Digit9');
    await marit.click(0.3, 0.9);
    await page.waitForSelector('input[aria-label="Label"]');
    await page.keyboard.type('Čelo on the mat');
    await page.keyboard.press('Enter');
    const drawn = (await marit.until(marit.drawings, (all) => all.length === before + 5)).slice(before);
    expect(drawn.map(({ tool, points }) => [tool, points.length > 1])).toEqual([
      ['bent-arrow', true],
      ['angle', true],
      ['gap', true],
      ['post', false],
      ['label', false],
    ]);
    expect(drawn[4]!.words).toBe('Čelo on the mat');
  });

  it('can be moved, restyled, pinned on two frames so that it runs between them, copied, and taken away', async () => {
    const { page } = marit;
    await marit.goTo(0.5);
    await page.keyboard.press('Digit5');
    await marit.drag([0.4, 0.4], [0.6, 0.6]);
    await page.keyboard.press('Escape');
    const ring = (await marit.until(marit.drawings, (all) => all.at(-1)?.tool === 'ring')).at(-1)!;
    const now = async () => (await marit.drawings()).find((drawing) => drawing.id === ring.id)!;
    // By its edge: a ring has nothing inside.
    await marit.drag([0.4, 0.5], [0.3, 0.5]);
    const moved = await marit.until(now, (drawing) => drawing.points[0]!.x < 0.35);
    expect(moved.points[0]!.x).toBeCloseTo(0.3, 2);
    await marit.visit.press('radio', 'Chalk');
    await marit.until(now, (drawing) => drawing.colour === 'chalk');
    await page.keyboard.press('KeyK');
    await marit.until(now, (drawing) => drawing.keys.length === 1);
    for (let i = 0; i < 10; i++) await page.keyboard.press('KeyD');
    await marit.drag([0.3, 0.5], [0.5, 0.5]);
    const pinned = await marit.until(now, (drawing) => drawing.keys.length === 2);
    expect(pinned.keys[1]!.frame - pinned.keys[0]!.frame).toBe(10);
    expect(pinned.keys[1]!.points[0]!.x - pinned.keys[0]!.points[0]!.x).toBeCloseTo(0.2, 2);
    const count = (await marit.drawings()).length;
    await marit.withControl('KeyC');
    await page.keyboard.press('KeyD');
    await marit.withControl('KeyV');
    await marit.until(marit.drawings, (all) => all.length === count + 1);
    await page.keyboard.press('Delete');
    await marit.until(marit.drawings, (all) => all.length === count);
  });

  it('is taken back also after a reload, and done again', async () => {
    await marit.goTo(0.6);
    const before = (await marit.drawings()).length;
    await marit.page.keyboard.press('Digit1');
    await marit.drag([0.2, 0.2], [0.4, 0.4]);
    await marit.until(marit.drawings, (all) => all.length === before + 1);
    await marit.visit.sees('Saved');
    await marit.reload();
    await marit.withControl('KeyZ');
    await marit.until(marit.drawings, (all) => all.length === before);
    await marit.withControl('KeyY');
    await marit.until(marit.drawings, (all) => all.length === before + 1);
  });
});

describe('a still', () => {
  it('made on the server from the original is what the stage shows, within the loss of the review copy', async () => {
    await marit.goTo(0.42);
    await marit.page.keyboard.press('Digit1');
    await marit.drag([0.2, 0.3], [0.7, 0.6]);
    await marit.page.keyboard.press('Digit4');
    await marit.clicks([0.8, 0.3], [0.6, 0.3], [0.7, 0.5]);
    await marit.page.keyboard.press('Escape');
    await marit.visit.sees('Saved');
    await new Promise((resolve) => setTimeout(resolve, 500));
    const { share, mean } = await comparedWithStill(marit.page, id);
    // Anti-aliasing and compression differ by a few steps of grey; a drawing out of place would differ by a hundred.
    expect(mean).toBeLessThan(6);
    expect(share).toBeLessThan(0.01);
  });

  it('as SVG carries the picture and the drawings as paths', async () => {
    const svg = await marit.page.evaluate(async (request) => {
      const { document: desk } = await (await fetch(`/api/requests/${request}/desk`)).json();
      const { footageId, fromFrame } = Object.values(desk.drawings as Record<string, { footageId: string; fromFrame: number }>)[0]!;
      const answer = await fetch(`/api/requests/${request}/footages/${footageId}/frames/${fromFrame}/still.svg`);
      return [answer.headers.get('content-type'), await answer.text()];
    }, id);
    expect(svg[0]).toContain('image/svg+xml');
    expect(svg[1]).toMatch(/^<svg .*<image href="data:image\/png;base64,.*<path d="M/s);
  });
});

describe('measuring', () => {
  it('puts an angle on the picture with its uncertainty, and counts the time between two frames', async () => {
    await marit.goTo(0.7);
    const { page, visit: sees } = marit;
    await page.click('[aria-label="Measure"]');
    await sees.press('menuitem', /^Angle/);
    await marit.clicks([0.6, 0.5], [0.5, 0.5], [0.5, 0.7]);
    await sees.sees(/9\d° ± \d+° in the picture|8\d° ± \d+° in the picture/);
    await page.click('[aria-label="Measure"]');
    await sees.press('menuitem', /^Time/);
    for (let i = 0; i < 13; i++) await page.keyboard.press('KeyD');
    await page.keyboard.press('Enter');
    await sees.sees(/0\.4\d s ± 0\.0\d s, 13 frames\./);
    const measures = await marit.desk().then(({ measures: all }) => Object.values(all));
    expect(measures.map(({ input }) => input.kind)).toEqual(expect.arrayContaining(['angle', 'time']));
  });
});

describe('the work', () => {
  it('goes from mark to mark, a range becomes a note on it, and how far it has come is seen', async () => {
    const { page, visit: sees } = marit;
    await marit.goTo(0.2);
    await page.keyboard.down('Shift');
    await page.keyboard.press('KeyE');
    await page.keyboard.up('Shift');
    await sees.sees('A range has begun');
    for (let i = 0; i < 6; i++) await page.keyboard.press('KeyD');
    await page.keyboard.press('KeyF');
    await page.keyboard.type('The hips stay square for too long.');
    await page.keyboard.press('Enter');
    const note = await marit.until(
      async () => Object.values((await marit.desk()).notes).find(({ what }) => what.startsWith('The hips stay')),
      (found) => found !== undefined,
    );
    expect(note!.toFrame! - note!.fromFrame).toBe(7);
    await sees.sees(/\d+ % watched · \d+ to look at · \d+ settled · \d+ notes/);
  });

  it('a chain is played as one clip from its first link, and says what is carried back to it', async () => {
    const { page, visit: sees } = marit;
    const [led, first] = await marit.until(
      async () => {
        const notes = (await marit.desk()).notes;
        const effect = Object.values(notes).find(({ causes }) => causes.length > 0);
        return [effect, effect && notes[effect.causes[0]!]] as const;
      },
      ([effect]) => effect !== undefined,
    );
    await sees.press('button', new RegExp(led!.what.slice(0, 20)));
    await sees.sees(/Cost\s+\d\.\d\d at 0:\d\d\s+→\s+\d\.\d\d at 0:\d\d/);
    await sees.press('button', /play the chain of 2/);
    await sees.sees('Stop the chain');
    const frame = () => page.$eval('[data-frame]', (element) => Number(element.getAttribute('data-frame')));
    // A second before the first link, and past the last one before it begins again.
    await marit.until(frame, (now) => now < first!.fromFrame);
    await marit.until(frame, (now) => now > led!.fromFrame);
    await marit.until(frame, (now) => now < first!.fromFrame);
    await sees.press('button', 'Stop the chain');
    await page.keyboard.press('Space');
  });

  it('frames of two moments lie beside each other in the tray and are stepped together', async () => {
    const { page } = marit;
    await marit.goTo(0.3);
    await page.keyboard.press('KeyC');
    await marit.goTo(0.6);
    await page.keyboard.press('KeyC');
    await page.click('[aria-label="Compare tray, 2 in it"]');
    await page.waitForFunction(() => document.querySelectorAll('[data-compare-frame]').length === 2);
    const frames = () =>
      page.$$eval('[data-compare-frame]', (all) => all.map((canvas) => Number(canvas.getAttribute('data-compare-frame'))));
    const before = await frames();
    for (let i = 0; i < 5; i++) await page.keyboard.press('KeyD');
    await marit.until(frames, (now) => now[0] === before[0]! + 5 && now[1] === before[1]! + 5);
    await page.keyboard.press('Escape');
    expect(marit.visit.faults).toEqual([]);
  });

  it('a range that was begun goes into the tray whole, and is not stepped beyond', async () => {
    const { page } = marit;
    await marit.goTo(0.5);
    await page.keyboard.down('Shift');
    await page.keyboard.press('KeyE');
    await page.keyboard.up('Shift');
    for (let i = 0; i < 3; i++) await page.keyboard.press('KeyD');
    await settledFrame(page);
    await page.keyboard.press('KeyC');
    await page.click('[aria-label="Compare tray, 3 in it"]');
    await page.waitForFunction(() => document.querySelectorAll('[data-compare-frame]').length === 3);
    const last = () => page.$$eval('[data-compare-frame]', (all) => Number(all.at(-1)!.getAttribute('data-compare-frame')));
    const from = await last();
    for (let i = 0; i < 6; i++) await page.keyboard.press('KeyD');
    await marit.until(last, (frame) => frame === from + 3);
    await marit.visit.sees(/0:\d\d–0:\d\d/);
    const away = await page.$$('[aria-label="Take it out of the tray"]');
    await away.at(-1)!.click();
    await page.keyboard.press('Escape');
  });

  it('lies over an open note: Esc closes the tray, then the note, and the panel under it is there again', async () => {
    const { page } = marit;
    const isThere = (label: string) => page.$(`[aria-label="${label}"]`).then(Boolean);
    await page.keyboard.press('KeyH');
    await page.waitForSelector('[aria-label="Score and numbers"]');
    await page.keyboard.press('KeyF');
    await page.waitForSelector('[aria-label="What happened"]');
    await page.keyboard.press('Escape');
    await page.click('[aria-label="Compare tray, 2 in it"]');
    await page.waitForSelector('[data-compare-frame]');
    await page.keyboard.press('Escape');
    expect([await isThere('Compare tray'), await isThere('What happened'), await isThere('Score and numbers')]).toEqual([
      false,
      true,
      false,
    ]);
    await page.keyboard.press('Escape');
    expect([await isThere('What happened'), await isThere('Score and numbers')]).toEqual([false, true]);
    await page.keyboard.press('Escape');
    expect(await isThere('Score and numbers')).toBe(false);
  });
});

describe('the sheet', () => {
  it('is enlarged from the whole bout to single seconds, and goes back', async () => {
    const { page, visit: sees } = marit;
    const length = () => page.$eval('[aria-label="Round sheet"]', (sheet) => sheet.scrollHeight / sheet.clientHeight);
    expect(await length()).toBe(1);
    for (let i = 0; i < 9; i++) await sees.press('button', 'Fewer seconds, larger (Ctrl and the wheel)');
    await marit.until(length, (times) => times > 15);
    await sees.press('button', 'The whole bout');
    await marit.until(length, (times) => times === 1);
  });

  it('lets the foot of a note be dragged to another frame', async () => {
    const { page } = marit;
    const foot = (await page.$('[data-foot]'))!;
    const noteId = (await foot.evaluate((circle) => circle.getAttribute('data-foot')))!;
    const before = (await marit.desk()).notes[noteId]!.fromFrame;
    const box = (await foot.boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 + 40, { steps: 5 });
    await page.mouse.up();
    await marit.until(
      async () => (await marit.desk()).notes[noteId]!.fromFrame,
      (frame) => frame > before + 20,
    );
  });
});

describe('a spoken note', () => {
  it('is recorded with the microphone, shown as its loudness, and kept on the server', async () => {
    const { page, visit: sees } = marit;
    await marit.goTo(0.9);
    await page.keyboard.press('KeyF');
    await page.keyboard.type('Said, not written.');
    await sees.press('button', /^Say it/);
    await page.waitForFunction(() => /Speaking\s*0:0[2-9]/.test(document.body.innerText), { timeout: 180_000 });
    await sees.press('button', /^That was it/);
    await page.waitForSelector('[aria-label="Spoken note"] rect', { timeout: 180_000 });
    const { takes, notes } = await marit.desk();
    const take = Object.values(takes)[0]!;
    expect(notes[take.noteId!]!.what).toBe('Said, not written.');
    const told = await page.evaluate(
      async (request, takeId) => {
        const at = `/api/requests/${request}/takes`;
        const [recording] = await (await fetch(at)).json();
        const { events } = await (await fetch(`${at}/${takeId}/log`)).json();
        const voice = await (await fetch(`${at}/${takeId}/voices/recorded`)).arrayBuffer();
        return { ...recording, begins: events[0].frame, bytes: voice.byteLength };
      },
      id,
      take.id,
    );
    expect(told).toMatchObject({ id: take.id, state: 'ready', begins: notes[take.noteId!]!.fromFrame });
    expect(told.seconds).toBeGreaterThan(1.5);
    expect(Math.max(...told.peaks)).toBe(1);
    expect(told.bytes).toBeGreaterThan(1000);
    await sees.press('button', 'Take the spoken note away');
    await sees.sees('Say it');
  });
});

/** How far the stage (picture and drawings) and the server's still differ: mean grey steps, and the share of pixels that differ by much. */
function comparedWithStill(page: Page, request: string): Promise<{ mean: number; share: number }> {
  return page.evaluate(async (requestId) => {
    const [width, height] = [640, 360];
    const small = new OffscreenCanvas(width, height);
    const context = small.getContext('2d', { willReadFrequently: true })!;
    context.imageSmoothingQuality = 'high';
    for (const canvas of document.querySelectorAll<HTMLCanvasElement>('[data-decoded], [data-stage] .konvajs-content canvas'))
      context.drawImage(canvas, 0, 0, width, height);
    const stage = context.getImageData(0, 0, width, height).data;
    const frame = document.querySelector('[data-stage-state]')!.getAttribute('data-frame');
    const { document: desk } = await (await fetch(`/api/requests/${requestId}/desk`)).json();
    const { footageId } = Object.values(desk.drawings as Record<string, { footageId: string }>)[0]!;
    const answer = await fetch(`/api/requests/${requestId}/footages/${footageId}/frames/${frame}/still.png`);
    const still = await createImageBitmap(await answer.blob());
    context.drawImage(still, 0, 0, width, height);
    const made = context.getImageData(0, 0, width, height).data;
    let [sum, far] = [0, 0];
    for (let i = 0; i < made.length; i += 4) {
      const apart = (Math.abs(made[i]! - stage[i]!) + Math.abs(made[i + 1]! - stage[i + 1]!) + Math.abs(made[i + 2]! - stage[i + 2]!)) / 3;
      sum += apart;
      if (apart > 60) far += 1;
    }
    return { mean: sum / (width * height), share: far / (width * height) };
  }, request);
}

describe('the principle of a note', () => {
  it('keeps every letter of a fast typist', async () => {
    await marit.goTo(0.52);
    await marit.page.keyboard.press('KeyF');
    await marit.page.keyboard.type('The hand is late.');
    await marit.page.click('[aria-label="Principle"]');
    await marit.page.keyboard.type('Hips before the hands move');
    const field = '[aria-label="Principle"]';
    expect(await marit.page.$eval(field, (input) => (input as HTMLInputElement).value)).toBe('Hips before the hands move');
    await marit.page.keyboard.press('Enter');
    await marit.visit.sees('Saved');
    await marit.reload();
    expect(
      await marit.page.evaluate(async () => (await (await fetch('/api/book')).json()).principles.map((one: { name: string }) => one.name)),
    ).toContain('Hips before the hands move');
  });
});
