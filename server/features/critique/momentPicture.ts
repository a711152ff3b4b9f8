import { momentPictures, type Critique, type MomentPicture } from '@lean-mentor/contract';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import { stillPng } from '../../media/still.ts';
import { besideKey, stillKey } from '../../storage/index.ts';
import { findFootage, frameTableOf, type FootageRow } from '../footage/index.ts';
import { besidePng } from './beside.ts';
import { findCritiqueRow, findVersion } from './repository.ts';
import { footagesOfMoments } from './sentMoment.ts';

/** A version of a critique, as far as its pictures go. */
type Pictured = Pick<Critique, 'id' | 'requestId' | 'version' | 'moments'>;
type Moment = Critique['moments'][number];

/** The footage that a picture shows first, once all of what it shows is there and ready. */
async function shownBy(house: House, moment: Moment, picture: MomentPicture): Promise<FootageRow & { originalKey: string }> {
  const shown = picture === 'beside.png' ? footagesOfMoments([moment]) : [moment.note.footageId];
  const footages = await Promise.all(shown.map((id) => findFootage(house, id)));
  for (const one of footages) {
    if (!one || one.state === 'removed') throw new ContractError('footage-removed');
    if (one.state !== 'ready') throw new ContractError('footage-not-ready');
  }
  const [footage] = footages;
  if (!footage?.originalKey) throw new ContractError('footage-not-ready');
  return { ...footage, originalKey: footage.originalKey };
}

/** Pictures that this process is making, by key: whoever asks meanwhile waits for the same one. */
const making = new Map<string, Promise<void>>();

/**
 * Key of a picture of a moment; made on first need, in the turn of `who`, then kept, since a sent version does not change. Throws a
 * ContractError where there is no such one, or its footage is not there or not ready.
 */
export async function momentPicture(
  house: House,
  who: string,
  { id: critiqueId, requestId, version, moments }: Pictured,
  { noteId, picture }: { noteId: string; picture: MomentPicture },
): Promise<string> {
  const moment = moments.find(({ note }) => note.id === noteId);
  if (!moment) throw new ContractError('not-found');
  const footage = await shownBy(house, moment, picture);
  const key = (picture === 'beside.png' ? besideKey : stillKey)(critiqueId, version, noteId);
  if ((await house.storage.size(key)) !== null) return key;
  const { beside } = moment;
  if (picture === 'beside.png' && !beside) throw new ContractError('not-found');
  const made =
    making.get(key) ??
    house.turns
      .run(who, async () =>
        house.storage.putBytes(
          key,
          picture === 'beside.png' && beside ? await besidePng(house, requestId, beside) : await drawnStill(house, footage, moment),
        ),
      )
      .finally(() => making.delete(key));
  making.set(key, made);
  await made;
  return key;
}

async function drawnStill(house: House, { id, originalKey }: FootageRow & { originalKey: string }, moment: Moment): Promise<Buffer> {
  const table = await frameTableOf(house, id);
  const original = await house.storage.local(originalKey);
  try {
    return await stillPng(original.path, table, moment.note.fromFrame, moment.drawings);
  } finally {
    await original.release();
  }
}

/** Makes the pictures of the version that stands before anybody asks for them. What cannot be made now is made when it is asked for. */
export async function makePictures(house: House, critiqueId: string): Promise<void> {
  const row = await findCritiqueRow(house, critiqueId);
  const sent = row && row.version > 0 ? await findVersion(house, critiqueId, row.version) : null;
  if (!row || !sent) return;
  const pictured: Pictured = { id: critiqueId, requestId: row.requestId, version: sent.version, moments: sent.moments };
  for (const { note, beside } of sent.moments)
    for (const picture of beside ? momentPictures : (['still.png'] as const))
      await momentPicture(house, 'pictures', pictured, { noteId: note.id, picture }).catch((error: unknown) => {
        if (!(error instanceof ContractError)) throw error;
      });
}
