export {
  CURVE_PARAMS,
  type CurveShape,
  curveAt,
  curveGradient,
  curveVariance,
  type DialCurve,
  type DialValue,
  dialCurveSchema,
  dialValue,
  readingFor,
  shareOf,
} from './curve.ts';
export { DIAL_MOVES, type Dial, type DialMoves, type DialPlace, dialPlaceSchema, dialSchema, dialsSchema } from './dial.ts';
export {
  FIRST_SCALE,
  onClick,
  parseReading,
  printReading,
  readingsOf,
  SCALE_KINDS,
  type Scale,
  type ScaleKind,
  scaleSchema,
} from './scale.ts';
export { spinAxisDeg, type Throw, throwOf, wheelsFor } from './wheels.ts';
