import type { ResponseOf } from '@lean-mentor/contract';
import type * as contract from '@lean-mentor/contract';
import { Keeper } from '../../shared/keeping/index.ts';
import { refusedShelf, unsentShelf, type Unsent } from './workShelves.ts';

type Answer = ResponseOf<typeof contract.logWork>;
export type SendEntry = (entry: Unsent) => Promise<{ data?: Answer | undefined; error?: unknown }>;

interface Refused {
  entry: Unsent;
  why: string;
}
/** What waits, oldest first, and what the server did not take. */
interface Lying {
  waiting: readonly Unsent[];
  refused: readonly Refused[];
}

/**
 * What somebody has done and the server does not have yet. It lies in this browser and is sent in its order, each under its own id, so that
 * it is there once however often it goes out. Every change starts from what lies there: another tab may have written meanwhile.
 */
export class Outbox {
  private readonly shelf;
  private readonly refusals;
  private isKept = true;
  private readonly keeper: Keeper<Unsent, Answer>;
  /** What lies there, the same object until it changes. */
  private now: Lying;
  private readonly listeners = new Set<() => void>();

  constructor(owner: string, send: SendEntry) {
    this.shelf = unsentShelf(owner);
    this.refusals = refusedShelf(owner);
    this.now = { waiting: this.read(), refused: this.refusals.read() ?? [] };
    this.keeper = new Keeper<Unsent, Answer>({
      queue: {
        waiting: () => this.now.waiting,
        isKept: () => this.isKept,
        taken: ([sent]) => this.drop(sent!),
        refused: (sent, { message }) => {
          this.refuse([...(this.refusals.read() ?? []), { entry: sent, why: message }]);
          this.drop(sent);
        },
      },
      send: ([entry]) => send(entry!),
      restMs: 0,
    });
    if (this.now.waiting.length > 0) void this.keeper.flush();
  }

  private read = (): Unsent[] => this.shelf.read() ?? [];

  private put(next: Unsent[]): void {
    this.isKept = this.shelf.put(next);
    this.tell({ waiting: next });
  }

  private refuse(next: Refused[]): void {
    this.refusals.put(next);
    this.tell({ refused: next });
  }

  private tell(changed: Partial<Lying>): void {
    this.now = { ...this.now, ...changed };
    for (const listener of this.listeners) listener();
  }

  /** Of one that was written anew meanwhile the newer wording stays. */
  private drop(sent: Unsent): void {
    this.put(this.read().filter((one) => JSON.stringify(one) !== JSON.stringify(sent)));
  }

  readonly add = (entry: Unsent): void => {
    this.put([...this.read().filter(({ doneWorkId }) => doneWorkId !== entry.doneWorkId), entry]);
    this.keeper.written();
  };

  readonly lying = (): Lying => this.now;
  readonly dropRefused = (doneWorkId: string): void =>
    this.refuse((this.refusals.read() ?? []).filter(({ entry }) => entry.doneWorkId !== doneWorkId));
  /** Sends what was refused once more, for another day: a phone whose clock was wrong. */
  readonly sendAgain = (doneWorkId: string, doneOn: string): void => {
    const entry = this.now.refused.find((one) => one.entry.doneWorkId === doneWorkId)?.entry;
    this.dropRefused(doneWorkId);
    if (entry) this.add({ ...entry, body: { ...entry.body, doneOn } });
  };
  readonly flush = (): Promise<boolean> => this.keeper.flush();
  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
}
