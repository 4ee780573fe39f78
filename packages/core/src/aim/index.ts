export { aim } from './aim.ts';
export { arcFamily, arcFamilyInParts, type FamilyArc } from './family.ts';
export { type GameArrival, gameLaunch, releaseOf } from './game.ts';
export { MEETINGS, type MeetAnswer, type MeetHold, type Meeting, type MeetQuestion, type MeetSolution, meetBall } from './meet.ts';
export { distanceToHold } from './nearest.ts';
export { type BlockedPart, possibleArcs } from './possible.ts';
export type { Arc } from './probe.ts';
export { REASON_TEXT } from './reason-text.ts';
export {
  type AimAnswer,
  type AimQuestion,
  type Blocked,
  type Hold,
  type Limits,
  type Nearest,
  type Point3,
  type ReasonCode,
  type Solution,
  type Spin,
  spinAt,
  type Target,
  WIDEST_LIMITS,
} from './types.ts';
