import { critiqueDoc } from '@lean-mentor/contract';
import type { CritiqueDoc } from '@lean-mentor/core/critique';
import { sameJson } from '@lean-mentor/core/desk';
import { z } from 'zod';
import { browserShelf, ShelvedThing } from '../../../shared/keeping/index.ts';
import type { WireFault } from '../../../shared/wire/index.ts';

/** Changes rest this long, in ms, before they are saved. */
const restMs = 700;

/** A page that is written, and the revision of the server's that it was written from. */
const keptPage = z.object({ doc: critiqueDoc, revision: z.int() });

interface Calls {
  save: (page: { requestId: string; doc: CritiqueDoc; revision: number }) => Promise<{ data?: { revision: number }; error?: unknown }>;
  /** What is on the server now. */
  ask: (requestId: string) => Promise<{ data?: { doc: CritiqueDoc | null; revision: number } | undefined }>;
}

/** Keeps the critique of a request while it is written. Where somebody else has written meanwhile it waits for a decision. */
export function keptCritique(requestId: string, opened: number, { save, ask }: Calls) {
  const shelf = browserShelf({
    name: 'critique',
    subject: requestId,
    formerly: { key: (account) => `lean-mentor critique ${account} ${requestId}`, as: (doc) => ({ doc, revision: opened }) },
    schema: keptPage,
  });
  const kept = shelf.read();
  let revision = kept?.revision ?? opened;
  /** What was sent last, whether an answer came or not. */
  let tried = kept?.doc ?? null;

  /** Saves a page. Where the server has a newer one that is what was sent last, its answer was lost on the way, and nobody else wrote. */
  const send = async ({ doc }: { doc: CritiqueDoc }) => {
    const own = [doc, tried];
    tried = doc;
    const answer = await save({ requestId, doc, revision });
    if ((answer.error as WireFault | undefined)?.code !== 'changed-meanwhile') return answer;
    const { data: there } = await ask(requestId);
    if (!there || !own.some((one) => one && sameJson(one, there.doc))) return answer;
    revision = there.revision;
    return save({ requestId, doc, revision });
  };
  const page = new ShelvedThing({ shelf, send, restMs, taken: (answer: { revision: number }) => (revision = answer.revision) });
  const putDoc = (doc: CritiqueDoc): void => page.put({ doc, revision });
  return {
    ...page,
    /** What an earlier visit could not save; null where there is nothing. */
    kept: kept?.doc ?? null,
    putDoc,
    /** Saves what waits; answers the revision that is on the server, or null where it could not be saved. */
    flushed: async (): Promise<number | null> => ((await page.flush()) ? revision : null),
    /** Goes on from a revision that was made elsewhere: with this page, or, where it is null, with what is there. */
    settle: (made: number, doc: CritiqueDoc | null): void => {
      page.drop();
      revision = made;
      if (!doc) return;
      putDoc(doc);
      void page.flush();
    },
  };
}
