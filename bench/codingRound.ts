import { laptop, launch, settledFrame, signInTo, visit } from '@lean-mentor/e2e';
import { boutFields, type ResponseOf, type openDesk } from '@lean-mentor/contract';
import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { KeyInput, Page } from 'puppeteer-core';
import { quantile, say } from './figure.ts';
import { demoClip, runFfmpeg } from './madeFootage.ts';

type Desk = ResponseOf<typeof openDesk>['document'];

/** The round: so many times the same 12 s of coding, one after another without a stop. */
const [cycles, cycleSeconds] = [30, 12];
/** What is pressed at which second of a cycle; + is with Shift. A guard by name, posture, an attempt by name, an attack that gets tight. */
const script: readonly (readonly [second: number, ...keys: string[]])[] = [
  [0, 'KeyU', 'Enter', 'KeyL', 'KeyO'],
  [1.5, 'Digit0', 'KeyK'],
  [4, 'Comma', 'KeyP', 'KeyK', 'KeyC', 'Digit2'],
  [6, '+Digit9', 'Enter', 'KeyG', 'KeyU'],
  [8, '+Backslash'],
  [9, '+Digit9', 'Digit2'],
  [10.5, 'KeyF'],
];
const betweenKeysMs = 60;

const base = process.env['LEAN_BENCH_URL']!;
const rest = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

async function press(page: Page, keys: readonly string[]): Promise<void> {
  for (const one of keys) {
    const key = one.replace('+', '') as KeyInput;
    if (one.startsWith('+')) await page.keyboard.down('Shift');
    await page.keyboard.press(key);
    if (one.startsWith('+')) await page.keyboard.up('Shift');
    await rest(betweenKeysMs);
  }
}

/** Codes the round while it plays. Answers the frame on the stage when each position was pressed, and how late the keys came, in ms. */
async function code(page: Page): Promise<{ pressedAt: number[]; lateMs: number[]; keys: number }> {
  const frameNow = () => page.$eval('[data-frame]', (stage) => Number(stage.getAttribute('data-frame')));
  const [pressedAt, lateMs]: [number[], number[]] = [[], []];
  let keys = 0;
  await press(page, ['KeyG', 'Space']);
  const begun = performance.now();
  for (let cycle = 0; cycle < cycles; cycle++)
    for (const [second, ...own] of script) {
      const due = begun + (cycle * cycleSeconds + second) * 1000;
      await rest(Math.max(0, due - performance.now()));
      lateMs.push(Math.max(0, performance.now() - due));
      if (own[0] === 'KeyU' || own[0] === 'KeyF') pressedAt.push(await frameNow());
      await press(page, own);
      keys += own.length;
    }
  await press(page, ['Space']);
  return { pressedAt, lateMs, keys };
}

/** One bout over all of the footage, whatever the analysis found in a film that repeats itself. */
async function onlyBout(requestId: string, footageId: string): Promise<void> {
  const coach = await signInTo(base, 'marit');
  const desk = (await (await coach.ask('GET', `/api/requests/${requestId}/desk`)).json()) as ResponseOf<typeof openDesk>;
  const [first, ...others] = desk.request.footages[0]!.bouts;
  const { frameCount } = desk.request.footages[0]!;
  const whole = { ...boutFields.parse(first), fromFrame: 0, toFrame: frameCount! };
  const edits = [
    { id: first!.id, base: first!.version, splitFrom: null, after: whole },
    ...others.map(({ id, version }) => ({ id, base: version, splitFrom: null, after: null })),
  ];
  const headers = { 'content-type': 'application/json' };
  const { status } = await coach.ask('POST', `/api/footages/${footageId}/bouts`, { body: JSON.stringify({ edits }), headers });
  if (status !== 200) throw new Error(`The bout is not made one: ${status}.`);
}

/** What the server has once everything is saved. */
async function kept(page: Page, requestId: string): Promise<Desk> {
  await page.waitForFunction(() => document.body.innerText.includes('Saved'), { timeout: 30_000 });
  return page.evaluate(async (id) => (await (await fetch(`/api/requests/${id}/desk`)).json()).document as never, requestId);
}

/** `npm run bench -- coding`: a round of six minutes, coded by name with postures and attacks while it plays at full speed. */
const folder = await mkdtemp(join(tmpdir(), 'lean-bench-coding-'));
const browser = await launch();
try {
  const client = await signInTo(base, 'wen');
  await client.quiet();
  const file = join(folder, 'round.mp4');
  const picture = ['-vf', 'scale=960:540', '-c:v', 'libx264', '-preset', 'veryfast', '-c:a', 'aac'];
  runFfmpeg('-stream_loop', '-1', '-i', demoClip, '-t', String(cycles * cycleSeconds + 5), ...picture, file);
  const bytes = await readFile(file);
  const footage = await client.openRequest(bytes.length, 'Six minutes');
  await client.upload(footage, [bytes]);
  if ((await client.settled(footage.id)) !== 'ready') throw new Error('The round was not made ready.');
  await onlyBout(footage.requestId, footage.id);
  const { page, faults } = await visit(browser, base, 'marit', `/requests/${footage.requestId}/desk`, laptop);
  await settledFrame(page);
  const { pressedAt, lateMs, keys } = await code(page);
  const desk = await kept(page, footage.requestId);
  const named = (shelf: Record<string, { name?: string }>, name: string): number =>
    Object.values(shelf).filter((one) => one.name === name).length;
  const guards = Object.values(desk.cuts).filter(({ name, posture }) => name === 'Lockdown' && posture?.top === 'knees').length;
  const tight = Object.values(desk.threats).filter(({ lockedFrame, toFrame }) => lockedFrame !== null && toFrame !== null).length;
  const lost = [guards, named(desk.events, 'Knee cut'), named(desk.threats, 'Guillotine'), tight].map((found) => cycles - found);
  const cutAt = Object.values(desk.cuts).map(({ atFrame }) => atFrame);
  const off = pressedAt.map((frame) => Math.min(...cutAt.map((at) => Math.abs(at - frame))));
  const minutes = (cycles * cycleSeconds) / 60;
  const [guardsLost, attemptsLost, attacksLost, tightLost] = lost as [number, number, number, number];
  say({
    ...{ figure: 'six minutes coded while they play, told and not kept', value: lost.reduce((sum, one) => sum + Math.abs(one), 0) },
    ...{ unit: 'things', told: lost.length * cycles, guardsLost, attemptsLost, attacksLost, tightLost },
    ...{ keys, keysAMinute: Math.round(keys / minutes), faults: faults.length },
  });
  say({ figure: 'six minutes coded, position kept from the frame that was shown, p95', value: quantile(off, 0.95), unit: 'frames' });
  say({ figure: 'six minutes coded, key after its time, p95', value: quantile(lateMs, 0.95), unit: 'ms', count: lateMs.length });
} finally {
  await browser.close();
  await rm(folder, { recursive: true, force: true });
}
