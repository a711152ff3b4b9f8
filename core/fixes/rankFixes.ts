import { restsOn } from '../book/index.ts';
import { chainCosts, type Link } from './chainCosts.ts';
import { rankParts, type RankParts, type School } from './schools.ts';

export interface RankNote extends Link {
  /** Null: it names none; its harm is still carried along the chain. */
  principle: string | null;
  kind: 'mistake' | 'missed-chance' | 'good' | 'question' | 'caution';
  seen: 'clear' | 'likely' | 'hidden';
  /** Its principle is pinned first, whatever it scores. */
  safety?: boolean;
}

export interface RankPrinciple {
  id: string;
  /** 1 first … 5 last. */
  level: number;
  prerequisites: readonly string[];
}

export interface RankInput {
  client: { level: number; asked: readonly string[]; gamePlan: readonly string[] };
  principles: readonly RankPrinciple[];
  notes: readonly RankNote[];
  events: readonly Link[];
  /** Minutes in which a principle could have failed; where it is not named, the bout's. */
  exposureMinutes: Readonly<Record<string, number>>;
  boutMinutes: number;
  /** Principles that came up in past requests, latest first. */
  history: readonly (readonly string[])[];
}

export interface RankedFix {
  principle: string;
  score: number;
  parts: RankParts;
  /** 1, or 0.5 where it is two levels or more above the client. */
  teachable: number;
  pinned: boolean;
  /** Σ certainty × cost of its notes, before it is compared with the others. */
  cost: number;
}

const certainty = { clear: 1, likely: 0.7, hidden: 0.4 } as const;
/** Recurrence looks at so many past requests; each older one weighs so much of the one after it. */
const mostPast = 6;
const fading = 0.6;

/** How often it was there in the past requests, the latest weighing most; 0 without any. */
function recurrence(principle: string, history: RankInput['history']): number {
  const past = history.slice(0, mostPast);
  const weights = past.map((_, j) => fading ** j);
  const all = weights.reduce((a, b) => a + b, 0);
  const seen = past.reduce((sum, there, j) => sum + (there.includes(principle) ? weights[j]! : 0), 0);
  return all > 0 ? seen / all : 0;
}

/** Shares of the largest; all 0 where that is 0. */
function shares(values: readonly number[]): number[] {
  const most = Math.max(0, ...values);
  return values.map((value) => (most > 0 ? value / most : 0));
}

/**
 * Ranks the principles of a request’s mistakes and missed chances (docs/domain.md §6): cost C, frequency F, recurrence R, goal G and
 * groundwork B, weighed by a school, times how teachable it is now. What a safety note names comes first and takes no part in C and F.
 * Equal scores keep the order: larger C, then the earlier first note, then the name. The links must have no faults (see `linkFaults`).
 */
export function rankFixes(input: RankInput, school: School): RankedFix[] {
  const { client, notes, principles } = input;
  const byId = new Map(principles.map((principle) => [principle.id, principle]));
  const costs = chainCosts([...notes, ...input.events], school.share);
  const counted = notes.filter(({ kind, safety }) => kind === 'mistake' || kind === 'missed-chance' || safety === true);
  const pinned = new Set(notes.flatMap(({ principle, safety }) => (safety && principle !== null ? [principle] : [])));
  const candidates = [...new Set(counted.flatMap(({ principle }) => (principle === null ? [] : [principle])))];
  const own = new Map(candidates.map((id) => [id, counted.filter(({ principle }) => principle === id)]));
  const foundations = new Map(candidates.map((id) => [id, restsOn(id, byId)]));
  const costOf = (note: RankNote): number =>
    certainty[note.seen] * costs.get(note.id)! * (note.kind === 'missed-chance' ? school.missedChance : 1);
  const cost = candidates.map((id) => own.get(id)!.reduce((sum, note) => sum + costOf(note), 0));
  // What a safety note names stands first anyway: it takes no part in what the others are measured against.
  const measured = (of: readonly number[]): number[] => shares(of.map((value, i) => (pinned.has(candidates[i]!) ? 0 : value)));
  const C = measured(cost);
  const F = measured(candidates.map((id) => (own.get(id)!.length + 0.5) / ((input.exposureMinutes[id] ?? input.boutMinutes) + 1)));
  const B = shares(candidates.map((id) => candidates.filter((other) => other !== id && foundations.get(other)!.has(id)).length));
  const ranked = candidates.map((principle, i): RankedFix & { first: number } => {
    const G = client.asked.includes(principle) ? 1 : client.gamePlan.includes(principle) ? 0.5 : 0;
    const parts = { C: C[i]!, F: F[i]!, R: recurrence(principle, input.history), G, B: B[i]! };
    const teachable = (byId.get(principle)?.level ?? client.level) - client.level >= 2 ? 0.5 : 1;
    const score = teachable * rankParts.reduce((sum, part) => sum + school.weights[part] * parts[part], 0);
    const these = own.get(principle)!;
    const first = Math.min(...these.map(({ atSeconds }) => atSeconds));
    return { principle, score, parts, teachable, pinned: pinned.has(principle), cost: cost[i]!, first };
  });
  const equal = 1e-12;
  ranked.sort(
    (a, b) =>
      Number(b.pinned) - Number(a.pinned) ||
      (Math.abs(b.score - a.score) > equal ? b.score - a.score : 0) ||
      (Math.abs(b.parts.C - a.parts.C) > equal ? b.parts.C - a.parts.C : 0) ||
      a.first - b.first ||
      (a.principle < b.principle ? -1 : 1),
  );
  return ranked.map(({ first: _first, ...fix }) => fix);
}
