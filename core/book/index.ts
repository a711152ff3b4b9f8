export { cautionClasses, cautionNames, cautionWords, careSentence, clashesWith, type CautionClass } from './caution.ts';
export { bookFaults, prerequisiteCircle } from './bookFaults.ts';
export { blankDrill, blankPrinciple } from './blankEntries.ts';
export { buildsOn, restsOn } from './groundwork.ts';
export {
  areaNames,
  bookAreas,
  drillPartners,
  mostCueWords,
  partnerNames,
  placeRoles,
  stanceNames,
  stances,
  wordsIn,
  type BookArea,
  type BookDrill,
  type BookPrinciple,
  type DrillPartner,
  type PlaceRole,
  type Stance,
  type Variant,
} from './principle.ts';
