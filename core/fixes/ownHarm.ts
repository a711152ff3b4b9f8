import {
  boutClock,
  clockSlack,
  leanOfSpan,
  type Athlete,
  type BoutScore,
  type PositionValues,
  type ScoredAction,
  type TimedBout,
} from '../scoring/index.ts';

/** A note as far as its harm is computed. Seconds run from its bout's start on the footage clock. */
export interface HarmNote {
  id: string;
  kind: 'mistake' | 'missed-chance' | 'good' | 'question' | 'caution';
  athlete: Athlete;
  /** 1 light … 3 heavy. */
  severity: number;
  causes: readonly string[];
  atSeconds: number;
  /** The end of a note on a range; of one on a frame, `atSeconds` again. */
  endSeconds: number;
}

/** Something coded that notes are linked to: an event, or a change of position that may have been paid for. Seconds as of a note. */
export interface HarmEvent {
  id: string;
  causes: readonly string[];
  atSeconds: number;
  isFinish: boolean;
}

/** A coded bout with its score, and what its sheet gives for each action. */
export interface HarmBout {
  timed: TimedBout;
  score: BoutScore;
  worth: Readonly<Record<ScoredAction, number>>;
  values?: PositionValues;
}

/** What a note cost by itself, in units where a conceded finish is 1, and what it is made of. */
export interface OwnHarm {
  harm: number;
  finish: boolean;
  points: number;
  near: number;
  /** Points the client might have had, of a missed chance. */
  forgone: number;
  /** Of 200 (−100..100). */
  leanDrop: number;
  /** From how heavy the coach called it, since nothing is coded there. */
  called: boolean;
}

/** docs/domain.md §5. */
const perPoint = 0.15;
const perNear = 0.05;
const forgoneShare = 0.5;
const perLean = 0.5 / 100;
/** Seconds before a note over which the lean is averaged, and after it in which its consequences are looked for. */
const before = 2;
const after = 6;
/** Where no position is coded the coach's own word stands in: a light, a plain and a heavy one (docs/decisions/fixes.md). */
const called = [0.05, 0.15, 0.3] as const;

const none: OwnHarm = { harm: 0, finish: false, points: 0, near: 0, forgone: 0, leanDrop: 0, called: false };
const counts = ({ kind, athlete }: HarmNote): boolean => athlete === 'client' && (kind === 'mistake' || kind === 'missed-chance');

interface FallEdges {
  from: number;
  tapAt: number;
}

/** Where each fall begins, and the tap that ended it; Infinity where none did. */
function fallEdges({ events, ...timed }: TimedBout): FallEdges[] {
  const starts = [0, ...boutClock({ ...timed, events }).plays.flatMap(({ isNewFall, from }) => (isNewFall ? [from] : []))];
  const taps = events.filter(({ kind }) => kind === 'finish').map(({ at }) => at);
  return starts.map((from, i) => ({ from, tapAt: Math.min(...taps.filter((at) => at >= from && at <= (starts[i + 1] ?? Infinity))) }));
}

/** Until when what happens may come from a note: so many seconds, but not over the tap that ended its fall. */
function consequencesUntil({ atSeconds, endSeconds }: HarmNote, falls: readonly FallEdges[]): number {
  const tapAt = falls.findLast(({ from }) => from <= atSeconds)?.tapAt ?? Infinity;
  return Math.min(endSeconds + after, tapAt >= atSeconds ? tapAt : Infinity);
}

/** What is linked as an effect and happened at that instant. What only led to something leaves its harm with the notes before it. */
const linkedEffectAt = (events: readonly HarmEvent[], at: number, isFinish: boolean): HarmEvent | undefined =>
  events.find((one) => one.causes.length > 0 && one.isFinish === isFinish && Math.abs(one.atSeconds - at) < clockSlack);

/** A span with what it is worth, worked out once. */
interface LeanSpan {
  from: number;
  to: number;
  lean: number;
}

const leanSpans = ({ timed, values }: HarmBout): LeanSpan[] =>
  timed.spans.map((span) => ({ from: span.from, to: span.to, lean: leanOfSpan(span, values) }));

/** The mean lean between two instants, and the least one after them until a third; null where nothing is coded. Spans ascend. */
function leansAround(spans: readonly LeanSpan[], from: number, at: number, until: number): { mean: number | null; least: number | null } {
  let [sum, seconds, least, here] = [0, 0, null as number | null, null as number | null];
  for (const span of spans) {
    if (span.from > until) break;
    const share = Math.min(span.to, at) - Math.max(span.from, from);
    if (share > 0) [sum, seconds] = [sum + share * span.lean, seconds + share];
    if (span.from < until && span.to > at && (least === null || span.lean < least)) least = span.lean;
    if (span.from <= at && at < span.to) here = span.lean;
  }
  return { mean: seconds > 0 ? sum / seconds : here, least };
}

