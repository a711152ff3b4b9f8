import { ofFootage, type DeskDocument } from '@lean-mentor/core/desk';
import { useMemo } from 'react';

/**
 * Of a shelf what stands on one footage: the same object as long as that shelf does not change, so that an edit redraws only what it is
 * about.
 */
const useShelf = <T extends { footageId: string }>(things: Record<string, T>, footageId: string): Record<string, T> =>
  useMemo(() => ofFootage(things, footageId), [things, footageId]);

/** What of a desk stands on one footage; what belongs to none stays as it is. */
export function useDeskOfFootage(document: DeskDocument, footageId: string): DeskDocument {
  const marks = useShelf(document.marks, footageId);
  const notes = useShelf(document.notes, footageId);
  const drawings = useShelf(document.drawings, footageId);
  const measures = useShelf(document.measures, footageId);
  const looks = useShelf(document.looks, footageId);
  const codings = useShelf(document.codings, footageId);
  const cuts = useShelf(document.cuts, footageId);
  const events = useShelf(document.events, footageId);
  const threats = useShelf(document.threats, footageId);
  const overrides = useShelf(document.overrides, footageId);
  return useMemo(
    () => ({ ...document, marks, notes, drawings, measures, looks, codings, cuts, events, threats, overrides }),
    [document, marks, notes, drawings, measures, looks, codings, cuts, events, threats, overrides],
  );
}
