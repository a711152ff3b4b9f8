import { candidateOf, chainCosts, ladderOf, type RequestNote } from '@lean-mentor/core/fixes';
import { drillClashes, sparedOf, type BookDrill, type BookPrinciple } from '@lean-mentor/core/book';
import { alarmWords, openAlarms } from '@lean-mentor/core/care';
import type { DraftFix, DraftInput, DraftMoment, RightMoment } from '@lean-mentor/core/critique';
import { clockText } from '@lean-mentor/core/footage';
import { boutClock, decisionWords, findPatterns, happeningsOf, scoreText, tapsText } from '@lean-mentor/core/scoring';
import { rankedOf, type LadderFacts } from '../fixes/index.ts';
import type { NoteElsewhere } from './elsewhere.ts';

/** So many good moments are shown, and so many moments of a fix. */
const praiseShown = 2;
const momentsShown = 3;
/** A pattern of the partner is told when it is no more likely by chance than this. */
const strongPattern = 0.1;

/** The time of a note on the bout's clock since its start, as its moment in the critique is timed. */
function clockOf({ bouts }: LadderFacts, note: RequestNote): string {
  const harm = note.bout === null ? null : bouts[note.bout]?.harm;
  if (!harm) return clockText(Math.max(0, note.atSeconds));
  return clockText(Math.max(0, boutClock(harm.timed).at(note.atSeconds)));
}

/** What a critique is drafted from: the ladder, and notes of other requests that are set beside this one's. */
export interface DraftFacts extends LadderFacts {
  elsewhere: ReadonlyMap<string, NoteElsewhere>;
}

/** The right half of a pair, if it is one that the client may see and that can be shown. */
function rightMomentOf({ document, tables, elsewhere }: DraftFacts, pairId: string | null): RightMoment | null {
  const away = pairId === null ? undefined : elsewhere.get(pairId);
  const pair = (away?.document ?? document).notes[pairId ?? ''];
  const isShown = pair?.kind === 'good' && pair.visible === 'client' && (away?.tables ?? tables).has(pair.footageId);
  return isShown ? { noteId: pair.id, filmed: away?.filmed ?? null } : null;
}

function momentOf(facts: DraftFacts, note: RequestNote): DraftMoment {
  const { what, instead, clipId, comparisonId, pairId, fork } = facts.document.notes[note.id]!;
  const compares = comparisonId !== null && facts.document.comparisons[comparisonId] !== undefined;
  return {
    noteId: note.id,
    what,
    instead,
    clock: clockOf(facts, note),
    clipId,
    compares,
    asks: fork !== null,
    pair: rightMomentOf(facts, pairId),
  };
}

/** What a clinician is to be asked about before the mat, as it stands in a critique. */
export function clinicianSentences({ client, request }: Pick<LadderFacts, 'client' | 'request'>): string[] {
  const { limits } = sparedOf(client, request);
  return [...new Set(openAlarms(limits).map(({ alarm }) => alarmWords(alarm)))];
}

/** As they happened, footage by footage. */
const inOrder = (a: RequestNote, b: RequestNote): number => a.requestSeconds - b.requestSeconds;

/** The first drill of a principle that asks nothing of what hurts. */
const drillFor = (facts: LadderFacts, principle: BookPrinciple | null): BookDrill | null =>
  (principle?.drillIds ?? [])
    .flatMap((id) => facts.drills.find((drill) => drill.id === id) ?? [])
    .find((drill) => drillClashes(drill, sparedOf(facts.client, facts.request)).length === 0) ?? null;

