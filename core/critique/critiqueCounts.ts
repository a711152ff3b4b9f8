import { allBlocks, blockText, fixBlocks, momentsOf, type CritiqueDoc } from './critiqueDoc.ts';

/** Words a minute of plain text on a phone; silent reading is quicker, but not everybody reads in their first language. */
const wordsAMinute = 200;
/** A clip is looked at twice at half speed. */
const clipLooks = 2;
const slow = 2;

export interface CritiqueCounts {
  words: number;
  /** To read it and look at its clips once, rounded up. */
  minutes: number;
  fixes: number;
  /** Good moments shown, and others. */
  praise: number;
  correction: number;
}

/** How long a critique takes and what is in it. `clips`: seconds of each note's clip and whether it is a good moment. */
export function critiqueCounts(doc: CritiqueDoc, clips: Readonly<Record<string, { seconds: number; good: boolean }>>): CritiqueCounts {
  const text = doc.content.map(blockText).join('\n');
  const count = text.split(/\s+/).filter((word) => /[\p{L}\p{N}]/u.test(word)).length;
  const shown = momentsOf(doc).flatMap((id) => clips[id] ?? []);
  const played = allBlocks(doc).flatMap((block) =>
    block.type === 'moment' && block.attrs.show === 'clip' ? (clips[block.attrs.noteId] ?? []) : [],
  );
  const watching = played.reduce((sum, { seconds }) => sum + seconds * slow * clipLooks, 0) / 60;
  const praise = shown.filter(({ good }) => good).length;
  return {
    words: count,
    minutes: count === 0 ? 0 : Math.max(1, Math.ceil(count / wordsAMinute + watching)),
    fixes: fixBlocks(doc).length,
    praise,
    correction: shown.length - praise,
  };
}
