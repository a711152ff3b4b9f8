import type { Account, FootageProgress } from '@lean-mentor/contract';
import { subSeconds } from 'date-fns';
import type { House } from '../../house/house.ts';
import { openSessions } from '../../db/sessionTable.ts';
import { findAccount, findBelonging, maySee } from '../access/index.ts';
import { findFootagesChangedSince, progressOf } from './repository.ts';

const pollMs = 400;
const keepAliveMs = 20_000;
/** A change may be seen so long after its stamp: the transaction it is in has more to do, or another machine's clock is slow. */
const lagSeconds = 10;
/** How often it is looked whether those who listen are still signed in, in ms. */
const lookMs = 1000;

interface Listener {
  account: Account;
  /** The session that listens: when it ends, so does the listening. */
  sessionId: string;
  end: () => void;
  send: (progress: FootageProgress) => void;
  keepAlive: () => void;
}

/**
 * Tells listeners what jobs processes write about footage. The database is asked once per beat for all listeners
 * together, and not at all while nobody listens.
 */
export class FootageWatch {
  private readonly listeners = new Set<Listener>();
  private timer: NodeJS.Timeout | null = null;
  private since: Date;
  private readonly seen = new Map<string, string>();
  private spokeAt = 0;
  private lookedAt = 0;

  constructor(private readonly house: House) {
    this.since = house.now();
  }

  /** Adds a listener; the answer removes it. */
  listen(listener: Listener): () => void {
    if (this.listeners.size === 0) {
      this.since = subSeconds(this.house.now(), 2);
      this.timer = setInterval(() => void this.beat(), pollMs);
    }
    this.listeners.add(listener);
    return () => {
      this.listeners.delete(listener);
      if (this.listeners.size === 0) this.stop();
    };
  }

  stop(): void {
    if (this.timer) clearInterval(this.timer);
    this.timer = null;
    this.seen.clear();
  }

  /** Ends the listening of those whose session or account is gone, and knows the others as they are now. */
  private async dropEnded(): Promise<void> {
    if (Date.now() - this.lookedAt < lookMs) return;
    this.lookedAt = Date.now();
    const listeners = [...this.listeners];
    const open = await openSessions(
      this.house.db.sequelize,
      listeners.map(({ sessionId }) => sessionId),
    );
    for (const listener of listeners) {
      const account = open.has(listener.sessionId) ? await findAccount(this.house, listener.account.id) : null;
      if (account) listener.account = account;
      else listener.end();
    }
  }

  private async beat(): Promise<void> {
    try {
      await this.dropEnded();
      // A clock that was set back would hide what changes until it has come as far again.
      if (this.house.now() < this.since) this.since = subSeconds(this.house.now(), 2);
      const rows = await findFootagesChangedSince(this.house, this.since);
      for (const row of rows) {
        const progress = progressOf(row);
        // What was let go is news to who may only now see it, though nothing else of it is new.
        const text = JSON.stringify([row.released, progress]);
        if (this.seen.get(row.id) === text) continue;
        this.seen.set(row.id, text);
        const owner = await findBelonging(this.house, 'footageId', row.id);
        for (const { account, send } of this.listeners) if (owner && maySee(account, owner)) send(progress);
      }
      // Another process's clock and commit may lag: the last seconds are asked for again.
      const last = rows[rows.length - 1];
      if (last) this.since = subSeconds(last.changedAt, lagSeconds);
      if (Date.now() - this.spokeAt > keepAliveMs) {
        this.spokeAt = Date.now();
        for (const { keepAlive } of this.listeners) keepAlive();
      }
    } catch (error) {
      this.house.log.warn({ err: error }, 'footage changes could not be read');
    }
  }
}
