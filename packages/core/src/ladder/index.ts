export { gameBallAt, intoThirds, mirrorRung, rungAtLevel, swapSides } from './alter.ts';
export { type Built, buildLadder, type Help, type Missing } from './build.ts';
export type { BuildQuestion } from './candidates.ts';
export { CHANGES, type Change, changesBetween, type Step, stepBetween } from './change.ts';
export { DEMAND_PARTS, type Demand, type DemandPart } from './demand.ts';
export { evenOut } from './even.ts';
export {
  type JudgeContext,
  type JudgedRung,
  type Judgement,
  judgeRung,
  type NotJudged,
  needsName,
  notJudged,
  wholly,
} from './judge.ts';
export type { JudgedBall, Share } from './judged.ts';
export { type Meet, throwToMeet } from './meeting.ts';
export { inSecret, SECRET_SPEEDS, type SecretSpeed, secretSpeedOf } from './secret.ts';
export { SPOILT, type SpoiledBalls, type Spoilt, spoiledBy } from './spoiled.ts';
export { type AimedBall, throwInTime, throwLikeGame, throwTo } from './throwing.ts';
export { type ForToday, forToday, type MachineTrim, NO_TRIM, nudged, type TodayChange, trimAll } from './today.ts';
export { type NextTrim, nextTrim, type TrimAdvice } from './trims.ts';
export type { Venue } from './venue.ts';
export { canThrowInOrder, handBetween, type MachineWorry } from './worries.ts';
