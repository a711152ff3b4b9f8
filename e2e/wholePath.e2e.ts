import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brightnessAt, readBarcode, writeBarcodeClip, type BarcodeClip } from '@lean-mentor/demo/barcode';
import type { Browser } from 'puppeteer-core';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { clipAt, fetchBytes, playingClip, writeAnswer } from './critiqueSteps.ts';
import { answerAllSteps } from './sendFootage.ts';
import { frameOnStage, laptop, launch, phone, settledFrame, visit, wholeFootage, type Visit } from './visit.ts';

const base = process.env['LEAN_E2E_URL']!;
const question = 'When does my elbow leave?';
let browser: Browser;
let folder: string;
let clip: BarcodeClip;
let wen: Visit;
let marit: Visit;
/** Where the note stands, as the desk said when it was written. */
let noteFrame: number;
let critiquePath: string;

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'lean-e2e-'));
  clip = await writeBarcodeClip(join(folder, 'phone.mp4'), { frames: 240, rotated: true, variableRate: true, bFrames: 3, sound: true });
  browser = await launch();
  [wen, marit] = await Promise.all([
    visit(browser, base, 'wen', '/', phone, { byHand: true }),
    visit(browser, base, 'marit', '/', laptop, { byHand: true }),
  ]);
});
afterAll(async () => {
  await browser?.close();
  await rm(folder, { recursive: true, force: true });
});

