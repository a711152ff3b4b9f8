import { careSentence, cautionWords, partnerNames, type BookDrill, type BookPrinciple } from '../book/index.ts';
import {
  heading,
  list,
  moment,
  paragraph,
  type Block,
  type CautionBlock,
  type CritiqueDoc,
  type FixBlock,
  type PlainBlock,
} from './critiqueDoc.ts';

/** A note as the draft uses it. */
export interface DraftMoment {
  noteId: string;
  what: string;
  instead: readonly { when: string; do: string }[];
  /** "1:12" of its bout. */
  clock: string;
  clipId: string | null;
  /** The client's own right moment beside this wrong one. */
  pair: RightMoment | null;
}

export interface RightMoment {
  noteId: string;
  /** "3 October 2026", where it is in footage of that day; null in this request's own. */
  filmed: string | null;
}

export interface DraftFix {
  id: string;
  principle: BookPrinciple | null;
  /** The heaviest first; those that are shown. */
  moments: readonly DraftMoment[];
  /** How often it came up in this request, and when, in the order of time. */
  count: number;
  clocks: readonly string[];
  /** Against what it is counted. */
  counted: { kind: 'minutes'; minutes: number } | { kind: 'chances'; successes: number; chances: number; of: string };
  cost: { finish: boolean; points: number; leanDrop: number };
  /** What it led to further on: the coach's words and the clock. */
  ledTo: readonly { what: string; clock: string }[];
  drill: BookDrill | null;
}

export interface DraftInput {
  question: string;
  answer: string;
  praise: readonly DraftMoment[];
  /** What the coach asks the client. */
  asks: readonly DraftMoment[];
  fixes: readonly DraftFix[];
  /** In words; null where nothing was scored. */
  score: string | null;
  pattern: string | null;
  filming: readonly string[];
}

const sentence = (words: string): string => {
  const trimmed = words.trim();
  if (trimmed === '') return '';
  const begun = trimmed.charAt(0).toUpperCase() + trimmed.slice(1);
  return /[.!?…]$/.test(begun) ? begun : `${begun}.`;
};
/** A sentence that asks, whatever stands at its end. */
const asked = (words: string): string => sentence(words).replace(/[.!…]$/, '?');
const listed = (things: readonly string[]): string =>
  things.length < 2 ? things.join('') : `${things.slice(0, -1).join(', ')} and ${things.at(-1)}`;
const times = (count: number): string => (count === 1 ? 'once' : count === 2 ? 'twice' : `${count} times`);
const minutesText = (minutes: number): string => {
  const rounded = minutes < 10 ? Math.round(minutes * 10) / 10 : Math.round(minutes);
  return `${rounded} ${rounded === 1 ? 'minute' : 'minutes'}`;
};

/** "Three times, at 0:28, 1:12 and 3:41."; nothing where it is only a caution. */
const happens = ({ count, clocks }: DraftFix): string => (count > 0 ? sentence(`this came up ${times(count)}, at ${listed(clocks)}`) : '');

/** What it cost, from what was computed; empty where nothing was. */
function costWords({ cost: { finish, points, leanDrop }, ledTo }: DraftFix): string[] {
  const lost = [
    ...(finish ? ['the finish'] : []),
    ...(points > 0 ? [`${points} ${points === 1 ? 'point' : 'points'}`] : []),
    // A fall smaller than this is no change of control that one would see.
    ...(leanDrop >= 20 ? ['control of the position'] : []),
  ];
  return [
    ...(lost.length > 0 ? [sentence(`it cost you ${listed(lost)}`)] : []),
    ...ledTo.map(({ what, clock }) => sentence(`it led on to ${clock}: ${what.charAt(0).toLowerCase()}${what.slice(1)}`)),
  ];
}

const ways = (lines: readonly { when: string; do: string }[]): string[] => [
  ...new Set(lines.map(({ when, do: what }) => sentence(when ? `if ${when}, ${what}` : what))),
];

function insteadOf({ moments, principle }: DraftFix): string[] {
  const own = ways(moments.flatMap(({ instead }) => instead));
  // The coach's words on these very frames come first; the book stands in where there are none.
  return own.length > 0 ? own : ways(principle?.variants.filter(({ stance }) => stance === 'taught') ?? []);
}

