export {
  balancedValue,
  isGroundControl,
  isNeutral,
  isOnTop,
  leanOfSpan,
  positionCodes,
  positionFamily,
  positionName,
  tilingFault,
  type Holder,
  type PositionCode,
  type PositionValues,
  type Span,
} from './position.ts';
export { bottomPostures, bottomPostureWords, postureText, topPostures, topPostureWords, type Posture } from './posture.ts';
