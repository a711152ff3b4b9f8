import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { probe } from '../server/media/probe.ts';
import { reviewCopyArguments } from '../server/media/reviewCopy.ts';
import type { Caller } from '@lean-mentor/e2e';
import type { Figure } from './figure.ts';
import { madeFootage, runFfmpeg } from './madeFootage.ts';
import { memoryOf } from './processes.ts';

/** What phones record. */
const kinds = [
  { name: '720p30', size: '1280x720', rate: 30, seconds: 40 },
  { name: '1080p60', size: '1920x1080', rate: 60, seconds: 20 },
];

const rounded = (value: number): number => Math.round(value * 100) / 100;

/**
 * From the last byte's arrival to ready, beside nothing but the encoding of the same file with the same settings. Answers the footage of
 * the first kind.
 */
export async function benchMakeReady(client: Caller, folder: string): Promise<{ figures: Figure[]; footageId: string }> {
  const figures: Figure[] = [];
  let footageId = '';
  for (const { name, size, rate, seconds: length } of kinds) {
    const file = join(folder, `${name}.mp4`);
    madeFootage(file, { size, rate, seconds: length });
    const bytes = await readFile(file);
    // Before and after: these machines change their pace within minutes.
    const encode = reviewCopyArguments(file, join(folder, 'bare.mp4'), await probe(file, 'mov'));
    const before = runFfmpeg(...encode);

    const footage = await client.openRequest(bytes.length, `How soon is ${name} ready?`);
    await client.upload(footage, [bytes]);
    const arrived = performance.now();
    const state = await client.settled(footage.id);
    if (state !== 'ready') throw new Error(`${name} became ${state}.`);
    const seconds = (performance.now() - arrived) / 1000;
    const bareSeconds = (before + runFfmpeg(...encode)) / 2;
    const more = { seconds: rounded(seconds), bareSeconds: rounded(bareSeconds), lengthSeconds: length };
    figures.push(
      { figure: `make-ready ÷ bare encode, ${name}`, value: seconds / bareSeconds, unit: 'ratio', goal: 1.2, ...more },
      { figure: `make-ready ÷ length, ${name}`, value: seconds / length, unit: 'ratio', bareEncode: rounded(bareSeconds / length) },
    );
    footageId ||= footage.id;
  }
  const { most } = memoryOf(client.base, 'server/jobsMain.mjs');
  figures.push({ figure: 'jobs process, most memory beside ffmpeg', value: most, unit: 'MB' });
  return { figures, footageId };
}
