export {
  bodyParts,
  bodySides,
  burdens,
  burdenWords,
  clashOf,
  isPaired,
  loadText,
  meets,
  mergedLoads,
  partWords,
  type BodyPart,
  type BodySide,
  type Burden,
  type Load,
  type Part,
} from './bodyParts.ts';
export { careSentence, cautionClasses, cautionNames, cautionWords, type CautionClass } from './caution.ts';
export {
  alarmKinds,
  alarmsIn,
  alarmWords,
  limitsOf,
  limitText,
  linesOf,
  openAlarms,
  partsInWords,
  proposedLimits,
  type AlarmKind,
  type Limit,
  type RequestLimits,
} from './limits.ts';
export { cautionAsks, loadsOf } from './loads.ts';
