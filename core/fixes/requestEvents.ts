import { linkedThings, type CodedCut, type CodedEvent, type DeskDocument } from '../desk/index.ts';
import type { HarmEvent } from './ownHarm.ts';

/** Something coded that notes are linked to, and where it lies. */
export interface RequestEvent extends HarmEvent {
  /** Index into the request's bouts. */
  bout: number;
  /** As of a note. */
  requestSeconds: number;
}

/**
 * The events and changes of position that anything is linked to. `placeOf` answers where one lies; null where its coding is not the one
 * that its bout goes by, so that it is not what happened.
 */
export function requestEventsOf(
  document: Pick<DeskDocument, 'notes' | 'events' | 'cuts'>,
  placeOf: (coded: CodedCut | CodedEvent) => Pick<RequestEvent, 'bout' | 'atSeconds' | 'requestSeconds'> | null,
): RequestEvent[] {
  const things = [...linkedThings(document).values()];
  const named = new Set(things.flatMap(({ causes }) => causes));
  return things.flatMap(({ id, causes }) => {
    const coded = document.events[id] ?? document.cuts[id];
    if (!coded || (causes.length === 0 && !named.has(id))) return [];
    const place = placeOf(coded);
    return place ? [{ id, causes, isFinish: 'kind' in coded && coded.kind === 'finish', ...place }] : [];
  });
}
