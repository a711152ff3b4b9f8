import { Keeper, type Keeping } from './keeper.ts';
import type { Shelf } from './shelf.ts';

interface ShelvedOf<T, Answer> {
  shelf: Shelf<T>;
  send: (thing: T) => Promise<{ data?: Answer | undefined; error?: unknown }>;
  restMs: number;
  /** What came of sending it. */
  taken?: (answer: Answer) => void;
  /** What is written goes over what waits: in its place, where this is not given. */
  over?: (waiting: T, next: T) => T;
}

/**
 * One thing of which the last wording counts: a page, a choice, what has been said so far. Kept on its shelf at once, on the server when
 * the hand rests, and gone from the shelf when it has arrived. What an earlier visit could not send is there again, and sent.
 */
export class ShelvedThing<T, Answer> {
  private waiting: T | null;
  private isKept = true;
  private readonly keeper: Keeper<T, Answer>;

  constructor(private readonly of: ShelvedOf<T, Answer>) {
    this.waiting = of.shelf.read();
    this.keeper = new Keeper<T, Answer>({
      queue: {
        waiting: () => (this.waiting === null ? [] : [this.waiting]),
        isKept: () => this.isKept,
        taken: ([sent], answer) => {
          if (this.waiting === sent) this.forget();
          of.taken?.(answer);
        },
        refused: () => undefined,
      },
      send: ([thing]) => of.send(thing!),
      restMs: of.restMs,
    });
    if (this.waiting !== null) this.keeper.written();
  }

  /** What waits, which the server does not have; null where it has all. */
  readonly unsaved = (): T | null => this.waiting;

  readonly put = (thing: T): void => {
    this.waiting = this.waiting !== null && this.of.over ? this.of.over(this.waiting, thing) : thing;
    this.isKept = this.of.shelf.put(this.waiting);
    this.keeper.written();
  };

  private forget(): void {
    this.waiting = null;
    this.isKept = true;
    this.of.shelf.clear();
  }

  /** Lets go of what was not saved. */
  readonly drop = (): void => {
    this.forget();
    this.keeper.decided();
  };

  readonly flush = (): Promise<boolean> => this.keeper.flush();
  readonly snapshot = (): Keeping => this.keeper.snapshot();
  readonly subscribe = (listener: () => void): (() => void) => this.keeper.subscribe(listener);
}
