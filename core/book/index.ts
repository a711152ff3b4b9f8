export { bookFaults, prerequisiteCircle } from './bookFaults.ts';
export { bookContradictions, type Contradiction } from './contradictions.ts';
export { readingGrade } from './readingAge.ts';
export { blankDrill, blankPrinciple } from './blankEntries.ts';
export { buildsOn, restsOn } from './groundwork.ts';
export {
  areaNames,
  bookAttires,
  bookAreas,
  drillPartners,
  mostCueWords,
  nothingAsked,
  partnerNames,
  placeRoles,
  stanceNames,
  stances,
  wordsIn,
  type Asks,
  type BookArea,
  type BookAttire,
  type BookDrill,
  type BookPrinciple,
  type DrillPartner,
  type PlaceRole,
  type Stance,
  type Variant,
} from './principle.ts';
export {
  asksOf,
  clashesOf,
  clashSentence,
  asksOfDrill,
  asksOfPrinciple,
  drillClashes,
  principleClashes,
  sparedOf,
  sparesAll,
  sparingFirst,
  type Asking,
  type Clash,
  type Spared,
} from './bookLoads.ts';
