import type { TakeEvent } from '@lean-mentor/core/takes';

/** The footages that a take compares, each once. */
export const comparedIds = (events: readonly TakeEvent[]): string[] => {
  const shown = events.flatMap((event) => (event.kind === 'compare' ? event.shown : event.kind === 'stage' ? event.compare : null) ?? []);
  return [...new Set(shown.flatMap(({ items }) => items.map(({ footageId }) => footageId)))];
};
