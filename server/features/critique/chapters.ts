import { chaptersVtt, nestedChapters, type Account, type Chapter, type Moment } from '@lean-mentor/contract';
import { secondsOfFrame } from '@lean-mentor/core/footage';
import { placeWords } from '@lean-mentor/core/scoring';
import type { House } from '../../house/house.ts';
import { ContractError } from '../../house/contractError.ts';
import { knownFrameTable } from '../footage/index.ts';
import { getCritique } from './reading.ts';

/** Chapters of a footage of a sent critique as WebVTT: who holds what, and the moments, each with its clip's stretch. */
export async function getChapters(house: House, account: Account, critiqueId: string, footageId: string): Promise<string> {
  const critique = await getCritique(house, account, critiqueId);
  const footage = critique.footages.find(({ id, earlier }) => id === footageId && !earlier);
  const table = footage && (await knownFrameTable(house, footageId));
  if (!footage || !table) throw new ContractError(footage ? 'footage-not-ready' : 'not-found');
  const secondsAt = (frame: number): number => (frame >= table.times.length ? table.endSeconds : secondsOfFrame(table, frame));
  const names = { client: critique.clientName, partner: 'the partner' };
  const spans = footage.bouts.flatMap(({ spans: own }) =>
    own.map(({ fromFrame, toFrame, ...span }): Chapter => ({
      fromSeconds: secondsAt(fromFrame),
      toSeconds: secondsAt(toFrame),
      title: placeWords(span, names),
    })),
  );
  const moments = critique.moments
    .filter(({ note }) => note.footageId === footageId)
    .map(({ note, atSeconds, clipFromSeconds, clipToSeconds }): Moment => {
      const fix = critique.fixes.find(({ noteIds }) => noteIds.includes(note.id));
      return {
        atSeconds,
        fromSeconds: clipFromSeconds,
        toSeconds: clipToSeconds,
        title: `${fix ? `Fix ${fix.position}: ` : ''}${note.what}`,
      };
    });
  return chaptersVtt(nestedChapters(spans, moments));
}