function fixOf(facts: DraftFacts, id: string, shown: readonly RequestNote[], costs: ReadonlyMap<string, number>): DraftFix {
  const { principles, harms, input, notes } = facts;
  const principle = principles.find((one) => one.id === id) ?? null;
  // What is asked is asked by itself.
  const wrong = shown.filter((note) => candidateOf(note) === id && note.kind !== 'good' && note.kind !== 'question').sort(inOrder);
  // How often it came up is the same here, on the ladder and in its thread.
  const counted = wrong.filter(({ kind }) => kind === 'mistake' || kind === 'missed-chance');
  const heavy = [...wrong]
    .sort((a, b) => costs.get(b.id)! - costs.get(a.id)!)
    .slice(0, momentsShown)
    .sort(inOrder);
  const good = notes.filter((note) => note.principleId === id && note.kind === 'good' && note.athlete === 'client').length;
  const ids = new Set(wrong.map((note) => note.id));
  // What is linked as its effect carries the harm itself.
  const costing = [...wrong, ...input.events.filter(({ causes }) => causes.some((cause) => ids.has(cause)))].map((one) => harms[one.id]!);
  const ledTo = shown.filter((note) => note.causes.some((cause) => ids.has(cause)) && candidateOf(note) !== id).sort(inOrder);
  return {
    id,
    principle,
    moments: heavy.map((note) => momentOf(facts, note)),
    count: counted.length,
    clocks: counted.map((note) => clockOf(facts, note)),
    counted: principle?.chances
      ? { kind: 'chances', successes: good, chances: good + counted.length, of: principle.chances }
      : { kind: 'minutes', minutes: input.exposureMinutes[id] ?? input.boutMinutes },
    cost: {
      finish: costing.some(({ finish }) => finish),
      points: costing.reduce((sum, { points }) => sum + points, 0),
      leanDrop: Math.max(0, ...costing.map(({ leanDrop }) => leanDrop)),
    },
    ledTo: ledTo.map((note) => ({ what: note.what, clock: clockOf(facts, note) })),
    drill: drillFor(facts, principle),
  };
}

/** The score in one line, bout by bout; null where no sheet scores. */
function scoreLine({ bouts }: LadderFacts): string | null {
  const lines = bouts.flatMap(({ harm, sheet }) => {
    if (!harm) return [];
    const { winner, decidedBy, score, falls } = harm.score;
    const taps = harm.timed.afterFinish === 'restarts' && falls.length > 0 ? [`${tapsText(falls)}, yours first.`] : [];
    if (sheet.pointsCount === 'never' || decidedBy === 'not-scored') return taps;
    // Who won is told by the taps already.
    if (taps.length > 0 && decidedBy === 'finish') return [...taps, `The points were ${scoreText(score)}.`];
    const how = decisionWords[decidedBy];
    return [
      ...taps,
      winner === null
        ? `Level at ${scoreText(score)}, ${how}.`
        : `${winner === 'client' ? 'You won' : 'Your partner won'} ${scoreText(score)}, ${how}.`,
    ];
  });
  return lines.length > 0 ? lines.join(' ') : null;
}

/** What the partner does each time, where it is strong. */
function patternLine({ bouts }: LadderFacts): string | null {
  const coded = bouts.flatMap(({ harm }) => (harm ? [happeningsOf(harm.timed)] : []));
  const strong = findPatterns(coded).find(({ then, p }) => then.athlete === 'partner' && p <= strongPattern);
  return strong ? `${strong.sentence.replaceAll('the partner', 'your partner').replaceAll('the client', 'you')}.` : null;
}

/** What a critique of this request is drafted from: the ladder down to its cut, and the words of notes and book. */
export function draftOf(facts: DraftFacts): DraftInput {
  const { request, document, choice, notes, input } = facts;
  const shown = notes.filter(({ id, athlete }) => document.notes[id]!.visible === 'client' && athlete === 'client');
  const ladder = ladderOf(rankedOf(facts), choice);
  const costs = chainCosts([...input.notes, ...input.events]);
  const praise = shown.filter(({ kind }) => kind === 'good').sort((a, b) => b.severity - a.severity || inOrder(a, b));
  return {
    question: request.question,
    answer: choice.answer,
    praise: praise
      .slice(0, praiseShown)
      .sort(inOrder)
      .map((note) => momentOf(facts, note)),
    asks: shown
      .filter(({ kind }) => kind === 'question')
      .sort(inOrder)
      .map((note) => momentOf(facts, note)),
    fixes: ladder.rungs
      .slice(0, ladder.cut)
      .filter(({ principle }) => shown.some((note) => candidateOf(note) === principle && note.kind !== 'good' && note.kind !== 'question'))
      .map(({ principle }) => fixOf(facts, principle, shown, costs)),
    score: scoreLine(facts),
    pattern: patternLine(facts),
    clinician: clinicianSentences(facts),
    filming: [...new Set(request.footages.flatMap(({ advice }) => advice))],
  };
}
