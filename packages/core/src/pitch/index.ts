export type { Release } from './contact-time.ts';
export {
  type BattedBall,
  battedBall,
  FIELDER_READ_S,
  FIELDING_INTERVAL_S,
  type FieldedBall,
  fieldBall,
  fielderTime,
  type Play,
  reachM,
} from './fielding.ts';
export {
  bandOf,
  bandsOf,
  gameTimeS,
  HITTER_INTERVAL_S,
  type HitterTime,
  hitterIntervalEase,
  hitterTime,
} from './hitting.ts';
export { type Movement, movementOf } from './movement.ts';
export {
  type FlightPaceAnswer,
  type FlightPaceQuestion,
  paceFlight,
  paceRatio,
  type RatioAnswer,
  type RatioQuestion,
  type WallChart,
  wallChart,
} from './pace.ts';
export {
  FRAME_RATES,
  forGap,
  type GapOptions,
  hitterEye,
  type Pitch,
  type PitchPlace,
  type TwoPitches,
  twoPitches,
} from './two.ts';
export { heightKept, heightOf, strikeZoneOf, type ZoneQuestion } from './zone.ts';
