import { cutClock } from '@lean-mentor/core/takes';
import { createReadStream, createWriteStream } from 'node:fs';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { withScratchFolder } from '../../house/scratchFolder.ts';
import type { House } from '../../house/house.ts';
import { decodeVoice, encodeLoudVoice, sampleBytes } from '../../media/voice.ts';
import { spokenKey, takeMasterKey } from '../../storage/index.ts';
import type { VersionTake } from './model.ts';
import { findCritiqueRow, findVersion } from './repository.ts';

/** The samples that are heard, one stretch after another: cut between samples, so that nothing shifts against the picture. */
async function copyHeard(from: string, to: string, cuts: VersionTake['cuts']): Promise<void> {
  const all = { cuts, seconds: Number.MAX_SAFE_INTEGER };
  let at = 0;
  for (const cut of [...cutClock(all).cuts, { from: Infinity, to: Infinity }]) {
    const end = cut.from === Infinity ? undefined : sampleBytes(cut.from);
    if (end === undefined || end > at) {
      const range = { start: at, ...(end !== undefined && { end: end - 1 }) };
      await pipeline(createReadStream(from, range), createWriteStream(to, { flags: 'a' }));
    }
    at = end === undefined ? at : sampleBytes(cut.to);
  }
}

/** Makes the voices of the version that stands: what was cut out taken out, and as loud as others are. Done twice it is done once. */
export async function makeVoices(house: House, critiqueId: string): Promise<void> {
  const row = await findCritiqueRow(house, critiqueId);
  const sent = row && row.version > 0 ? await findVersion(house, critiqueId, row.version) : null;
  if (!row || !sent) return;
  for (const [place, take] of sent.takes.entries()) {
    const key = spokenKey(critiqueId, sent.version, place);
    if ((await house.storage.size(key)) !== null) continue;
    await withScratchFolder(house, `voice-${critiqueId}`, async (folder) => {
      const master = await house.storage.local(takeMasterKey(row.requestId, take.takeId));
      try {
        const [whole, heard, voice] = [join(folder, 'whole.raw'), join(folder, 'heard.raw'), join(folder, 'voice.m4a')];
        await decodeVoice('flac', master.path, whole, folder);
        await copyHeard(whole, heard, take.cuts);
        await encodeLoudVoice(heard, voice, folder);
        await house.storage.putFile(key, voice);
      } finally {
        await master.release();
      }
    });
  }
}
