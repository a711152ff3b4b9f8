import type { BookDrill, BookPrinciple } from '@lean-mentor/core/book';

/** The id of a new entry that was begun and not kept yet, so that what was written of it is found again; else a new one. */
function idOfNew(kind: string, known: readonly { id: string }[]): string {
  const key = `lean-mentor book new ${kind}`;
  const begun = sessionStorage.getItem(key);
  if (begun && known.every(({ id }) => id !== begun)) return begun;
  const id = crypto.randomUUID();
  sessionStorage.setItem(key, id);
  return id;
}

export const blankPrinciple = (known: readonly { id: string }[]): BookPrinciple => ({
  ...{
    id: idOfNew('principle', known),
    name: '',
    area: 'guard',
    cue: '',
    good: '',
    why: '',
    where: [],
    chances: '',
    level: 1,
    prerequisites: [],
  },
  ...{ caution: 'general', techniques: [], variants: [], errors: [], drillIds: [], clipIds: [] },
});

export const blankDrill = (known: readonly { id: string }[]): BookDrill => ({
  ...{ id: idOfNew('drill', known), name: '', how: '', partner: 'helping', equipment: '', minutes: 5, caution: 'general' },
});
