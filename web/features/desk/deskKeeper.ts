import type { DeskChange } from '@lean-mentor/core/desk';
import { currentAccount } from '../../shared/wire/index.ts';
import { keepChanges, type EditGroup } from './deskStore.ts';

/** An edit on its way to the store. */
export interface Keep {
  id: number;
  requestId: string;
  changes: readonly DeskChange[];
  group: EditGroup | null;
  /** Whose they are; the worker does not know who is signed in. */
  accountId: string | null;
}
/** What came of it. `storedAt` is when the disk had it, in ms since 1970; `fault` says why it has not. */
export type Kept = { id: number } & ({ storedAt: number } | { fault: string });

interface Waiting {
  kept: () => void;
  lost: (error: Error) => void;
}

let worker: Worker | null = null;
let lastId = 0;
const waiting = new Map<number, Waiting>();

function settle({ data }: MessageEvent<Kept>): void {
  const one = waiting.get(data.id);
  waiting.delete(data.id);
  if ('fault' in data) return one?.lost(new Error(data.fault));
  // For whoever measures (bench/deskSaving.ts); nothing is left behind.
  performance.mark('desk-kept', { startTime: data.storedAt - performance.timeOrigin });
  performance.clearMarks('desk-kept');
  one?.kept();
}

function startWorker(): Worker {
  const started = new Worker(new URL('./keepWorker.ts', import.meta.url), { type: 'module' });
  started.onmessage = settle;
  started.onerror = () => {
    worker = null;
    for (const { lost } of waiting.values()) lost(new Error('The worker that keeps edits stopped.'));
    waiting.clear();
  };
  return started;
}

/** Starts what keeps edits before the first one is made. */
export function warmKeeper(): void {
  if (typeof Worker === 'function') worker ??= startWorker();
}

/**
 * Keeps edits in this browser; resolved when they are stored. In a worker: this page is busy drawing what the edit did just then,
 * and the store's answers would wait behind that. Where the browser has no workers, here.
 */
export function keepEdits(requestId: string, changes: readonly DeskChange[], group: EditGroup | null): Promise<void> {
  warmKeeper();
  if (!worker) return keepChanges(requestId, changes, group);
  const keep: Keep = { id: (lastId += 1), requestId, changes, group, accountId: currentAccount() };
  const done = new Promise<void>((kept, lost) => waiting.set(keep.id, { kept, lost }));
  worker.postMessage(keep);
  return done;
}
