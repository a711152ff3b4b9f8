import type { Seconds } from '../footage/index.ts';
import { chapterStretches } from './chapters.ts';
import { joinedCuts, leftOf } from './cuts.ts';
import type { Take, TakeStretch } from './take.ts';

/** How much of a part of a take was listened to. */
export interface HeardPart extends TakeStretch {
  title: string;
  /** Share of it that was heard at least once, 0..1. */
  share: number;
  /** Share of it that was heard more than once. */
  again: number;
}

/** Two stretches this close follow one another: players tell where they are a few times a second. */
const sameSpot: Seconds = 0.5;

/** Stretches that were listened to after one more: what goes on where another ended is one with it. */
export function heardMore(heard: readonly TakeStretch[], more: TakeStretch): TakeStretch[] {
  const last = heard.at(-1);
  if (last && Math.abs(more.from - last.to) <= sameSpot)
    return [...heard.slice(0, -1), { from: last.from, to: Math.max(last.to, more.to) }];
  return [...heard, more];
}

/** Seconds of a stretch that others cover. */
const covered = (stretch: TakeStretch, others: readonly TakeStretch[], seconds: Seconds): number =>
  stretch.to - stretch.from - leftOf(stretch, joinedCuts({ cuts: [...others], seconds })).reduce((sum, { from, to }) => sum + to - from, 0);

/** What is covered by more than one stretch. */
const overlaps = (heard: readonly TakeStretch[]): TakeStretch[] =>
  heard.flatMap((one, i) =>
    heard.slice(i + 1).flatMap((other) => {
      const both = { from: Math.max(one.from, other.from), to: Math.min(one.to, other.to) };
      return both.to > both.from ? [both] : [];
    }),
  );

/** How far a take was listened to, part by part; one without parts is one. */
export function heardParts(take: Pick<Take, 'chapters' | 'seconds'>, heard: readonly TakeStretch[]): HeardPart[] {
  const chapters = chapterStretches(take);
  const parts = chapters.length > 0 ? chapters : [{ from: 0, to: take.seconds, title: '' }];
  const twice = overlaps(heard);
  return parts.map((part) => {
    const long = part.to - part.from;
    return { ...part, share: covered(part, heard, take.seconds) / long, again: covered(part, twice, take.seconds) / long };
  });
}
