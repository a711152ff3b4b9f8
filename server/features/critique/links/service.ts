import type * as contract from '@lean-mentor/contract';
import type {
  Account,
  BodyOf,
  Bout,
  ClipFrames,
  Critique,
  ParamsOf,
  ReadLink,
  ResponseOf,
  SentMoment,
  SharedCritique,
} from '@lean-mentor/contract';
import { heardOf } from '@lean-mentor/core/critique';
import { boutAtFrame, frameAtSeconds, secondsOfFrame, type FrameTable } from '@lean-mentor/core/footage';
import { join } from 'node:path';
import type { House } from '../../../house/house.ts';
import { ContractError } from '../../../house/contractError.ts';
import { digestOf, oneTime } from '../../../house/oneTime.ts';
import { cutClip } from '../../../media/cutClip.ts';
import { withScratchFolder } from '../../../house/scratchFolder.ts';
import { reviewCopyKey, sharedClipKey } from '../../../storage/index.ts';
import { frameTableOf } from '../../footage/index.ts';
import { getCritique, getMomentStill, streamCritiqueClip } from '../reading.ts';
import { sentVoice } from '../spoken.ts';
import { countOpening, deleteLink, findLinkByHash, findLinks, insertLink, linkOf } from './repository.ts';
import type { LinkRow } from '../model.ts';

const dayMs = 86_400_000;

export async function listReadLinks(house: House, account: Account, critiqueId: string): Promise<{ links: ReadLink[] }> {
  await getCritique(house, account, critiqueId);
  return { links: (await findLinks(house, critiqueId)).map(linkOf) };
}

export async function makeReadLink(
  house: House,
  account: Account,
  critiqueId: string,
  { forName, days }: BodyOf<typeof contract.makeReadLink>,
): Promise<ResponseOf<typeof contract.makeReadLink>> {
  await getCritique(house, account, critiqueId);
  const { token, digest } = oneTime();
  const madeAt = house.now();
  const expiresAt = new Date(madeAt.getTime() + days * dayMs);
  const row: LinkRow = { id: house.newId(), critiqueId, tokenHash: digest, forName, madeAt, expiresAt, opened: 0 };
  await insertLink(house, row);
  return { ...linkOf(row), token };
}

export async function endReadLink(house: House, critiqueId: string, linkId: string): Promise<void> {
  if ((await deleteLink(house, linkId, critiqueId)) === 0) throw new ContractError('not-found');
}

/** Whoever holds a link may see what the coach may see of this one critique. */
const asReader: Account = { id: '', name: '', role: 'assistant', clients: [] };

async function linked(house: House, token: string): Promise<{ link: LinkRow; critique: Critique }> {
  const link = await findLinkByHash(house, digestOf(token));
  if (!link || link.expiresAt <= house.now()) throw new ContractError('address-expired');
  return { link, critique: await getCritique(house, asReader, link.critiqueId) };
}

/** The critique that a link opens, and whoever reads it by that link. */
export async function readByLink(house: House, token: string): Promise<{ reader: Account; critique: Critique }> {
  const { link, critique } = await linked(house, token);
  return { reader: { ...asReader, id: link.id }, critique };
}

export async function getSharedCritique(house: House, token: string): Promise<SharedCritique> {
  const { link, critique } = await linked(house, token);
  await countOpening(house, link.id);
  const ready = critique.footages.filter(({ state }) => state === 'ready');
  const tables = new Map(await Promise.all(ready.map(async ({ id }) => [id, await frameTableOf(house, id)] as const)));
  const frames = critique.moments.flatMap((moment): [string, ClipFrames][] => {
    const footage = ready.find(({ id }) => id === moment.note.footageId);
    return footage ? [[moment.note.id, clipFramesOf(moment, footage.bouts, tables.get(footage.id)!)]] : [];
  });
  return { ...critique, frames: Object.fromEntries(frames) };
}

function clipFramesOf({ note, clipFromSeconds, clipToSeconds }: SentMoment, bouts: readonly Bout[], table: FrameTable): ClipFrames {
  const fromFrame = frameAtSeconds(table, clipFromSeconds);
  const boutFrom = secondsOfFrame(table, boutAtFrame(bouts, note.fromFrame)?.fromFrame ?? 0);
  return {
    fromFrame,
    times: table.times.slice(fromFrame, frameAtSeconds(table, clipToSeconds) + 1),
    clockSeconds: secondsOfFrame(table, note.fromFrame) - boutFrom,
  };
}

/** Key of a clip of the coach's own that the critique shows. */
export async function getSharedCoachClip(house: House, token: string, clipId: string): Promise<string> {
  const { critique } = await linked(house, token);
  return streamCritiqueClip(house, asReader, critique.id, clipId);
}

/** Key of the voice of something spoken in the critique. */
export async function getSharedVoice(house: House, token: string, place: number): Promise<string> {
  const { critique } = await linked(house, token);
  return sentVoice(house, asReader, { critiqueId: critique.id, version: critique.version, place });
}

export async function getSharedStill(house: House, { token, noteId, picture }: ParamsOf<typeof contract.getSharedStill>): Promise<string> {
  const { critique } = await linked(house, token);
  return getMomentStill(house, asReader, { critiqueId: critique.id, version: critique.version, noteId, picture });
}

/** Key of the seconds around a moment, cut once: a link never opens the whole footage. */
export async function getSharedClip(house: House, token: string, noteId: string): Promise<string> {
  const { critique } = await linked(house, token);
  const moment = critique.moments.find(({ note }) => note.id === noteId);
  const footage = critique.footages.find(({ id }) => id === moment?.note.footageId);
  if (!moment || !footage) throw new ContractError('not-found');
  if (footage.state === 'removed') throw new ContractError('footage-removed');
  if (footage.state !== 'ready') throw new ContractError('footage-not-ready');
  const { clipFromSeconds: fromSeconds, clipToSeconds: toSeconds } = moment;
  const withSound = heardOf(critique.doc).has(noteId);
  const key = sharedClipKey(critique.id, critique.version, noteId);
  if ((await house.storage.size(key)) !== null) return key;
  await withScratchFolder(house, `shared-${noteId}`, async (folder) => {
    const copy = await house.storage.local(reviewCopyKey(footage.id));
    try {
      const file = join(folder, 'clip.mp4');
      await house.turns.run('reader', () => cutClip(copy.path, file, { fromSeconds, toSeconds, withSound }));
      await house.storage.putFile(key, file);
    } finally {
      await copy.release();
    }
  });
  return key;
}
