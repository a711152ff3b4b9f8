import { passingCodes } from '@lean-mentor/contract';
import type { WireFault } from '../wire/index.ts';

/**
 * Where what was written is. saved: the server has all of it; writing: it is not in this browser's store, or not yet; kept: it is, and on
 * its way to the server; away: it is, and the server cannot be reached; refused: the server does not take it as it is.
 */
export type Saving = 'saved' | 'writing' | 'kept' | 'away' | 'refused';

export interface Keeping {
  saving: Saving;
  /** Why it is not on the server, where it was tried. */
  fault: WireFault | null;
}

const worst: readonly Saving[] = ['refused', 'writing', 'away', 'kept', 'saved'];
/** Where two things are, said as one: what is worse of either. */
export const bothKept = (a: Keeping, b: Keeping): Keeping => (worst.indexOf(a.saving) <= worst.indexOf(b.saving) ? a : b);

/** What waits to be sent, wherever it lies. */
export interface Queue<T, Answer> {
  /** Oldest first; empty also where it is not to be sent now, its author being gone. */
  waiting: () => readonly T[];
  /** Whether all that waits is in this browser's store. */
  isKept: () => boolean;
  /** The server has these. */
  taken: (sent: readonly T[], answer: Answer) => void;
  /** The server will never take this as it is. What is left waiting then is not sent before something is written again. */
  refused: (sent: T, fault: WireFault) => void;
}

export interface KeeperOf<T, Answer> {
  queue: Queue<T, Answer>;
  send: (things: readonly T[]) => Promise<{ data?: Answer | undefined; error?: unknown }>;
  /** What is written rests this long, in ms, before it is sent; 0: it is sent at once. */
  restMs: number;
  /** So many are sent at once. */
  mostAtOnce?: number;
  /** After a try that did not arrive the next one waits so long at first, in ms; each time twice as long. */
  firstWaitMs?: number;
}

const usualWaitMs = 1000;
const longestWaitMs = 15_000;
const unknownFault: WireFault = { code: 'unknown', message: 'Something went wrong in this page. Load it again.' };

/** Of an answer after which the first of what was sent still waits. */
const notTaken: WireFault = { code: 'unknown', message: 'The server answered and did not say that it saved this. It is sent again.' };

/** Whether a fault says: not now. Anything else means that the thing itself is not taken. */
const passes = ({ code }: WireFault): boolean => code === 'offline' || passingCodes.has(code);

/**
 * The one keeper of what is written: sent in its order, one call at a time, tried again until it has arrived; what the server refuses is
 * found and set aside, so that the rest goes on. Whoever leaves calls `flush`, which sends at once.
 */
export class Keeper<T, Answer> {
  private now: Keeping = { saving: 'saved', fault: null };
  private timer: ReturnType<typeof setTimeout> | undefined;
  private running: Promise<boolean> | null = null;
  /** Why the last try did not come to an end. */
  private fault: WireFault | null = null;
  private waitMs: number;
  private readonly firstWaitMs: number;
  private readonly listeners = new Set<() => void>();

  constructor(private readonly of: KeeperOf<T, Answer>) {
    this.firstWaitMs = of.firstWaitMs ?? usualWaitMs;
    this.waitMs = this.firstWaitMs;
  }

  readonly snapshot = (): Keeping => this.now;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Says anew where what was written is; to be called also when it has come into this browser's store. */
  readonly look = (): void => {
    const { queue } = this.of;
    const { fault } = this;
    const isRefused = fault !== null && !passes(fault);
    const on = queue.isKept() ? (fault ? 'away' : 'kept') : 'writing';
    const saving: Saving = queue.waiting().length === 0 ? 'saved' : isRefused ? 'refused' : on;
    if (this.now.saving === saving && this.now.fault === fault) return;
    this.now = { saving, fault };
    for (const listener of this.listeners) listener();
  };

  /** Whether somebody else changed it meanwhile: nothing is sent then until a person has decided (`decided`). */
  private isHeld(): boolean {
    return this.fault?.code === 'changed-meanwhile';
  }

  /** Something was written: it is sent when it has rested, or, where the server cannot be reached, with the next try. */
  readonly written = (): void => {
    if (!this.isHeld() && !(this.fault && passes(this.fault))) {
      this.fault = null;
      if (this.of.restMs === 0) void this.flush();
      else if (!this.running) this.later(this.of.restMs);
    }
    this.look();
  };

  /** A person decided what becomes of what was refused. */
  readonly decided = (): void => {
    clearTimeout(this.timer);
    this.fault = null;
    this.look();
  };

  private later(ms: number): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.flush(), ms);
  }

  /** Sends now all that waits, and what is written meanwhile. Answers whether the server has all of it. */
  readonly flush = (): Promise<boolean> => {
    clearTimeout(this.timer);
    this.running ??= this.sendAll().finally(() => (this.running = null));
    return this.running;
  };

  private async sendAll(): Promise<boolean> {
    const { queue, send, mostAtOnce = 1 } = this.of;
    let atOnce = mostAtOnce;
    for (;;) {
      const lot = this.isHeld() ? [] : queue.waiting().slice(0, atOnce);
      if (lot.length === 0) break;
      const { data, error } = await send(lot).catch((thrown: unknown) => ({ data: undefined, error: thrown }));
      if (data !== undefined) {
        queue.taken(lot, data);
        // Sent again at once it would be sent without end.
        if (queue.waiting()[0] === lot[0]) return this.tryLater(notTaken);
        this.fault = null;
        this.waitMs = this.firstWaitMs;
        this.look();
        continue;
      }
      const fault = (error as WireFault | undefined)?.code ? (error as WireFault) : unknownFault;
      if (passes(fault)) return this.tryLater(fault);
      // One of them is at fault: they are sent one by one to find which.
      if (lot.length > 1) {
        atOnce = 1;
        continue;
      }
      queue.refused(lot[0]!, fault);
      if (queue.waiting()[0] === lot[0]) {
        this.fault = fault;
        break;
      }
      atOnce = mostAtOnce;
    }
    this.look();
    return queue.waiting().length === 0;
  }

  private tryLater(fault: WireFault): false {
    this.fault = fault;
    this.look();
    this.later(this.waitMs);
    this.waitMs = Math.min(longestWaitMs, this.waitMs * 2);
    return false;
  }
}
