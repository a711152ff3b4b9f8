import { type Caller, laptop, launch, visit } from '@lean-mentor/e2e';
import { spawn } from 'node:child_process';
import { readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { quantile, type Figure } from './figure.ts';
import { runFfmpeg } from './madeFootage.ts';

/** So long is spoken, in seconds. */
const spoken = 60;
const rate = 16_000;

/** Where a click begins, in seconds: it becomes loud after a rest. */
function clicksIn(samples: Int16Array): number[] {
  const clicks: number[] = [];
  let loudAt = -rate;
  samples.forEach((sample, i) => {
    if (Math.abs(sample) < 6000) return;
    if (i - loudAt > rate / 4) clicks.push(i / rate);
    loudAt = i;
  });
  return clicks;
}

/**
 * A microphone that hears a click a second, and a page that steps a frame as soon as it hears one: how far the step in the log is from the
 * click in the voice. What the page needs to hear it (up to a picture of the screen) is in it. Meanwhile the machine encodes a film.
 */
export async function benchVoiceAgainstEvents(base: string, coach: Caller, requestId: string, folder: string): Promise<Figure[]> {
  const heard = join(folder, 'clicks.wav');
  runFfmpeg('-f', 'lavfi', '-i', `aevalsrc='0.9*lt(mod(t,1),0.03)*sin(6000*t)':s=48000:d=10`, '-ac', '1', heard);
  const browser = await launch(undefined, heard);
  const load = spawn('ffmpeg', ['-v', 'error', '-f', 'lavfi', '-i', 'testsrc2=s=1280x720:r=30', '-f', 'null', '-c:v', 'libx264', '-'], {
    stdio: 'ignore',
  });
  try {
    const { page } = await visit(browser, base, 'marit', `/requests/${requestId}/desk`, laptop);
    await page.waitForSelector('[data-stage]', { timeout: 60_000 });
    await page.evaluate('globalThis.__name = (f) => f');
    await page.keyboard.press('KeyR');
    await page.waitForFunction(() => /Everything on the desk works/.test(document.body.innerText));
    await page.evaluate(stepWhenHeard);
    await page.keyboard.press('KeyR');
    await page.waitForSelector('[data-speaking="speaking"]');
    await new Promise((resolve) => setTimeout(resolve, spoken * 1000));
    await page.keyboard.press('KeyR');
    await page.waitForSelector('[aria-label="Spoken critique"]');
    await page.keyboard.press('Escape');
  } finally {
    load.kill();
  }
  const path = `/api/requests/${requestId}/takes`;
  const newest = async () => ((await (await coach.ask('GET', path)).json()) as { id: string; state: string; seconds: number }[]).at(-1)!;
  for (;;) {
    const take = await newest();
    if (take.state === 'ready' && Math.abs(take.seconds - spoken) < 5) break;
    await new Promise((resolve) => setTimeout(resolve, 500));
  }
  await browser.close();
  const { id } = await newest();
  const log = (await (await coach.ask('GET', `${path}/${id}/log`)).json()) as { events: { t: number; kind: string }[] };
  const [m4a, raw] = [join(folder, 'heard.m4a'), join(folder, 'heard.raw')];
  await writeFile(m4a, Buffer.from(await (await coach.ask('GET', `${path}/${id}/voices/recorded`)).arrayBuffer()));
  runFfmpeg('-i', m4a, '-f', 's16le', '-ar', String(rate), '-ac', '1', raw);
  const clicks = clicksIn(new Int16Array(new Uint8Array(await readFile(raw)).buffer));
  const steps = log.events.filter(({ kind }) => kind === 'show').map(({ t }) => t);
  const apart = steps.map((t) => clicks.map((click) => t - click).sort((a, b) => Math.abs(a) - Math.abs(b))[0]! * 1000);
  return [
    {
      ...{ figure: 'events against voice, under load, p95', value: quantile(apart.map(Math.abs), 0.95), unit: 'ms' },
      ...{ p5: Math.round(quantile(apart, 0.05)), p50: Math.round(quantile(apart, 0.5)), steps: steps.length, clicks: clicks.length },
    },
  ];
}

/** Listens to the same microphone, and presses the key of the next frame whenever it hears a click. */
async function stepWhenHeard(): Promise<void> {
  const context = new AudioContext();
  await context.resume();
  const analyser = context.createAnalyser();
  analyser.fftSize = 512;
  context.createMediaStreamSource(await navigator.mediaDevices.getUserMedia({ audio: true })).connect(analyser);
  const samples = new Float32Array(analyser.fftSize);
  let last = 0;
  const look = (): void => {
    analyser.getFloatTimeDomainData(samples);
    const now = performance.now();
    if (now - last > 400 && samples.some((one) => Math.abs(one) > 0.2)) {
      last = now;
      dispatchEvent(new KeyboardEvent('keydown', { code: 'KeyD', bubbles: true }));
      dispatchEvent(new KeyboardEvent('keyup', { code: 'KeyD', bubbles: true }));
    }
    setTimeout(look, 4);
  };
  look();
}
