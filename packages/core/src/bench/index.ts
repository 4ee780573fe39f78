export { type AirEffect, airEffect, USUAL_AIR } from './air.ts';
export {
  type Arrangement,
  armAt,
  arrange,
  type BenchComfort,
  type FamilyMember,
  throwGameBall,
} from './arrange.ts';
export { heldOf } from './held.ts';
export { type Allows, bestPlace, closestToGame, FIT_FIGURES, type FitFigure, fitOf, fitParts, type Match } from './match.ts';
export { setupToMeet } from './meet.ts';
export { type RungChoices, rungFromSetup, setupFromRung } from './rung.ts';
export { fieldingSetup, firstSetup, placeQuestion } from './setup.ts';
export { type Setup, setupSchema } from './setup-schema.ts';
export { inSlot, standsInSlot } from './slot.ts';
export { type Arrival, conditionsOf, flightsOf, planOf, type Thrown, throwBall } from './throw.ts';
