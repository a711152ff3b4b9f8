import { spawnSync } from 'node:child_process';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { writeBarcodeClip } from '@lean-mentor/demo/barcode';
import { probe } from '../server/media/probe.ts';
import { reviewCopyArguments } from '../server/media/reviewCopy.ts';
import type { Caller } from './caller.ts';
import type { Figure } from './figure.ts';

const frames = 900;

/** From the last byte's arrival to ready, beside nothing but the encoding of the same file with the same settings. */
export async function benchMakeReady(client: Caller, folder: string): Promise<{ figures: Figure[]; requestId: string }> {
  const file = join(folder, 'clip.mp4');
  await writeBarcodeClip(file, { frames, width: 1280, height: 720, variableRate: true, bFrames: 3, sound: true });
  const bytes = new Uint8Array(await readFile(file));

  const encode = reviewCopyArguments(file, join(folder, 'bare.mp4'), await probe(file, 'mov'));
  const begun = performance.now();
  const run = spawnSync('nice', ['-n', '10', 'ffmpeg', '-v', 'error', '-nostdin', '-y', ...encode], { stdio: 'inherit' });
  if (run.status !== 0) throw new Error('The bare encoding failed.');
  const bareSeconds = (performance.now() - begun) / 1000;

  const footage = await client.openRequest(bytes.length, 'How soon is it ready?');
  await client.upload(footage, bytes);
  const arrived = performance.now();
  const state = await client.settled(footage.id);
  if (state !== 'ready') throw new Error(`The clip became ${state}.`);
  const seconds = (performance.now() - arrived) / 1000;
  const figure = {
    figure: 'make-ready ÷ bare encode',
    value: seconds / bareSeconds,
    unit: 'ratio',
    seconds: Math.round(seconds * 100) / 100,
    bareSeconds: Math.round(bareSeconds * 100) / 100,
    frames,
  };
  return { figures: [figure], requestId: footage.requestId };
}
