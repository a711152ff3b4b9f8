import type * as contract from '@lean-mentor/contract';
import { takeFormat, type ParamsOf, type TakeFile } from '@lean-mentor/contract';
import type { TakeEvent } from '@lean-mentor/core/takes';
import { zip } from 'fflate';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import { takeMasterKey } from '../../storage/index.ts';
import { findDeskTake } from '../desk/index.ts';
import { knownFrameTable } from '../footage/index.ts';
import { readTakeLog, readyTake } from './service.ts';

const voiceFile = 'voice.flac';

/** A take's file carries its voice alone: nobody is said to be seen in it. */
const withoutCoach = (event: TakeEvent): TakeEvent => {
  if (event.kind !== 'stage') return event;
  const { coach: _, ...stage } = event;
  return stage;
};

/** A take on the desk as a file of its own, as it is mended now. Without its footage only the times of its frames are missing in it. */
export async function takeAsFile(
  house: House,
  { requestId, takeId }: ParamsOf<typeof contract.getTakeFile>,
): Promise<{ name: string; bytes: Buffer }> {
  await readyTake(house, requestId, takeId);
  const mended = await findDeskTake(house, requestId, takeId);
  if (!mended) throw new ContractError('not-found');
  const { seconds, events } = await readTakeLog(house, requestId, takeId);
  const table = await knownFrameTable(house, mended.footageId);
  const { title, cuts, captions, chapters } = mended;
  const file = {
    format: takeFormat,
    seconds,
    voice: { file: voiceFile, offsetSeconds: 0 },
    ...(table && { frameTimes: [...table.times], endSeconds: table.endSeconds }),
    ...{ events: events.map(withoutCoach), cuts, captions, chapters },
  } as TakeFile;
  const voice = await house.storage.read(takeMasterKey(requestId, takeId));
  const files = { 'take.json': new TextEncoder().encode(`${JSON.stringify(file)}\n`), [voiceFile]: [voice, { level: 0 }] as const };
  const bytes = await new Promise<Uint8Array>((resolve, reject) => {
    zip(files as never, (error, data) => (error ? reject(error) : resolve(data)));
  });
  const named = title
    .replace(/[^\p{L}\p{N}.,-]+/gu, ' ')
    .trim()
    .slice(0, 80);
  return { name: `${named || 'take'}.zip`, bytes: Buffer.from(bytes) };
}
