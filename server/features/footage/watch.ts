import type { Account, FootageProgress } from '@lean-mentor/contract';
import { subSeconds } from 'date-fns';
import type { House } from '../../house.ts';
import { maySeeRequest } from '../access/index.ts';
import { findFootagesChangedSince, ownerOfFootage, progressOf } from './repository.ts';

const pollMs = 400;
const keepAliveMs = 20_000;

interface Listener {
  account: Account;
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

  private async beat(): Promise<void> {
    try {
      const rows = await findFootagesChangedSince(this.house, this.since);
      for (const row of rows) {
        const progress = progressOf(row);
        const text = JSON.stringify(progress);
        if (this.seen.get(row.id) === text) continue;
        this.seen.set(row.id, text);
        const owner = await ownerOfFootage(this.house, row.id);
        for (const { account, send } of this.listeners)
          if (owner && maySeeRequest(account, owner.clientId, owner.requestState)) send(progress);
      }
      // Another process's clock and commit may lag a little: the last second is asked for again.
      const last = rows[rows.length - 1];
      if (last) this.since = subSeconds(last.changedAt, 1);
      if (Date.now() - this.spokeAt > keepAliveMs) {
        this.spokeAt = Date.now();
        for (const { keepAlive } of this.listeners) keepAlive();
      }
    } catch (error) {
      this.house.log.warn({ err: error }, 'footage changes could not be read');
    }
  }
}
