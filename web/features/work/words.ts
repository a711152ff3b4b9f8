import type { ClientWork, DoneWork, Retests } from '@lean-mentor/contract';
import { partnerNames } from '@lean-mentor/core/book';
import { assertNever } from '@lean-mentor/core/never';
import { positionName } from '@lean-mentor/core/scoring';
import {
  countedWords,
  type PartnerLevel,
  type PartnerSize,
  type RoundStart,
  type RoundTerms,
  type WorkTerms,
} from '@lean-mentor/core/work';
import { partWords } from '@lean-mentor/core/care';
import { differenceInCalendarDays, format, parseISO } from 'date-fns';

const short = (value: number): string => (Number.isInteger(value) ? String(value) : value.toFixed(1));

/** A day as one says it from another: "today", "tomorrow", "Wed 4 Mar". */
export function dayWords(day: string, today: string): string {
  const away = differenceInCalendarDays(parseISO(day), parseISO(today));
  if (away === 0) return 'today';
  if (away === 1) return 'tomorrow';
  if (away === -1) return 'yesterday';
  return format(parseISO(day), 'EEE d MMM');
}

export const levelWords: Readonly<Record<PartnerLevel, string>> = {
  lower: 'less experienced',
  same: 'about your level',
  higher: 'more experienced',
  unknown: 'not said',
};
export const sizeWords: Readonly<Record<PartnerSize, string>> = {
  smaller: 'smaller',
  same: 'about your size',
  larger: 'larger',
  unknown: 'not said',
};

/** Where a round begins; `who` is the client: "Half guard, you below". */
export const startWords = ({ position, clientHolds, grips }: RoundStart, who = 'you'): string =>
  [positionName(position), clientHolds === null ? '' : clientHolds ? `${who} on top` : `${who} below`, grips].filter(Boolean).join(', ');

const minuteWords = (minutes: number): string => `${short(minutes)} min`;
const restWords = (seconds: number): string => (seconds === 0 ? '' : seconds % 60 === 0 ? `${seconds / 60} min rest` : `${seconds} s rest`);

/** How long and with whom: "2 rounds of 5 min, 2 min rest". */
export function lengthWords(terms: WorkTerms): string {
  if (terms.kind === 'drill') return `${minuteWords(terms.minutes)}, ${partnerNames[terms.partner]}`;
  const { rounds, test, restSeconds } = terms;
  if (rounds === 1) return `one round of ${minuteWords(test.minutes)}`;
  return [`${rounds} rounds of ${minuteWords(test.minutes)}`, restWords(restSeconds)].filter(Boolean).join(', ');
}

/** The partner who is wanted; empty where anybody will do. */
export const wantedWords = ({ wanted }: Pick<RoundTerms, 'wanted'>): string =>
  [...(wanted.level === 'unknown' ? [] : [levelWords[wanted.level]]), ...(wanted.size === 'unknown' ? [] : [sizeWords[wanted.size]])].join(
    ', ',
  );

/** An exact p as one says it: "1 in 40". */
const luckWords = (p: number): string =>
  p >= 0.1 ? `${Math.round(p * 10)} in 10` : p < 0.0005 ? 'less than 1 in 2000' : `1 in ${Math.round(1 / p)}`;

const thenWords = (tests: Retests['tests']): string => tests.map(({ counted }) => countedWords(counted)).join(', then ');

/** What the retests of one start say, and how sure that is. */
export function retestWords({ tests, trend }: Pick<Retests, 'tests' | 'trend'>): string {
  const told = `${thenWords(tests.slice(-(trend?.of ?? 8)))}.`;
  if (!trend) return `${told} The next time will be the first to compare with.`;
  const luck = trend.pOneSided === null ? '' : ` By luck alone it would look so good in ${luckWords(trend.pOneSided)}.`;
  switch (trend.verdict) {
    case 'better':
      return `Better: ${told}${luck}`;
    case 'worse':
      return `Worse: ${told}`;
    case 'about-the-same':
      return `About the same: ${told}`;
    case 'too-little': {
      const needed =
        trend.neededChances === null ? trend.neededMinutes && `about ${trend.neededMinutes} minutes` : `about ${trend.neededChances} goes`;
      return `Too little to tell: ${told}${needed ? ` ${needed.replace(/^a/, 'A')} each time would show a halving.` : ''}`;
    }
    default:
      return assertNever(trend.verdict);
  }
}

/** Where a group of retests stands apart from the others: "with a partner who is more experienced". */
export const groupWords = ({ place, level }: Pick<Retests, 'place' | 'level'>): string =>
  [
    place === 'other' ? 'places changed' : '',
    level === 'unknown' ? 'partner not said' : level === 'same' ? 'partner about the same level' : `partner ${levelWords[level]}`,
  ]
    .filter(Boolean)
    .join(', ');

const orderWords = {
  'one-way':
    'All of it came after: being warm, or tired, can look like the advice. Four rounds, old way at both ends, would tell them apart.',
  balanced: 'The old way stood at both ends, so tiredness cancels.',
  mixed: '',
} as const;

/** More than this nobody does on a day. */
const mostWorthSaying = 60;

/** One day before the advice and after it; what the order of its rounds leaves open, where `withOrder` is set. */
export function withinWords({ within }: Pick<DoneWork, 'within'>, withOrder: boolean): string {
  if (!within) return '';
  const said = {
    better: 'Better after the advice.',
    worse: 'Worse after the advice.',
    'about-the-same': 'About the same after the advice.',
  };
  const needed = within.moreNeeded?.after ?? 0;
  const more =
    needed === 0
      ? ''
      : needed > mostWorthSaying
        ? ' The two are so close that no day on the mat would tell.'
        : ` ${needed} more after it, and ${within.moreNeeded!.before} before, would tell.`;
  const told = within.verdict === 'too-little' ? `Too little that day to tell.${more}` : said[within.verdict];
  return withOrder ? [told, orderWords[within.order]].filter(Boolean).join(' ') : told;
}

/** Early in a round against late in it, where the two differ by more than chance. */
export function earlyLateWords({ earlyLate }: Pick<DoneWork, 'earlyLate'>): string {
  if (!earlyLate) return '';
  const { early, late, p } = earlyLate;
  const told = `First half ${early.successes} of ${early.chances}, second ${late.successes} of ${late.chances}`;
  return p <= 0.1 ? `${told}: it changes as the round goes on.` : `${told}.`;
}

/** What a verdict is called in a list. */
export const verdictWords = {
  better: 'better',
  worse: 'worse',
  'about-the-same': 'about the same',
  'too-little': 'too little to tell',
} as const;

export const breakWords = { ill: 'ill', injured: 'injured', away: 'away' } as const;

/** Where work stands, to the client. */
export function stateWords({ state, stoppedBy, dates, endedWhy, endedWords, fromOn }: ClientWork, today: string): string {
  switch (state) {
    case 'stopped':
      return `Rests: ${stoppedBy.map(partWords).join(', ')} hurts. It goes on when you and your coach have spoken.`;
    case 'paused':
      return 'Rests while you pause.';
    case 'ended':
      return endedWhy === 'holds' ? 'Done: it holds in your sparring.' : `Done.${endedWords ? ` “${endedWords}”` : ''}`;
    case 'ahead':
      return `Begins ${dayWords(fromOn, today)}.`;
    case 'missed':
    case 'going':
      return dates[0] ? `Next: ${dayWords(dates[0], today)}.` : 'Nothing more to do of it.';
    default:
      return assertNever(state);
  }
}

export const feltWords = ['', 'badly', 'not well', 'so-so', 'well', 'very well'] as const;