/** How far the lean falls from the 2 s before a note, but not before `since`, to the least of its window; never negative. */
function leanDrop(spans: readonly LeanSpan[], note: HarmNote, since: number, until: number): number {
  const { mean, least } = leansAround(spans, Math.max(note.atSeconds - before, since), note.atSeconds, until);
  return mean === null || least === null ? 0 : Math.max(0, mean - least);
}

/**
 * The own harm of each note of one bout (docs/domain.md §5): 0.15 per point and 0.05 per near point conceded within 6 s of it, half of that
 * for
 * what a missed chance forwent, 1 for a finish, and 0.5 × the fall of the lean ÷ 100. Its window ends where something it led to begins,
 * which then carries what follows; what is conceded counts once, for the last note before it. Where it is itself linked as what something
 * led to, it carries that harm, and its causes get their share of it. Worked example: lean 10 before, −55 after a pass conceded (3
 * points): 0.45 + 0.5 × 65 ÷ 100 = 0.775.
 */
export function ownHarms(notes: readonly HarmNote[], bout: HarmBout | null, events: readonly HarmEvent[] = []): Map<string, OwnHarm> {
  const counted = notes.filter(counts);
  if (!bout || bout.timed.spans.length === 0)
    return new Map([
      ...events.map(({ id }) => [id, none] as const),
      ...notes.map(
        (note) => [note.id, counts(note) ? { ...none, called: true, harm: called[note.severity - 1] ?? called[1] } : none] as const,
      ),
    ]);
  const firstEffect = new Map<string, number>();
  for (const { causes, atSeconds } of [...notes, ...events])
    for (const id of causes) firstEffect.set(id, Math.min(firstEffect.get(id) ?? Infinity, atSeconds));
  const falls = fallEdges(bout.timed);
  const untilOf = (note: HarmNote): number => Math.min(consequencesUntil(note, falls), firstEffect.get(note.id) ?? Infinity);
  const harms = new Map([...notes, ...events].map(({ id }) => [id, { ...none }]));
  const effectAt = (at: number, isFinish: boolean): OwnHarm | undefined => {
    const found = linkedEffectAt(events, at, isFinish);
    return found && harms.get(found.id);
  };
  const lastBefore = (at: number, kind?: HarmNote['kind']): OwnHarm | undefined => {
    let found: HarmNote | undefined;
    for (const note of counted)
      if (note.atSeconds <= at && at <= untilOf(note) && (!kind || note.kind === kind) && (!found || note.atSeconds > found.atSeconds))
        found = note;
    return found && harms.get(found.id);
  };
  for (const { athlete, at, points, near } of bout.score.awards) {
    if (athlete !== 'partner') continue;
    const harm = effectAt(at, false) ?? lastBefore(at);
    if (harm) [harm.points, harm.near] = [harm.points + points, harm.near + near];
  }
  // What the client reached and was not paid for, with a near point or without.
  for (const { athlete, at, action, points } of [...bout.score.awards, ...bout.score.refusals]) {
    const harm = athlete === 'client' && points === 0 ? lastBefore(at, 'missed-chance') : undefined;
    if (harm) harm.forgone += bout.worth[action as ScoredAction] ?? 0;
  }
  for (const event of bout.timed.events)
    if (event.kind === 'finish' && event.athlete === 'partner') {
      const harm = effectAt(event.at, true) ?? lastBefore(event.at);
      if (harm) harm.finish = true;
    }
  const spans = leanSpans(bout);
  for (const note of counted)
    harms.get(note.id)!.leanDrop = leanDrop(spans, note, falls.findLast(({ from }) => from <= note.atSeconds)?.from ?? 0, untilOf(note));
  for (const harm of harms.values())
    harm.harm =
      Number(harm.finish) + perPoint * harm.points + perNear * harm.near + forgoneShare * perPoint * harm.forgone + perLean * harm.leanDrop;
  return harms;
}

/** What was conceded in a bout that no note stands before and none is linked to: times in seconds since its start, for a reminder. */
export function unexplained(
  notes: readonly HarmNote[],
  bout: HarmBout,
  events: readonly HarmEvent[] = [],
): { at: number; points: number; finish: boolean }[] {
  const falls = fallEdges(bout.timed);
  const explained = (at: number): boolean =>
    notes.some((note) => counts(note) && note.atSeconds <= at && at <= consequencesUntil(note, falls));
  const awards = bout.score.awards.filter(({ athlete, points }) => athlete === 'partner' && points > 0);
  const finishes = bout.timed.events.filter((event) => event.kind === 'finish' && event.athlete === 'partner');
  return [
    ...awards.map(({ at, points }) => ({ at, points, finish: false })),
    ...finishes.map(({ at }) => ({ at, points: 0, finish: true })),
  ]
    .filter(({ at, finish }) => !explained(at) && !linkedEffectAt(events, at, finish))
    .sort((a, b) => a.at - b.at);
}
