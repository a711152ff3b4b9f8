import { nothingAsked, type BookDrill, type BookPrinciple } from './principle.ts';

/** A principle that has been given no more than a name, or not even that. */
export const blankPrinciple = (given: Pick<BookPrinciple, 'id'> & Partial<BookPrinciple>): BookPrinciple => ({
  name: '',
  area: 'guard',
  cue: '',
  good: '',
  why: '',
  where: [],
  chances: '',
  level: 1,
  prerequisites: [],
  caution: 'general',
  loads: nothingAsked(),
  attire: 'either',
  techniques: [],
  variants: [],
  errors: [],
  drillIds: [],
  clipIds: [],
  ...given,
});

export const blankDrill = (given: Pick<BookDrill, 'id'> & Partial<BookDrill>): BookDrill => ({
  name: '',
  how: '',
  partner: 'helping',
  equipment: '',
  minutes: 5,
  caution: 'general',
  loads: nothingAsked(),
  attire: 'either',
  ...given,
});