// The steps follow one another: each begins where the one before ended.
describe('the way of one request', () => {
  it('begins with a client who sends a file from a phone and sees what is missing first', async () => {
    await wen.press('link', 'Send footage');
    await answerAllSteps(wen, {
      file: join(folder, 'phone.mp4'),
      you: 'green jacket',
      partner: 'white jacket',
      kind: 'Match',
      attire: 'Jacket',
      question: ' ',
    });
    await wen.sees('Write what you want to know.');
    await wen.press('button', 'Write what you want to know.');
    await wen.fill('What do you want to know?', question);
    await wen.press('button', 'Check and send');
    await wen.sees(`“${question}”`);
    await wen.pressUntil('Send', () => wen.page.evaluate(() => location.pathname === '/mine'));
    await wen.sees(question);
  });

  it('is made ready while both watch, without either asking again', async () => {
    await marit.sees(question);
    await Promise.all([
      marit.sees(/Making the review copy|Waiting its turn|Reading every frame|Open on the desk/),
      wen.sees(/With your coach, promised/),
    ]);
    await marit.page.waitForFunction(
      (words) =>
        [...document.querySelectorAll('[data-request]')].some(
          (row) => row.textContent.includes(words) && row.textContent.includes('Open on the desk'),
        ),
      { timeout: 180_000 },
      question,
    );
  });

  it('opens on the desk with what the client said', async () => {
    await marit.page.evaluate((words) => {
      const row = [...document.querySelectorAll('[data-request]')].find((r) => r.textContent.includes(words))!;
      [...row.querySelectorAll('a')].find((a) => a.textContent === 'Open on the desk')!.click();
    }, question);
    await marit.sees('Stiff neck');
    await marit.sees(/Match, Points, jacket/);
    expect(await settledFrame(marit.page)).toBe(0);
    expect(await frameOnStage(marit.page)).toBe(0);
  });

  it('is stepped frame by frame, exactly, forward and back, by one and by ten', async () => {
    const at = async (key: string, wanted: number, shift = false): Promise<void> => {
      if (shift) await marit.page.keyboard.down('Shift');
      await marit.page.keyboard.press(key as 'KeyD');
      if (shift) await marit.page.keyboard.up('Shift');
      expect(await settledFrame(marit.page)).toBe(wanted);
      expect(await frameOnStage(marit.page), `picture at frame ${wanted}`).toBe(wanted);
    };
    for (let frame = 1; frame <= 5; frame++) await at('KeyD', frame);
    await at('KeyD', 15, true);
    await at('KeyD', 25, true);
    await at('KeyA', 24);
    await at('KeyA', 14, true);
    await at('KeyA', 13);
  });

  it('jumps to where the round sheet is pressed, and the picture is that frame', async () => {
    for (const share of [0.25, 0.8, 0.5]) {
      const sheet = (await (await marit.page.waitForSelector('[aria-label="Round sheet"]'))!.boundingBox())!;
      await marit.page.mouse.click(sheet.x + 110, sheet.y + 8 + (sheet.height - 16) * share);
      const frame = await settledFrame(marit.page);
      expect(Math.abs(clip.times[frame]! - share * clip.times[239]!)).toBeLessThan(0.25);
      expect(await frameOnStage(marit.page)).toBe(frame);
    }
  });

  it('plays, changes speed, runs back, and stops on the frame it says', async () => {
    const from = await settledFrame(marit.page);
    await marit.page.keyboard.press('KeyS');
    await marit.page.keyboard.press('Space');
    await marit.page.waitForFunction(
      (f) => Number(document.querySelector('[data-stage-state]')!.getAttribute('data-frame')) > f + 5,
      {},
      from,
    );
    expect(await marit.page.$eval('video', (video) => video.playbackRate)).toBe(0.75);
    await marit.page.keyboard.press('Space');
    const stopped = await settledFrame(marit.page);
    expect(await frameOnStage(marit.page)).toBe(stopped);
    await marit.page.keyboard.press('KeyQ');
    await marit.page.waitForFunction(
      () => document.querySelector('video')!.playbackRate === 0.5 && !document.querySelector('video')!.paused,
    );
    await marit.page.keyboard.press('Space');
    const back = await settledFrame(marit.page);
    expect(clip.times[back]!).toBeLessThan(clip.times[stopped]! - 1.5);
    expect(await frameOnStage(marit.page)).toBe(back);
  });

  it('gets marks, of which one is let go and one becomes a note with what to do instead', async () => {
    const sheet = (await (await marit.page.waitForSelector('[aria-label="Round sheet"]'))!.boundingBox())!;
    for (const share of [0.3, 0.6]) {
      await marit.page.mouse.click(sheet.x + 110, sheet.y + sheet.height * share);
      await settledFrame(marit.page);
      await marit.page.keyboard.press('KeyE');
    }
    await marit.page.keyboard.press('KeyZ');
    await settledFrame(marit.page);
    await marit.press('button', 'Let it go');
    await marit.page.keyboard.press('KeyX');
    noteFrame = await settledFrame(marit.page);
    await marit.page.keyboard.press('KeyF');
    await marit.page.keyboard.type('The elbow leaves the ribs here.');
    await marit.press('button', 'What to do instead');
    await marit.fill('If, line 1', 'he pulls the sleeve');
    await marit.fill('Do, line 1', 'turn the palm up first');
    await marit.page.keyboard.press('Escape');
    await marit.sees('Saved');
  });

  it('gets an arrow and a freehand stroke on that frame', async () => {
    await wholeFootage(marit.page);
    const stage = (await (await marit.page.waitForSelector('[data-stage]'))!.boundingBox())!;
    const at = (x: number, y: number): [number, number] => [stage.x + stage.width * x, stage.y + stage.height * y];
    await marit.page.keyboard.press('Digit1');
    await marit.page.mouse.move(...at(0.2, 0.6));
    await marit.page.mouse.down();
    await marit.page.mouse.move(...at(0.8, 0.6), { steps: 5 });
    await marit.page.mouse.up();
    await marit.page.keyboard.press('Digit3');
    await marit.press('radio', 'Chalk');
    await marit.page.mouse.move(...at(0.2, 0.8));
    await marit.page.mouse.down();
    for (let i = 1; i <= 12; i++) await marit.page.mouse.move(...at(0.2 + i * 0.05, 0.8 + 0.05 * Math.sin(i)));
    await marit.page.mouse.up();
    await marit.sees('Saved');
  });

  it('has everything again after the page is loaded anew', async () => {
    await new Promise((resolve) => setTimeout(resolve, 600));
    await marit.page.reload();
    await settledFrame(marit.page);
    await marit.page.keyboard.press('KeyX');
    expect(await settledFrame(marit.page)).toBe(noteFrame);
    await marit.sees('The elbow leaves the ribs here.');
    expect(await marit.page.$eval('textarea[aria-label="Do, line 1"]', (t) => (t as HTMLTextAreaElement).value)).toBe(
      'turn the palm up first',
    );
    const kept = await marit.page.evaluate(
      async () => (await (await fetch(`/api/requests/${location.pathname.split('/')[2]}/desk`)).json()).document,
    );
    expect(Object.values(kept.notes)).toMatchObject([{ fromFrame: noteFrame, kind: 'mistake' }]);
    expect((Object.values(kept.marks) as { state: string }[]).map((m) => m.state).sort()).toEqual(['let-go', 'noted']);
    expect(
      (Object.values(kept.drawings) as { tool: string; colour: string; fromFrame: number }[]).map((d) => [d.tool, d.colour, d.fromFrame]),
    ).toEqual([
      ['arrow', 'client', noteFrame],
      ['freehand', 'chalk', noteFrame],
    ]);
  });

  it('is ranked on the ladder, answered, drafted into a page, changed there, and sent', async () => {
    await marit.press('link', 'Choose the fixes');
    await marit.sees('The critique ends here');
    await marit.sees('The elbow leaves the ribs here.');
    await marit.fill('Your answer to Wen', 'You keep your posture long. One thing gives it away.');
    await marit.sees('Nothing good is marked.');
    await marit.page.waitForFunction(() => !document.body.innerText.includes('question is not answered yet'));
    await marit.page.locator('::-p-aria([name="Habit breaker"][role="radio"])').click();
    await marit.page.waitForFunction(
      async (path) =>
        (await (await fetch(path)).json()).choice.answer.startsWith('You keep') &&
        (await (await fetch(path)).json()).choice.school === 'habit-breaker',
      { polling: 300 },
      `/api${new URL(marit.page.url()).pathname.replace('wrap-up', 'ladder')}`,
    );
    await marit.press('button', 'Write the critique');
    await marit.sees('If he pulls the sleeve, turn the palm up first.');
    await marit.sees('You keep your posture long.');
    await writeAnswer(marit, ' Watch the hand.');
    await marit.press('button', 'Send to Wen');
    await marit.sees(/Wen Halloran \(client/);
    await marit.press('button', 'Send it now');
    await marit.sees('Not read yet.');
    critiquePath = new URL(marit.page.url()).pathname;
    expect(critiquePath).toMatch(/^\/critiques\//);
  });

  it('reaches the client: asked, answer, fix, instead, and a still that is the very frame with the drawings on it', async () => {
    await wen.page.reload();
    await wen.press('link', 'Read your critique');
    const said = [question, 'Watch the hand.', 'The elbow leaves the ribs here.', 'If he pulls the sleeve, turn the palm up first.'];
    for (const words of said) await wen.sees(words);
    const address = await wen.page.$eval('[data-fix="1"] [data-moment] img', (image) => new URL((image as HTMLImageElement).src).pathname);
    const still = await fetchBytes(wen, address);
    const { data, info } = await sharp(still).removeAlpha().raw().toBuffer({ resolveWithObject: true });
    expect([info.width, info.height]).toEqual([360, 640]);
    expect(readBarcode(brightnessAt(data, info.width, info.height, info.channels))).toBe(noteFrame);
    const middle = (Math.round(0.6 * 640) * 360 + 180) * 3;
    expect([...data.subarray(middle, middle + 3)]).toEqual([47, 196, 207]);
  });

  it('plays the seconds around the moment at half speed, over and over, with the drawing on its frames, and holds still', async () => {
    const [began, rate] = await playingClip(wen);
    expect(rate).toBe(0.5);
    expect(began).toBeGreaterThanOrEqual(clip.times[noteFrame]! - 2.05);
    expect(began).toBeLessThan(clip.times[noteFrame]! - 0.5);
    await wen.page.waitForSelector('figure svg path', { timeout: 180_000 });
    // From its end it begins again.
    await clipAt(wen, 'after', clip.times[noteFrame]! + 1);
    await clipAt(wen, 'before', clip.times[noteFrame]! - 0.5);
    await wen.pressUntil(/Hold still/, () => wen.page.evaluate(() => !document.querySelector('[data-moment] video')));
  });

  it('is ticked as understood, asked about, and answered from the same page', async () => {
    // Away from the bar at the foot of a phone's page.
    await wen.page.$eval('[data-fix="1"] [role="checkbox"]', (box) => box.scrollIntoView({ block: 'center' }));
    await wen.page.locator('[data-fix="1"] [role="checkbox"]').click();
    await wen.sees('Understood');
    await wen.press('button', /Ask about this/);
    await wen.fill('Your question', 'Which hand do you mean?');
    await wen.press('button', 'Ask Marit');
    await wen.sees('No answer yet.');
    await marit.page.goto(`${base}/today`);
    await marit.sees('One question waits');
    await marit.press('link', 'Which hand do you mean?');
    await marit.sees(/Understood on/);
    await marit.fill('Answer “Which hand do you mean?”', 'The lower one.');
    await marit.press('button', 'Answer Wen');
    await marit.sees('Change the answer');
    await wen.page.reload();
    await wen.sees('The lower one.');
  });

  it('is changed by a second version, of which the client sees what is different', async () => {
    await marit.press('link', 'Change it');
    await writeAnswer(marit, ' The lower one.');
    await marit.press('button', 'Send a new version to Wen');
    await marit.press('button', 'Send it now');
    await marit.sees(/It can be taken back until/);
    await wen.page.reload();
    await wen.sees('This is version 2');
    await wen.press('button', 'What changed');
    await wen.page.waitForFunction(() => [...document.querySelectorAll('ins')].some((one) => one.textContent.includes('lower')));
  });

  it('is marked read, and the coach sees it', async () => {
    await wen.press('button', 'I have read it');
    await wen.sees(/Read on \d+/);
    await marit.page.reload();
    await marit.sees(/Read on \d+/);
  });

  it('has written a letter, and stands in the client’s history with its fix', async () => {
    await marit.press('link', 'Letters');
    await marit.sees('Marit Osei has changed what was said about your footage');
    await marit.sees('Marit Osei has answered');
    await marit.press('link', 'Clients');
    await marit.press('link', /Wen Halloran/);
    await marit.sees(question);
    await marit.sees('The elbow leaves the ribs here.');
    await marit.sees(/Read \d+/);
  });

  it('has left no error in either page', () => {
    expect([...wen.faults, ...marit.faults]).toEqual([]);
  });
});