const drillWords = ({ name, how, minutes, partner }: BookDrill): string =>
  `${name}, ${minutesText(minutes)} ${partnerNames[partner]}. ${how}`.trim();

/** What will be counted again; null where there was too little of it for a count to mean anything. */
function checkWords({ counted, count }: DraftFix): string | null {
  if (counted.kind === 'chances' ? counted.chances < 2 : count < 2) return null;
  if (counted.kind === 'chances')
    return `In your next footage I count it again: now ${counted.successes} of ${counted.chances} (${counted.of}).`;
  return `In your next footage I count it again: now ${times(count)} in ${minutesText(counted.minutes)}.`;
}

const rightWords = (filmed: string | null): string =>
  filmed === null ? 'You did it right here:' : `You did it right here, in your footage of ${filmed}:`;

const caution = (text: string): CautionBlock => ({ type: 'caution', content: [paragraph(text)] });
const part = (title: string, blocks: readonly PlainBlock[]): PlainBlock[] => (blocks.length === 0 ? [] : [heading(3, title), ...blocks]);
const filled = (lines: readonly string[]): PlainBlock[] => lines.filter((line) => line !== '').map((line) => paragraph(line));

function fixBlock(fix: DraftFix): FixBlock {
  const { principle, moments, drill } = fix;
  const shown = moments.flatMap(({ noteId, what }) => [...filled([sentence(what)]), moment(noteId)]);
  const pairs = [...new Map(moments.flatMap(({ pair }) => (pair ? [[pair.noteId, pair] as const] : []))).values()];
  const clipIds = [...new Set([...moments.flatMap(({ clipId }) => clipId ?? []), ...(principle?.clipIds ?? [])])];
  const instead = insteadOf(fix);
  const cautionClass = [principle?.caution, drill?.caution].find((one) => one !== undefined && one !== 'general');
  return {
    type: 'fix',
    attrs: { fixId: fix.id, principleId: principle?.id ?? null, name: principle?.name ?? (moments[0]?.what ?? 'A fix').slice(0, 80) },
    content: [
      ...filled([happens(fix)]),
      ...shown,
      ...part('Why it matters', filled([...costWords(fix), principle?.why ?? ''])),
      ...part('Do this instead', [
        ...(instead.length > 0 ? [list('orderedList', instead)] : []),
        ...pairs.flatMap(({ noteId, filmed }) => [paragraph(rightWords(filmed)), moment(noteId)]),
        ...clipIds.map((clipId) => ({ type: 'bookClip' as const, attrs: { clipId } })),
      ]),
      ...(principle?.cue ? [paragraph(principle.cue, { type: 'bold' })] : []),
      ...part('Drill', drill ? [paragraph(drillWords(drill))] : []),
      ...part('How we will check', filled([checkWords(fix) ?? ''])),
      ...(cautionClass ? [caution(cautionWords[cautionClass])] : []),
    ],
  };
}

const section = (title: string, blocks: readonly Block[]): Block[] => (blocks.length === 0 ? [] : [heading(2, title), ...blocks]);

/**
 * A critique as far as the work on the desk already says it: the coach's own words from notes and book, in their order, with figures that
 * were computed. Nothing is made up; what nobody has written is left out, for the coach to write.
 */
export function draftCritique({ question, answer, praise, asks, fixes, score, pattern, filming }: DraftInput): CritiqueDoc {
  return {
    type: 'doc',
    content: [
      heading(2, 'What you asked'),
      { type: 'blockquote', content: [paragraph(question)] },
      paragraph(answer.trim()),
      ...section(
        'What went well',
        praise.flatMap(({ noteId, what }) => [...filled([sentence(what)]), moment(noteId)]),
      ),
      ...section('What to work on', fixes.map(fixBlock)),
      ...section(
        asks.length === 1 ? 'A question to you' : 'Questions to you',
        asks.flatMap(({ noteId, what }) => [...filled([asked(what)]), moment(noteId)]),
      ),
      ...section('The score', filled([score ?? ''])),
      ...section('About your partner', filled([pattern ?? ''])),
      ...section('Next time you film', filming.length > 0 ? [list('bulletList', filming.map(sentence))] : []),
      caution(`${cautionWords.general} ${careSentence}`),
    ],
  };
}
