import type { ClientThread } from '@lean-mentor/contract';
import type { ThreadState } from '@lean-mentor/core/followup';
import { countedWords } from '@lean-mentor/core/work';

export const threadStateWords: Readonly<Record<ThreadState, string>> = {
  new: 'new',
  working: 'being worked on',
  better: 'better',
  holding: 'holding',
  'back-again': 'back again',
};

const short = (value: number): string => (value >= 10 ? value.toFixed(0) : value >= 1 ? value.toFixed(1) : value.toFixed(2));

/** A rate or a share as one says it: "2.1 a minute", "3 of 4". */
export const pointWords = (
  { counts }: Pick<ClientThread, 'counts'>,
  { count, exposure, value }: ClientThread['points'][number],
): string => {
  if (counts === 'chance') return exposure > 0 ? `${count} of ${exposure}` : 'no chance came';
  return value === null ? 'nothing to count against' : `${count} in ${short(exposure)} min`;
};

/** Where the last request alone tells nothing, what the ones before it had told. */
const stateAlone: Readonly<Partial<Record<ThreadState, string>>> = {
  better: 'Told by an earlier request; the last one alone had too little mat time to add to it.',
  holding: 'Below half of the first in three requests in a row; the last one alone had too little mat time to tell.',
  'back-again': 'As often as at first again; the last request alone had too little mat time to be sure.',
};

/** What the figures say, and how sure they are. */
export function verdictWords({ counts, points, state, verdict, ratio, interval, neededMinutes, neededChances }: ClientThread): string {
  const compared = points.filter(({ value }) => value !== null).length;
  const range =
    interval && ratio !== null
      ? ` (${short(ratio)} times the first; 90 % interval ${short(interval[0])} to ${interval[1] === null ? 'any' : short(interval[1])})`
      : '';
  const odds = counts === 'chance' && range ? range.replace('times the first', 'times the odds at first') : range;
  const told = verdict === 'too-little' ? stateAlone[state] : undefined;
  if (compared < 2) return 'Seen in one request so far. The next one will say whether it moves.';
  if (verdict === 'better') return `Better than at first${odds}.`;
  if (verdict === 'worse') return `Worse than at first${odds}.`;
  if (verdict === 'about-the-same') return `About the same as at first${odds}.`;
  const needed =
    counts === 'rate'
      ? neededMinutes && `about ${neededMinutes} ${neededMinutes === 1 ? 'minute' : 'minutes'} in these positions`
      : neededChances && `about ${neededChances} chances`;
  return `${told ?? 'Too little mat time in the last request to tell.'}${needed ? ` In each of two requests ${needed} would show a halving.` : ''}`;
}

/** Practice beside what sparring shows, the two never added: "In practice 3 of 11, then 7 of 12; in sparring not yet." */
export function practiceWords({ practice, state }: Pick<ClientThread, 'practice' | 'state'>): string {
  const [most] = practice;
  if (!most) return '';
  const [first, last] = [most.tests[0]!, most.tests.at(-1)!];
  const told = first === last ? countedWords(first.counted) : `${countedWords(first.counted)}, then ${countedWords(last.counted)}`;
  const inSparring = { better: 'in sparring too', holding: 'in sparring too' } as const;
  return `In practice ${told}; ${inSparring[state as keyof typeof inSparring] ?? 'in sparring not yet'}.`;
}

const doneToo: readonly ThreadState[] = ['better', 'holding'];
const times = (count: number): string => (count === 1 ? 'once' : count === 2 ? 'twice' : `${count} times`);

/**
 * What a client answered when they were asked what they would do, and whether they do it: "Asked twice what you would do, you chose your
 * coach’s way twice; on the mat not yet." Empty where they were not asked.
 */
export function knowingWords(
  { knowing: { right, asked }, state }: Pick<ClientThread, 'knowing' | 'state'>,
  to: 'client' | 'coach',
): string {
  if (asked === 0) return '';
  const [who, coach] = to === 'client' ? ['you', 'your coach'] : ['they', 'the coach'];
  const begun = `Asked ${times(asked)} what ${who} would do, ${who} chose`;
  if (right === 0) return `${begun} another way than ${coach}.`;
  const told = `${begun} ${coach}’s way${asked === 1 ? '' : ` ${times(right)}`}`;
  // Who knows it and does not do it needs rounds, not words.
  return right === asked ? `${told}; on the mat ${doneToo.includes(state) ? 'too' : 'not yet'}.` : `${told}.`;
}

/** Where a fix stands, to whom it is theirs. */
export const plainState = ({ state }: Pick<ClientThread, 'state'>): string =>
  ({
    new: 'Just begun.',
    working: 'Being worked on.',
    better: 'Better than at first.',
    holding: 'It holds.',
    'back-again': 'It came back. That happens; the way out of it is known now.',
  })[state];

/** What was seen in sparring, in plain words: "In sparring: 7 in 5.5 min, then 3 in 6.2 min." */
export function plainPoints(thread: Pick<ClientThread, 'counts' | 'points' | 'chances'>): string {
  const told = thread.points.filter(({ value }) => value !== null).map((point) => pointWords(thread, point));
  if (told.length === 0) return 'Nothing to count in sparring yet.';
  return `In sparring ${thread.counts === 'rate' ? 'it went wrong ' : 'right '}${told.join(', then ')}.`;
}
