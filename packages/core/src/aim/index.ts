export { aim, REASON_TEXT } from './aim.ts';
export { arcFamily, type FamilyArc } from './family.ts';
export { type GameArrival, gameLaunch } from './game.ts';
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
  type Target,
  WIDEST_LIMITS,
} from './types.ts';
