export {
  curveAt,
  curveGradient,
  curveVariance,
  readingFor,
  shareOf,
} from './curve.ts';
export { type CurveShape, type DialCurve, dialCurveSchema } from './curve-schema.ts';
export { CURVE_PARAMS } from './curve-shape.ts';
export { type DialValue, dialValue } from './curve-value.ts';
export { DIAL_MOVES, type Dial, type DialMoves, type DialPlace, dialPlaceSchema, dialSchema, dialsSchema } from './dial.ts';
export {
  FIRST_SCALE,
  onClick,
  parseReading,
  printReading,
  readingsOf,
} from './scale.ts';
export { SCALE_KINDS, type Scale, type ScaleKind, scaleSchema } from './scale-schema.ts';
export { spinAxisDeg, type Throw, throwOf, wheelsFor } from './wheels.ts';
