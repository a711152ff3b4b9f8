import { rename, writeFile } from 'node:fs/promises';
import sharp from 'sharp';
import { changeFootage, countBouts, findFootage, insertBout } from '../features/footage/index.ts';
import type { House } from '../house.ts';
import { MediaFault } from '../media/mediaFault.ts';
import { probe } from '../media/probe.ts';
import { readFrameTable } from '../media/frameTimes.ts';
import { MotionReader } from '../media/motionReader.ts';
import { makeReviewCopy } from '../media/reviewCopy.ts';
import { sniffFile } from '../media/sniffContainer.ts';
import { frameImage } from '../media/still.ts';

/** Least time between two progress writes, in ms: the database hears of it, but is not flooded. */
const progressEveryMs = 250;

/**
 * Makes footage ready: probe → review copy, motion and bells → frame table → poster → bouts proposed. Each result is written whole under its final name, so
 * that a repeated run overwrites and a half-written file is never served. A MediaFault means that trying again is useless.
 */
export async function makeReady(house: House, footageId: string, signal: AbortSignal): Promise<void> {
  const footage = await findFootage(house, footageId);
  if (!footage || footage.state === 'ready' || footage.state === 'uploading') return;
  const { storage } = house;
  const original = storage.original(footageId);
  const say = (step: string, share: number, secondsLeft: number | null): Promise<void> =>
    changeFootage(house, footageId, { state: 'working', step, share, secondsLeft, failure: null });

  await say('Looking at the file', 0, null);
  const found = await probe(original, await sniffFile(original));
  await changeFootage(house, footageId, { width: found.width, height: found.height, seconds: found.seconds });

  const started = Date.now();
  let saidAt = 0;
  const partial = `${storage.reviewCopy(footageId)}.partial`;
  const reader = new MotionReader();
  await makeReviewCopy(
    original,
    partial,
    found,
    reader,
    (share) => {
      const now = Date.now();
      if (now - saidAt < progressEveryMs) return;
      saidAt = now;
      const elapsed = (now - started) / 1000;
      void say('Making the review copy', 0.05 + 0.85 * share, share > 0.02 ? (elapsed / share) * (1 - share) : null).catch((error) =>
        house.log.warn({ err: error, footageId }, 'progress was not written'),
      );
    },
    signal,
  ).catch((error: unknown) => {
    if (signal.aborted) throw error;
    throw new MediaFault('The video cannot be decoded; it may be damaged. Send the file again, or record it anew.', { cause: error });
  });
  await rename(partial, storage.reviewCopy(footageId));

  await say('Reading every frame’s time', 0.92, 2);
  const table = await readFrameTable(storage.reviewCopy(footageId));
  const { motion, bouts } = reader.finish(table);
  await writeWhole(storage.frameTable(footageId), JSON.stringify(table));
  await writeWhole(storage.motion(footageId), JSON.stringify(motion));

  await say('Taking a still', 0.96, 1);
  const third = Math.floor(table.times.length / 3);
  const picture = await frameImage(storage.reviewCopy(footageId), table, third);
  await sharp(picture).resize({ width: 480, height: 480, fit: 'inside' }).jpeg({ quality: 80 }).toFile(storage.poster(footageId));

  // What a person has marked is not proposed again.
  if ((await countBouts(house, footageId)) === 0)
    for (const { fromFrame, toFrame } of bouts) await insertBout(house, { id: house.newId(), footageId, fromFrame, toFrame, spans: [] });
  await changeFootage(house, footageId, {
    state: 'ready',
    step: 'Ready',
    share: 1,
    secondsLeft: 0,
    frameCount: table.times.length,
    seconds: table.endSeconds,
    advice: motion.advice.map((a) => a.words),
  });
}

/** Writes under another name first, so that a half-written file is never read. */
async function writeWhole(path: string, text: string): Promise<void> {
  await writeFile(`${path}.partial`, text);
  await rename(`${path}.partial`, path);
}
