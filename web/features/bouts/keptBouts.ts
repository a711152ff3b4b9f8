import { bout, type Bout, type BoutEdit } from '@lean-mentor/contract';
import { z } from 'zod';
import { browserShelf, ShelvedThing } from '../../shared/keeping/index.ts';
import { boutEdits } from './boutEdits.ts';

export type BoutsByFootage = Readonly<Record<string, readonly Bout[]>>;

/** Changes rest this long, in ms, before they are saved. */
const restMs = 500;

const byFootage = z.record(z.string(), z.array(bout).readonly());
/** Bouts in hand, and those of the server that they were edited from. */
const edited = z.object({ inHand: byFootage, from: byFootage });

type Send = (edits: { footageId: string; edits: BoutEdit[] }) => Promise<{ data?: { bouts: Bout[] }; error?: unknown }>;

/** Keeps the bouts of a request while they are edited: what differs from what the server has is sent, footage by footage. */
export function keptBouts(requestId: string, send: Send) {
  /** What the server answered since, with its versions. */
  let answered: BoutsByFootage = {};
  const thing = new ShelvedThing({
    shelf: browserShelf({ name: 'bouts', subject: requestId, schema: edited }),
    restMs,
    send: async ({ inHand, from }) => {
      for (const [footageId, now] of Object.entries(inHand)) {
        const edits = boutEdits(answered[footageId] ?? from[footageId] ?? [], now);
        if (edits.length === 0) continue;
        const { data, error } = await send({ footageId, edits });
        if (!data) return { error };
        answered = { ...answered, [footageId]: data.bouts };
      }
      return { data: true };
    },
  });
  return {
    ...thing,
    /** `fetched`: what the page knew of the server's when it was loaded. */
    putBouts: (inHand: BoutsByFootage, fetched: BoutsByFootage): void =>
      thing.put({ inHand, from: Object.fromEntries(Object.keys(inHand).map((id) => [id, answered[id] ?? fetched[id] ?? []])) }),
    dropBouts: (): void => {
      answered = {};
      thing.drop();
    },
  };
}
