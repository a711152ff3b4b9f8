import type { CritiqueDoc } from '@lean-mentor/core/critique';

export type SavingState = 'saved' | 'saving' | 'kept' | 'conflict';

export interface KeeperNow {
  state: SavingState;
  /** Why it is not saved, as the wire says it. */
  fault: unknown;
  /** The revision that is on the server. */
  revision: number;
}

export type SaveDraft = (doc: CritiqueDoc, revision: number) => Promise<{ revision: number } | { fault: unknown; conflict: boolean }>;

/** Where what is not on the server yet is kept meanwhile. */
export interface DraftShelf {
  put: (doc: CritiqueDoc) => void;
  clear: () => void;
}

/** Changes rest this long, in ms, before they are saved; what could not be saved is tried again after. */
export const restMs = 700;
export const againMs = 4000;

/**
 * Keeps a critique while it is written: on this machine at once, on the server after a rest, one save after another, again until it has
 * arrived. Where somebody else has written meanwhile it stops and waits for a decision.
 */
export class DraftKeeper {
  private now: KeeperNow;
  private waiting: CritiqueDoc | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private running: Promise<unknown> = Promise.resolve();
  private readonly listeners = new Set<() => void>();

  constructor(
    private readonly save: SaveDraft,
    private readonly shelf: DraftShelf,
    revision: number,
  ) {
    this.now = { state: 'saved', fault: undefined, revision };
  }

  readonly snapshot = (): KeeperNow => this.now;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  private set(fields: Partial<KeeperNow>): void {
    this.now = { ...this.now, ...fields };
    for (const listener of this.listeners) listener();
  }

  /** Something was written. */
  readonly put = (doc: CritiqueDoc): void => {
    this.waiting = doc;
    this.shelf.put(doc);
    if (this.now.state === 'conflict') return;
    this.set({ state: 'saving' });
    this.later(restMs);
  };

  private later(ms: number): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.flush(), ms);
  }

  /** Saves now whatever waits; answers the revision that is on the server, or null where it could not be saved. */
  readonly flush = (): Promise<number | null> => {
    const next = this.running.then(() => this.send());
    this.running = next;
    return next;
  };

  private async send(): Promise<number | null> {
    clearTimeout(this.timer);
    const doc = this.waiting;
    if (!doc) return this.now.revision;
    if (this.now.state === 'conflict') return null;
    this.set({ state: 'saving' });
    const answer = await this.save(doc, this.now.revision);
    if ('fault' in answer) {
      this.set({ fault: answer.fault, state: answer.conflict ? 'conflict' : 'kept' });
      if (!answer.conflict) this.later(againMs);
      return null;
    }
    const newer = this.waiting !== doc;
    if (newer) this.later(restMs);
    else {
      this.waiting = null;
      this.shelf.clear();
    }
    this.set({ revision: answer.revision, fault: undefined, state: newer ? 'saving' : 'saved' });
    return answer.revision;
  }

  /** Goes on from a revision that was made elsewhere: with this page, or, where it is null, with what is there. */
  readonly settle = (revision: number, doc: CritiqueDoc | null): void => {
    clearTimeout(this.timer);
    this.waiting = doc;
    if (doc) this.shelf.put(doc);
    else this.shelf.clear();
    this.set({ revision, fault: undefined, state: doc ? 'saving' : 'saved' });
    if (doc) void this.flush();
  };
}
