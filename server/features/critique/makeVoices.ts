import { withScratchFolder } from '../../house/scratchFolder.ts';
import type { House } from '../../house/house.ts';
import { spokenKey } from '../../storage/index.ts';
import { makeHeardVoice } from '../takes/index.ts';
import { findCritiqueRow, findVersion } from './repository.ts';

/** Makes the voices of the version that stands: what was cut out taken out, and as loud as others are. Done twice it is done once. */
export async function makeVoices(house: House, critiqueId: string): Promise<void> {
  const row = await findCritiqueRow(house, critiqueId);
  const sent = row && row.version > 0 ? await findVersion(house, critiqueId, row.version) : null;
  if (!row || !sent) return;
  for (const [place, take] of sent.takes.entries()) {
    const key = spokenKey(critiqueId, sent.version, place);
    if ((await house.storage.size(key)) !== null) continue;
    await withScratchFolder(house, `voice-${critiqueId}`, async (folder) =>
      house.storage.putFile(key, await makeHeardVoice(house, row.requestId, take, folder)),
    );
  }
}
