import type * as contract from '@lean-mentor/contract';
import type { Account, ResponseOf } from '@lean-mentor/contract';
import { takesOf, type CritiqueDoc, type TakeBlock } from '@lean-mentor/core/critique';
import type { TakeStretch } from '@lean-mentor/core/desk';
import { cutClock, heardMore, spokenPart, speechOf, uncaptioned, withoutCuts, type Take } from '@lean-mentor/core/takes';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import { spokenKey } from '../../storage/index.ts';
import { knownFrameTable } from '../footage/index.ts';
import type { LadderFacts } from '../fixes/index.ts';
import { findTake, readTakeLog } from '../takes/index.ts';
import type { VersionRow, VersionTake } from './model.ts';
import { findHeard, findVersion, putHeard } from './repository.ts';
import { getCritique } from './reading.ts';

const refused = (message: string): ContractError => new ContractError('not-valid', { message });

/** How a client who hears nothing must be reached: one of the client's agreements. */
const everyWord = 'needs every word written';

/** A take as it was recorded, with what of it is shown cut to a part. */
async function recordedTake(
  house: House,
  requestId: string,
  { takeId }: TakeBlock['attrs'],
  mended: Omit<Take, 'seconds' | 'events'>,
): Promise<Take> {
  const { seconds, events } = await readTakeLog(house, requestId, takeId);
  return { ...mended, seconds, events };
}

/** Something spoken, as it is now. Refused where its take is gone, not whole yet, or lacks words that the client needs. */
export async function takeToSend(
  house: House,
  { request, document, tables, client }: LadderFacts,
  attrs: TakeBlock['attrs'],
): Promise<VersionTake> {
  const mended = document.takes[attrs.takeId];
  const recording = mended && (await findTake(house, attrs.takeId));
  const title = attrs.title || 'a take';
  if (!mended || !recording) throw refused('A take that is to be sent is not on the desk any more. Take it out, or put it back.');
  if (recording.state === 'failed') throw refused(`A take could not be put together: ${recording.failure ?? 'look at it on the desk.'}`);
  if (recording.state !== 'ready') throw refused('A take is still being put together. Send it in a moment.');
  const table = tables.get(mended.footageId);
  if (!table) throw new ContractError('footage-not-ready');
  const part = spokenPart(await recordedTake(house, request.id, attrs, mended), attrs.from, attrs.to);
  const { cuts, seconds } = cutClock(part);
  if (seconds <= 0) throw refused(`Nothing is left of “${title}”: all of it is cut out.`);
  const missing = client.agreements.includes(everyWord) ? uncaptioned(part, speechOf(recording.silences, recording.seconds)) : [];
  if (missing.length > 0)
    throw refused(
      `${client.name} needs every word written, and in ${missing.length === 1 ? 'one place' : `${missing.length} places`} of “${title}” something is said that no words stand for, the first at ${Math.floor(missing[0]!.from)} s. Write it down, or cut it out.`,
    );
  const heard = withoutCuts(part, table);
  const { footageId, denoise } = mended;
  return { ...attrs, footageId, seconds, captions: [...heard.captions], chapters: [...heard.chapters], cuts: [...cuts], denoise };
}

/** What is spoken in a critique, as it is now. */
export async function takesToSend(house: House, facts: LadderFacts, doc: CritiqueDoc): Promise<VersionTake[]> {
  const sent: VersionTake[] = [];
  for (const attrs of takesOf(doc)) sent.push(await takeToSend(house, facts, attrs));
  return sent;
}

/** A stretch of a sent version by its place. */
export async function sentTakeOf(
  house: House,
  account: Account,
  critiqueId: string,
  version: number,
  place: number,
): Promise<{ row: VersionRow; take: VersionTake; requestId: string }> {
  const { requestId } = await getCritique(house, account, critiqueId, version);
  const row = await findVersion(house, critiqueId, version);
  const take = row?.takes[place];
  if (!row || !take) throw new ContractError('not-found');
  return { row, take, requestId };
}

/** What was done on the desk while something was spoken; nothing where its footage was removed: then only the voice is left. */
export async function heardLog(
  house: House,
  requestId: string,
  take: Pick<VersionTake, 'takeId' | 'footageId' | 'seconds' | 'cuts'>,
): Promise<ResponseOf<typeof contract.getSentTake>> {
  const { seconds, events } = await readTakeLog(house, requestId, take.takeId);
  const table = await knownFrameTable(house, take.footageId);
  if (!table) return { seconds: take.seconds, events: [] };
  const heard = withoutCuts({ seconds, events, cuts: take.cuts, captions: [], chapters: [] }, table);
  return { seconds: heard.seconds, events: heard.events as ResponseOf<typeof contract.getSentTake>['events'] };
}

export async function getSentTake(
  house: House,
  account: Account,
  { critiqueId, version, place }: { critiqueId: string; version: number; place: number },
): Promise<ResponseOf<typeof contract.getSentTake>> {
  const { take, requestId } = await sentTakeOf(house, account, critiqueId, version, place);
  return heardLog(house, requestId, take);
}

export async function sentVoice(
  house: House,
  account: Account,
  { critiqueId, version, place }: { critiqueId: string; version: number; place: number },
): Promise<string> {
  await sentTakeOf(house, account, critiqueId, version, place);
  return readyVoice(house, spokenKey(critiqueId, version, place));
}

/** Where a voice lies; refused while it is being made ready. */
export async function readyVoice(house: House, key: string): Promise<string> {
  if ((await house.storage.size(key)) === null)
    throw new ContractError('not-now', { message: 'The voice is still being made ready. Try again in a moment.' });
  return key;
}

/** So many stretches are kept of one who jumps about; the newest tell where it was left. */
const mostStretches = 500;

/** Keeps what was listened to. */
export async function saveHeard(
  house: House,
  account: Account,
  { critiqueId, version, place }: { critiqueId: string; version: number; place: number },
  { from, to }: TakeStretch,
): Promise<void> {
  const { take } = await sentTakeOf(house, account, critiqueId, version, place);
  const stretch = { from: Math.min(from, take.seconds), to: Math.min(to, take.seconds) };
  if (stretch.to <= stretch.from) throw refused(`Nothing was heard from ${from} to ${to} s.`);
  await house.db.sequelize.transaction(async (transaction) => {
    const at = { critiqueId, version, place };
    const stretches = heardMore(await findHeard(house, at, transaction), stretch).slice(-mostStretches);
    await putHeard(house, { ...at, stretches, changedAt: house.now() }, transaction);
  });
}
