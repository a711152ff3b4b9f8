import { drillWords, happens, insteadOf, sentence } from './draftWords.ts';
import type { DraftFix, DraftInput, DraftMoment } from './draftInput.ts';

/** One thing to say in a spoken critique, in the order in which it is said. */
export interface OrderStep {
  /** What belongs together, and is one chapter of the take. */
  part: string;
  title: string;
  /** What there is to say, in the coach's own words. May be empty: then it is the coach's to find them. */
  words: string[];
  /** The note whose frames are shown; null where nothing has to be. */
  noteId: string | null;
}

/** A step for each moment, or one with nothing to show. What is said of the part as a whole is said at its first. */
function stepsOf(part: string, title: string, words: readonly string[], moments: readonly DraftMoment[] = []): OrderStep[] {
  if (moments.length === 0) return [{ part, title, words: [...words], noteId: null }];
  return moments.map(({ noteId, what }, i) => ({ part, title, words: [...(i === 0 ? words : []), sentence(what)], noteId }));
}

function fixSteps(fix: DraftFix): OrderStep[] {
  const { id, principle, moments } = fix;
  const steps = stepsOf(id, principle?.name ?? (moments[0]?.what ?? 'A fix').slice(0, 80), filled([happens(fix)]), moments);
  const pair = moments.find((one) => one.pair?.filmed === null)?.pair;
  const instead = filled([...insteadOf(fix), principle?.cue ?? '']);
  // What to do instead is said over the client's own right moment where there is one, else over the last wrong one.
  if (pair) return [...steps, { part: id, title: steps[0]!.title, words: instead, noteId: pair.noteId }];
  return steps.map((step, i) => (i === steps.length - 1 ? { ...step, words: [...step.words, ...instead] } : step));
}

const filled = (lines: readonly string[]): string[] => lines.filter((line) => line !== '');

/**
 * In what order to say what the written draft would say: greeting, what was asked, what went well, each fix down to the ladder's cut,
 * questions, homework. A part that has nothing to say is left out, but for the greeting. `clientName`: who is spoken to.
 */
export function runningOrder(clientName: string, { question, answer, praise, fixes, asks, filming }: DraftInput): OrderStep[] {
  const drills = fixes.flatMap(({ drill }) => (drill ? [drillWords(drill)] : []));
  const homework = [...new Set([...drills, ...filming.map(sentence)])];
  return [
    ...stepsOf('greeting', 'Greeting', [clientName]),
    ...stepsOf('asked', 'What you asked', filled([sentence(question), answer.trim()])),
    ...(praise.length > 0 ? stepsOf('well', 'What went well', [], praise) : []),
    ...fixes.flatMap(fixSteps),
    ...(asks.length > 0 ? stepsOf('asks', asks.length === 1 ? 'A question to you' : 'Questions to you', [], asks) : []),
    ...(homework.length > 0 ? stepsOf('homework', 'Homework', homework) : []),
  ];
}
