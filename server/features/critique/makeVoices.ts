import { withScratchFolder } from '../../house/scratchFolder.ts';
import type { House } from '../../house/house.ts';
import { answerVoiceKey, spokenKey } from '../../storage/index.ts';
import { makeHeardVoice } from '../takes/index.ts';
import type { CritiqueRow } from './model.ts';
import { changeQuestion, findCritiqueRow, findQuestion, findSilentAnswers, findVersion } from './repository.ts';

/**
 * Makes the voices of the version that stands and of spoken answers: what was cut out taken out, and as loud as others are. Done twice it
 * is done once.
 */
export async function makeVoices(house: House, critiqueId: string): Promise<void> {
  const row = await findCritiqueRow(house, critiqueId);
  const sent = row && row.version > 0 ? await findVersion(house, critiqueId, row.version) : null;
  if (!row) return;
  await makeAnswerVoices(house, row);
  if (!sent) return;
  for (const [place, take] of sent.takes.entries()) {
    const key = spokenKey(critiqueId, sent.version, place);
    if ((await house.storage.size(key)) !== null) continue;
    await withScratchFolder(house, `voice-${critiqueId}`, async (folder) =>
      house.storage.putFile(key, await makeHeardVoice(house, row.requestId, take, folder)),
    );
  }
}

async function makeAnswerVoices(house: House, { id: critiqueId, requestId }: CritiqueRow): Promise<void> {
  for (const { id, answerTake } of await findSilentAnswers(house, critiqueId)) {
    if (!answerTake) continue;
    await withScratchFolder(house, `answer-${id}`, async (folder) =>
      house.storage.putFile(answerVoiceKey(critiqueId, id), await makeHeardVoice(house, requestId, answerTake, folder)),
    );
    await house.db.sequelize.transaction(async (transaction) => {
      const now = (await findQuestion(house, id, transaction))?.answerTake;
      // Answered otherwise meanwhile: that one's voice comes next.
      if (now && JSON.stringify(now) === JSON.stringify(answerTake))
        await changeQuestion(house, id, { answerTake: { ...now, ready: true } }, transaction);
    });
  }
}
