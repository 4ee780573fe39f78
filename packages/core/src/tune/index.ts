export { type Acceptance, acceptance, IN_A_ROW, inARow, isInZone, type Zone, zoneOf } from './accept.ts';
export {
  ELEVATION_SIGMA_DEG,
  MARK_SIGMA_M,
  RADAR_SIGMA_MPS,
  STOPWATCH_SIGMA_S,
  type TestBall,
  type TuneUp,
  testBallSchema,
  tuneUpSchema,
} from './ball.ts';
export type { Doubt } from './doubts.ts';
export { type Fit, fitDial, type Outlier } from './fit.ts';
export { firstReadings, mostUsefulReading } from './next.ts';
export type { LearntSigma } from './scatter.ts';
export { MOST_SHIFT, type Shift, shiftToday } from './shift.ts';
export type { FitQuestion } from './solve.ts';
export { curveFrom, fitTuneUp, isFlown, questionOf, standOf } from './tune-up.ts';
export { asideDeg, type Stand, speedFrom, spotAt } from './watch.ts';
