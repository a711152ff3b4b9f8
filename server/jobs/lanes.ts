import { availableParallelism } from 'node:os';
import type { JobRow } from './model.ts';

/** Jobs that wait for one another; those of other lanes do not wait for them. */
export interface Lane {
  kinds: readonly JobRow['kind'][];
  /** So many at once. */
  atOnce: number;
  /** Whether it makes something, and so waits while the disk is full; what removes does not. */
  needsRoom: boolean;
}

/** Two at once where there are processors for them: one that takes hours does not hold up the others. */
const atOnce = Math.min(2, availableParallelism());

/** Removing never waits behind footage that is being made ready, nor does what somebody wants to take along. */
export const lanes: readonly Lane[] = [
  { kinds: ['remove-footage'], atOnce: 1, needsRoom: false },
  { kinds: ['make-take', 'make-voices', 'make-pictures', 'lay-words', 'carry-memo'], atOnce, needsRoom: true },
  // A mail server that does not answer holds up nothing else.
  { kinds: ['send-letter'], atOnce: 1, needsRoom: false },
  // A folder waits for the films in it, and nothing waits for it.
  { kinds: ['make-export'], atOnce, needsRoom: true },
  { kinds: ['make-ready', 'make-clip'], atOnce, needsRoom: true },
  // Films take as long as they are: one at a time, so that footage and voices go on beside them.
  { kinds: ['make-film'], atOnce: 1, needsRoom: true },
];
