export {
  leanOfSpan,
  positionCodes,
  positionFamily,
  positionName,
  tilingFault,
  type Holder,
  type PositionCode,
  type Span,
} from './position.ts';
export { leanRibbon, ribbonOutline, type RibbonKnot } from './leanRibbon.ts';
export { ruleSheetNames, ruleSheetWords, type RuleSheetName } from './ruleSheet.ts';
