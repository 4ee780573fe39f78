export { type AirEffect, airEffect, USUAL_AIR } from './air.ts';
export {
  type Arrangement,
  type Arrival,
  arrange,
  type BenchComfort,
  type FamilyMember,
  type Thrown,
  throwBall,
  throwGameBall,
} from './arrange.ts';
export { heldOf } from './held.ts';
export { type Allows, bestPlace, closestToGame, FIT_FIGURES, type FitFigure, fitOf, fitParts, type Match } from './match.ts';
export { setupToMeet } from './meet.ts';
export { flightsOf, type RungChoices, rungFromSetup, setupFromRung } from './rung.ts';
export { conditionsOf, fieldingSetup, firstSetup, placeQuestion, planOf } from './setup.ts';
export { type Setup, setupSchema } from './setup-schema.ts';
