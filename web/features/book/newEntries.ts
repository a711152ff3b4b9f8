import { blankDrill, blankPrinciple, type BookDrill, type BookPrinciple } from '@lean-mentor/core/book';
import { z } from 'zod';
import { browserShelf } from '../../shared/keeping/index.ts';

/** The id of a new entry that was begun and not kept yet, so that what was written of it is found again; else a new one. */
function idOfNew(kind: string, known: readonly { id: string }[]): string {
  const shelf = browserShelf({ name: 'new-entry', subject: kind, schema: z.string() });
  const begun = shelf.read();
  if (begun && known.every(({ id }) => id !== begun)) return begun;
  const id = crypto.randomUUID();
  shelf.put(id);
  return id;
}

export const newPrinciple = (known: readonly { id: string }[]): BookPrinciple => blankPrinciple({ id: idOfNew('principle', known) });
export const newDrill = (known: readonly { id: string }[]): BookDrill => blankDrill({ id: idOfNew('drill', known) });
