import { bout } from '@lean-mentor/contract';
import { continuesTable, type FrameTable, type Stretch } from '@lean-mentor/core/footage';
import type { Transaction } from 'sequelize';
import {
  changeBout,
  changeFootage,
  countBouts,
  findBoutsOfFootage,
  findFootage,
  frameTableOf,
  insertBout,
  timedOf,
  type FootageRow,
} from './index.ts';
import type { House } from '../../house/house.ts';
import { readFootage } from '../../media/readFootage.ts';
import { editionTable, editionsOf } from './editions.ts';
import { withScratchFolder } from '../../house/scratchFolder.ts';
import {
  findingsKey,
  footageFolder,
  frameTableKey,
  motionKey,
  originalKey,
  posterKey,
  reviewCopyKey,
  soundKey,
  stripKey,
} from '../../storage/index.ts';

/** Least time between two progress writes, in ms: the database hears of it, but is not flooded. */
const progressEveryMs = 500;

/** What goes into the footage's rows once everything made from it is in storage. */
interface Findings {
  frameCount: number;
  seconds: number;
  advice: string[];
  bouts: Stretch[];
}

type Say = (step: string, share: number, secondsLeft: number | null) => Promise<void>;

/**
 * Makes footage ready: probe → one decoding for review copy, strip, sound and movement → frame table → findings → poster. Each
 * result is written whole, the findings last: where they are, a repeated run only enters them. A MediaFault means that
 * trying again is useless.
 */
export async function makeReady(house: House, footageId: string, signal: AbortSignal): Promise<void> {
  const footage = await findFootage(house, footageId);
  if (!footage || !['waiting', 'working'].includes(footage.state)) return;
  const { storage } = house;
  const say: Say = (step, share, secondsLeft) =>
    changeFootage(house, footageId, { state: 'working', step, share, secondsLeft, failure: null });
  if ((await storage.size(findingsKey(footageId))) === null)
    await withScratchFolder(house, footageId, (folder) => decode(house, footage, folder, say, signal));
  signal.throwIfAborted();
  await enterFindings(house, footageId, JSON.parse((await storage.read(findingsKey(footageId))).toString()) as Findings);
  // Taken back while it was worked on: what was put into storage meanwhile goes as well.
  const after = await findFootage(house, footageId);
  if (!after || after.state === 'removed') await storage.remove(footageFolder(footageId));
}

/** Everything that is made from the footage's bytes, into storage. */
async function decode(house: House, footage: FootageRow, folder: string, say: Say, signal: AbortSignal): Promise<void> {
  const { storage } = house;
  const { id } = footage;
  await say('Looking at the file', 0, null);
  const original = await storage.local(footage.originalKey ?? originalKey(id));
  try {
    const { copy, table, missing, motion, sound, bouts, strip, poster } = await readFootage(original.path, folder, {
      onProbed: ({ width, height, seconds }) => changeFootage(house, id, { width, height, seconds }),
      onShare: progress(house, id, say),
      editions: await editionsOf(house, footage),
      onStep: (step) => (step === 'table' ? say('Reading every frame’s time', 0.92, 2) : say('Taking a still', 0.96, 1)),
      signal,
    });
    signal.throwIfAborted();
    const findings: Findings = {
      frameCount: table.times.length,
      seconds: table.endSeconds,
      advice: [...(await movedWords(house, id, table)), ...(missing ? [missing] : []), ...motion.advice.map((a) => a.words)],
      bouts,
    };
    await storage.putBytes(frameTableKey(id), JSON.stringify(table));
    await storage.putBytes(motionKey(id), JSON.stringify({ ...motion, strip: strip.layout }));
    await storage.putBytes(soundKey(id), JSON.stringify(sound));
    await storage.putBytes(stripKey(id), strip.jpeg);
    await storage.putBytes(posterKey(id), poster);
    await storage.putFile(reviewCopyKey(id), copy);
    await storage.putBytes(findingsKey(id), JSON.stringify(findings));
  } finally {
    await original.release();
  }
}

/**
 * What has been marked on an edition must stand on the same frames for ever. Both are read off the same coded pictures, so they do; should
 * a run that was taken up on a machine with another decoder find other frames, it is said to whoever marked them.
 */
async function movedWords(house: House, footageId: string, table: FrameTable): Promise<string[]> {
  const { edition = 0 } = (await findFootage(house, footageId)) ?? {};
  const earlier = edition > 0 ? await editionTable(house, footageId, edition) : null;
  if (!earlier || continuesTable(table, earlier)) return [];
  house.log.error({ footageId, edition }, 'the whole review copy has other frames than its edition');
  return [
    'Its frames moved while it was being made ready. What was marked before it was whole may stand beside its frame: look at it again.',
  ];
}

/** Says how far the decoding has come, every now and then. */
function progress(house: House, footageId: string, say: Say): (share: number) => void {
  const started = Date.now();
  let saidAt = 0;
  return (share) => {
    const now = Date.now();
    if (now - saidAt < progressEveryMs) return;
    saidAt = now;
    const elapsed = (now - started) / 1000;
    say('Making the review copy', 0.05 + 0.85 * share, share > 0.02 ? (elapsed / share) * (1 - share) : null).catch((error: unknown) =>
      house.log.warn({ err: error, footageId }, 'progress was not written'),
    );
  };
}

/** What was coded before the frames' times were known (a practice that was loaded) is put into seconds. */
async function timeCodedBouts(house: House, footageId: string, transaction: Transaction): Promise<void> {
  const coded = (await findBoutsOfFootage(house, footageId, transaction)).filter(({ spans }) => spans.length > 0);
  if (coded.length === 0) return;
  const table = await frameTableOf(house, footageId);
  for (const one of coded) await changeBout(house, one.id, { timed: timedOf(one, table) }, transaction);
}

/** Enters what was found into the rows, once: whoever comes second finds it ready. */
const enterFindings = (house: House, footageId: string, { bouts, ...found }: Findings): Promise<void> =>
  house.db.sequelize.transaction(async (transaction) => {
    // The first write locks the row.
    await changeFootage(
      house,
      footageId,
      { state: 'ready', step: 'Ready', share: 1, secondsLeft: 0, failure: null, ...found },
      transaction,
    );
    const footage = await findFootage(house, footageId, transaction);
    await timeCodedBouts(house, footageId, transaction);
    // What a person has marked is not proposed again.
    if (footage?.state !== 'ready' || (await countBouts(house, footageId, transaction)) > 0) return;
    for (const [i, { fromFrame, toFrame }] of bouts.entries())
      await insertBout(
        house,
        { ...bout.parse({ id: house.newId(), fromFrame, toFrame, spans: [], proposed: true, order: i + 1 }), footageId },
        transaction,
      );
  });
