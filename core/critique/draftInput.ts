import type { BookDrill, BookPrinciple } from '../book/index.ts';

/** A note as the draft uses it. */
export interface DraftMoment {
  noteId: string;
  what: string;
  instead: readonly { when: string; do: string }[];
  /** "1:12" of its bout. */
  clock: string;
  clipId: string | null;
  /** Whether other footage was laid beside it. */
  compares: boolean;
  /** Whether a decision before it is asked of the client first. */
  asks: boolean;
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
  /** What a clinician is to be asked about first, in sentences. */
  clinician: readonly string[];
  filming: readonly string[];
}
