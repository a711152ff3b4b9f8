import { workSession, workTerms, type BodyOf } from '@lean-mentor/contract';
import type * as contract from '@lean-mentor/contract';
import { assertNever } from '@lean-mentor/core/never';
import {
  countedBy,
  goOn,
  holdTimer,
  partnerLevels,
  partnerSizes,
  plannedRounds,
  ranMs,
  roundRanMs,
  timerAt,
  usualReadySeconds,
  wholeMs,
  type CountedBy,
  type DoneRound,
  type Pain,
  type RoundTerms,
  type TimerPlan,
  type WorkPartner,
  type WorkTerms,
} from '@lean-mentor/core/work';
import { z } from 'zod';

const press = z.object({ round: z.int().min(0), wayId: z.string(), atMs: z.number().nullable() });
const running = z.object({ startedAt: z.number(), heldAt: z.number().nullable(), heldMs: z.number() });

/** Work that is being done, as it lies in this browser from press to press: a page that is killed goes on where it was. */
export const doing = z.object({
  clientId: z.string(),
  workId: z.string(),
  doneWorkId: z.string(),
  /** The day on which it was begun, by this phone. */
  doneOn: z.string(),
  terms: workTerms,
  /** set: before it begins; run: the timer runs; count: from memory; felt: what is asked afterwards. */
  stage: z.enum(['set', 'run', 'count', 'felt']),
  by: z.enum(countedBy),
  partner: z.object({ level: z.enum(partnerLevels), size: z.enum(partnerSizes) }),
  timer: running.nullable(),
  /** How long it ran in all, in ms, once it is over. */
  ranMs: z.number().nullable(),
  presses: z.array(press),
  felt: z.int().min(1).max(5).nullable(),
  line: z.string().max(300),
  /** Null: not answered yet; none: nothing hurts. */
  pains: workSession.shape.pains.nullable(),
});
export type Doing = z.infer<typeof doing>;

/** What the timer of work is set to. */
export const planOf = (terms: WorkTerms): TimerPlan =>
  terms.kind === 'round'
    ? { readySeconds: usualReadySeconds, workSeconds: terms.test.minutes * 60, restSeconds: terms.restSeconds, rounds: terms.rounds }
    : { readySeconds: usualReadySeconds, workSeconds: terms.minutes * 60, restSeconds: 0, rounds: 1 };

interface Begun {
  clientId: string;
  workId: string;
  doneWorkId: string;
  doneOn: string;
  terms: Doing['terms'];
}

/** Work about to be done. */
export const begin = (begun: Begun): Doing => ({
  ...begun,
  stage: 'set',
  by: 'third',
  partner: begun.terms.kind === 'round' ? begun.terms.wanted : { level: 'unknown', size: 'unknown' },
  ...{ timer: null, ranMs: null, presses: [], felt: null, line: '', pains: null },
});

export type Act =
  | { do: 'who'; partner: WorkPartner }
  | { do: 'by'; by: CountedBy }
  | { do: 'start'; at: number }
  | { do: 'afterwards' }
  | { do: 'hold' | 'go-on'; at: number }
  | { do: 'press'; wayId: string; at: number }
  | { do: 'undo' }
  | { do: 'stop'; at: number }
  | { do: 'remember'; round: number; wayId: string; by: 1 | -1 }
  | { do: 'counted' }
  | { do: 'felt'; felt: number | null }
  | { do: 'line'; line: string }
  | { do: 'hurts'; pains: readonly Pain[] | null };

const ran = ({ timer, ranMs: over }: Doing, at: number): number => over ?? (timer ? ranMs(timer, at) : 0);

/** Where a press at an instant belongs: the round that runs, or in a rest the one that is just over. Null before the first. */
function placeOf(one: Doing, at: number): { round: number; atMs: number } | null {
  const plan = planOf(one.terms);
  const after = ran(one, at);
  const { phase, round } = timerAt(plan, after);
  return phase === 'ready' ? null : { round, atMs: Math.round(roundRanMs(plan, round, after)) };
}

function pressed(one: Doing, wayId: string, at: number): Doing {
  const place = placeOf(one, at);
  return place ? { ...one, presses: [...one.presses, { ...place, wayId }] } : one;
}

function remembered(one: Doing, { round, wayId, by }: Extract<Act, { do: 'remember' }>): Doing {
  if (by > 0) return { ...one, presses: [...one.presses, { round, wayId, atMs: null }] };
  const at = one.presses.findLastIndex((each) => each.round === round && each.wayId === wayId);
  return at < 0 ? one : { ...one, presses: one.presses.toSpliced(at, 1) };
}

/** What is asked after the timer: what was counted where nobody pressed, then how it felt. */
const afterTimer = ({ terms, by }: Doing): Doing['stage'] => (terms.kind === 'round' && by === 'memory' ? 'count' : 'felt');

/** The next of it. What does not fit where it is changes nothing. */
export function act(one: Doing, what: Act): Doing {
  switch (what.do) {
    case 'who':
      return { ...one, partner: what.partner };
    case 'by':
      return { ...one, by: what.by };
    case 'start':
      return one.stage === 'set' ? { ...one, stage: 'run', timer: { startedAt: what.at, heldAt: null, heldMs: 0 } } : one;
    case 'afterwards':
      // The rounds are taken to have run as they were meant to: nobody looked at a clock here.
      return { ...one, ranMs: wholeMs(planOf(one.terms)), by: 'memory', stage: one.terms.kind === 'round' ? 'count' : 'felt' };
    case 'hold':
      return one.timer ? { ...one, timer: holdTimer(one.timer, what.at) } : one;
    case 'go-on':
      return one.timer ? { ...one, timer: goOn(one.timer, what.at) } : one;
    case 'press':
      return one.stage === 'run' ? pressed(one, what.wayId, what.at) : one;
    case 'undo':
      return { ...one, presses: one.presses.slice(0, -1) };
    case 'stop':
      return one.stage === 'run' ? { ...one, ranMs: Math.min(wholeMs(planOf(one.terms)), ran(one, what.at)), stage: afterTimer(one) } : one;
    case 'remember':
      return remembered(one, what);
    case 'counted':
      return { ...one, stage: 'felt' };
    case 'felt':
      return { ...one, felt: what.felt };
    case 'line':
      return { ...one, line: what.line };
    case 'hurts':
      return { ...one, pains: what.pains && [...what.pains] };
    default:
      return assertNever(what);
  }
}

/** The rounds that ran, with what was counted in each. */
export function roundsOf(one: Doing): DoneRound[] {
  if (one.terms.kind !== 'round') return [];
  const plan = planOf(one.terms);
  return plannedRounds(one.terms as RoundTerms).flatMap(({ when, place }, round): DoneRound[] => {
    const long = Math.round(roundRanMs(plan, round, one.ranMs ?? 0));
    const presses = one.presses.filter((each) => each.round === round).map(({ wayId, atMs }) => ({ wayId, atMs }));
    return long === 0 && presses.length === 0 ? [] : [{ when, place, ranMs: long, partner: one.partner, by: one.by, presses }];
  });
}

/** What goes to the coach of it. Only once it was answered what hurts. */
export const entryOf = (one: Doing): BodyOf<typeof contract.logWork> => ({
  doneOn: one.doneOn,
  rounds: roundsOf(one).map((round) => ({ ...round, presses: [...round.presses] })),
  ...{ felt: one.felt, line: one.line.trim(), pains: one.pains ?? [] },
});
