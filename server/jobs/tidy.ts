import { setTimeout as sleep } from 'node:timers/promises';
import type { House } from '../house/house.ts';

/** What is looked after again and again, each on its own: one that fails does not keep the others from their turn. */
export type Chores = Readonly<Record<string, (house: House) => Promise<unknown>>>;

/** Does every chore once. */
export async function tidy(house: House, chores: Chores): Promise<void> {
  for (const [what, chore] of Object.entries(chores))
    await chore(house).catch((error: unknown) => house.log.warn({ err: error, what }, 'a chore was not done'));
}

/** How long it rests between rounds, in ms. */
const restMs = 60_000;

/** Looks after what is left behind until `signal` aborts. */
export async function keepTidy(house: House, chores: Chores, signal: AbortSignal): Promise<void> {
  while (!signal.aborted) {
    await tidy(house, chores);
    await sleep(restMs, undefined, { signal }).catch(() => undefined);
  }
}
