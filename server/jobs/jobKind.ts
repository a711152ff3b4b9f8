import type { House } from '../house/house.ts';
import type { JobRow } from './model.ts';

export interface JobKind {
  run: (house: House, job: JobRow, signal: AbortSignal) => Promise<void>;
  /** Said when it failed and the fault is not the file's. */
  failed: string;
  /** What its subject shows when the job rests, having failed for good; null: it is tried until it works. */
  rested: ((house: House, subjectId: string, reason: string, isFiles: boolean) => Promise<void>) | null;
  /** What its subject shows while the job waits to be tried again. */
  waits?: (house: House, subjectId: string) => Promise<void>;
}

/** What a jobs process can do, by the job's kind. */
export type JobKinds = Readonly<Record<JobRow['kind'], JobKind>>;
