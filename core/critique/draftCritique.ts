import { careSentence, cautionWords } from '../care/index.ts';
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
import type { DraftFix, DraftInput } from './draftInput.ts';
import { drillWords, happens, insteadOf, listed, minutesText, sentence, times } from './draftWords.ts';

/** A sentence that asks, whatever stands at its end. */
const asked = (words: string): string => sentence(words).replace(/[.!…]$/, '?');
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
  // What is asked at a fork is not told above it.
  const shown = moments.flatMap(({ noteId, what, asks, compares }) => [
    ...(asks ? [moment(noteId), ...filled([sentence(what)])] : [...filled([sentence(what)]), moment(noteId)]),
    ...(compares ? [moment(noteId, 'beside')] : []),
  ]);
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
export function draftCritique({ question, answer, praise, asks, fixes, score, pattern, clinician, filming }: DraftInput): CritiqueDoc {
  return {
    type: 'doc',
    content: [
      ...clinician.map((words) => caution(words)),
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
