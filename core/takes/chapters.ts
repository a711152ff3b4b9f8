import type { Seconds } from '../footage/index.ts';
import type { Caption, Take, TakeStretch } from './take.ts';

export interface TakeChapter extends TakeStretch {
  title: string;
}

/** Chapters as stretches, one after another; what is said before the first has none. */
export function chapterStretches({ chapters, seconds }: Pick<Take, 'chapters' | 'seconds'>): TakeChapter[] {
  const ordered = [...chapters].sort((a, b) => a.from - b.from);
  return ordered.map(({ from, title }, i) => ({ title, from, to: ordered[i + 1]?.from ?? seconds })).filter(({ from, to }) => to > from);
}

const at = <S extends TakeStretch>(stretches: readonly S[], t: Seconds): S | null =>
  stretches.find(({ from, to }) => from <= t && t < to) ?? null;

/** The chapter an instant of the recording is in; null before the first. */
export const chapterAt = (take: Pick<Take, 'chapters' | 'seconds'>, recorded: Seconds): TakeChapter | null =>
  at(chapterStretches(take), recorded);

/** What is said at an instant of the recording, as far as captions say. */
export const captionAt = ({ captions }: Pick<Take, 'captions'>, recorded: Seconds): Caption | null => at(captions, recorded);
