export { ballsToCount, ballsToStreak } from './climb.ts';
export { type Comparison, type Count, compareRates } from './compare.ts';
export {
  APPROACHES,
  type Approach,
  firstGate,
  type GateAnswer,
  type GateQuestion,
  gateFor,
  gateMet,
  judgeGate,
  type Need,
  rateAsked,
  SWEET_SPOT,
  sayNeed,
  tellsEnough,
  VERDICTS,
  type Verdict,
} from './gate.ts';
export { chanceOf, targetFor } from './hit-chance.ts';
export { NEXT_CODES, type NextQuestion, type NextStep, nextStep, type RoundCount } from './next.ts';
export { type Operating, operatingTable } from './operating.ts';
export { longestRun, OUTCOMES, type Outcome, outcomesByNumber, tally } from './outcome.ts';
export {
  type AnswersTold,
  type Attempt,
  type AttemptRound,
  clubAnswers,
  demandTimes,
  OWN_FROM_BALLS,
  type OwnScatter,
  ownScatter,
  type ScatterChance,
  type ScatterNow,
} from './own-scatter.ts';
export { FIRST_SHARE, firstTargetFor, scatterAt } from './players.ts';
export { type Rate, wilsonRate, Z975 } from './rate.ts';
export { chanceToMeet, firstShareFor } from './share.ts';
export { studentT975 } from './student.ts';
export { MOST_OFF_MS, type TapTiming, tapTiming } from './tap.ts';
export { rateAt, roundWidthFor, SURE_WIDTH, type Width, type WidthAdvice, widthAdvice, widthAt, widthFor } from './width.ts';
