import type { z } from 'zod';
import { currentAccount } from '../wire/index.ts';

/**
 * A place in this browser that outlives the page. What lies there is its author's: another who uses this browser neither sees nor sends
 * it.
 */
export interface Shelf<T> {
  /** What lies here; null where nothing does, or nothing that can be read any more. */
  read: () => T | null;
  /** Whether it was kept: a browser without room, or one that keeps nothing, goes on without. */
  put: (thing: T) => boolean;
  clear: () => void;
}

interface ShelfOf<T> {
  /** What is kept ("a draft"), and of which request, client or entry; empty where there is one for the account. */
  name: string;
  subject?: string;
  /** Of the account that is signed in, where this is not said; of whoever sits before this browser; or of an account by its id. */
  whose?: 'account' | 'browser' | { account: string };
  /** Under which key an earlier version of this page kept the same, and what has become of it; it is taken over once. */
  formerly?: { key: (account: string) => string; as?: (kept: unknown) => unknown };
  /** What may be read from it: an older page, or another hand, may have left something else. */
  schema: z.ZodType<T>;
}

/** A shelf in this browser. */
export function browserShelf<T>({ name, subject = '', whose = 'account', formerly, schema }: ShelfOf<T>): Shelf<T> {
  const account = whose === 'browser' ? '' : whose === 'account' ? (currentAccount() ?? '') : whose.account;
  const key = ['lean-mentor', account, name, subject].join('/');
  const takeOver = (): void => {
    const before = formerly && localStorage.getItem(formerly.key(account));
    if (!formerly || !before || localStorage.getItem(key) !== null) return;
    const kept: unknown = JSON.parse(before);
    localStorage.setItem(key, JSON.stringify(formerly.as ? formerly.as(kept) : kept));
    localStorage.removeItem(formerly.key(account));
  };
  return {
    read: () => {
      try {
        takeOver();
        const text = localStorage.getItem(key);
        const read = text === null ? null : schema.safeParse(JSON.parse(text));
        return read?.success ? read.data : null;
      } catch {
        return null;
      }
    },
    put: (thing) => {
      try {
        localStorage.setItem(key, JSON.stringify(thing));
        return true;
      } catch {
        return false;
      }
    },
    clear: () => {
      try {
        localStorage.removeItem(key);
      } catch {
        // It keeps nothing, so there is nothing to take away.
      }
    },
  };
}
