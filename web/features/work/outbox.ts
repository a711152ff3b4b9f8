import type { ResponseOf } from '@lean-mentor/contract';
import type * as contract from '@lean-mentor/contract';
import { Keeper } from '../../shared/keeping/index.ts';
import { refusedShelf, unsentShelf, type Unsent } from './workShelves.ts';

type Answer = ResponseOf<typeof contract.logWork>;
export type SendEntry = (entry: Unsent) => Promise<{ data?: Answer | undefined; error?: unknown }>;

/**
 * What somebody has done and the server does not have yet. It lies in this browser and is sent in its order, each under its own id, so that
 * it is there once however often it goes out. Every change starts from what lies there: another tab may have written meanwhile.
 */
export class Outbox {
  private readonly shelf;
  private readonly refusals;
  private isKept = true;
  private readonly keeper: Keeper<Unsent, Answer>;
  /** What lies there, the same list until it changes. */
  private now: readonly Unsent[];
  private readonly listeners = new Set<() => void>();

  constructor(owner: string, send: SendEntry) {
    this.shelf = unsentShelf(owner);
    this.refusals = refusedShelf(owner);
    this.now = this.read();
    this.keeper = new Keeper<Unsent, Answer>({
      queue: {
        waiting: () => this.now,
        isKept: () => this.isKept,
        taken: ([sent]) => this.drop(sent!),
        refused: (sent, { message }) => {
          this.refusals.put([...this.refused(), { entry: sent, why: message }]);
          this.drop(sent);
        },
      },
      send: ([entry]) => send(entry!),
      restMs: 0,
    });
    if (this.now.length > 0) void this.keeper.flush();
  }

  private read = (): Unsent[] => this.shelf.read() ?? [];

  private put(next: Unsent[]): void {
    this.isKept = this.shelf.put(next);
    this.now = next;
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

  readonly waiting = (): readonly Unsent[] => this.now;
  readonly refused = (): { entry: Unsent; why: string }[] => this.refusals.read() ?? [];
  readonly dropRefused = (doneWorkId: string): void => {
    this.refusals.put(this.refused().filter(({ entry }) => entry.doneWorkId !== doneWorkId));
    for (const listener of this.listeners) listener();
  };
  readonly flush = (): Promise<boolean> => this.keeper.flush();
  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
}
