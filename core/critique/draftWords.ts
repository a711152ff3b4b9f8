import { partnerNames, type BookDrill } from '../book/index.ts';
import type { DraftFix } from './draftInput.ts';

/** Words as a sentence: begun with a capital, ended with a stop. */
export const sentence = (words: string): string => {
  const trimmed = words.trim();
  if (trimmed === '') return '';
  const begun = trimmed.charAt(0).toUpperCase() + trimmed.slice(1);
  return /[.!?…]$/.test(begun) ? begun : `${begun}.`;
};
/** "a, b and c". */
export const listed = (things: readonly string[]): string =>
  things.length < 2 ? things.join('') : `${things.slice(0, -1).join(', ')} and ${things.at(-1)}`;
export const times = (count: number): string => (count === 1 ? 'once' : count === 2 ? 'twice' : `${count} times`);
export const minutesText = (minutes: number): string => {
  const rounded = minutes < 10 ? Math.round(minutes * 10) / 10 : Math.round(minutes);
  return `${rounded} ${rounded === 1 ? 'minute' : 'minutes'}`;
};

/** "Three times, at 0:28, 1:12 and 3:41."; nothing where it is only a caution. */
export const happens = ({ count, clocks }: DraftFix): string =>
  count > 0 ? sentence(`this came up ${times(count)}, at ${listed(clocks)}`) : '';

const ways = (lines: readonly { when: string; do: string }[]): string[] => [
  ...new Set(lines.map(({ when, do: what }) => sentence(when ? `if ${when}, ${what}` : what))),
];

/** What to do instead, in sentences. */
export function insteadOf({ moments, principle }: DraftFix): string[] {
  const own = ways(moments.flatMap(({ instead }) => instead));
  // The coach's words on these very frames come first; the book stands in where there are none.
  return own.length > 0 ? own : ways(principle?.variants.filter(({ stance }) => stance === 'taught') ?? []);
}

export const drillWords = ({ name, how, minutes, partner }: BookDrill): string =>
  `${name}, ${minutesText(minutes)} ${partnerNames[partner]}. ${how}`.trim();
