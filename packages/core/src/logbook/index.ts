export { type StrokeGoal, strokeGoalSchema } from './goal-schema.ts';
export {
  atHalf,
  chanceOn,
  type KnownPlayer,
  mainReason,
  mayHalve,
  type NextOuting,
  type NextOutingQuestion,
  nextOuting,
  type OutingPart,
  type OutingRung,
  type PartReason,
  type PartRole,
  partsSchedule,
  planOfParts,
  type RungChance,
} from './next-outing.ts';
export { type Outlook, outlookOf } from './outlook.ts';
export {
  ballsToTell,
  type DayMarks,
  type LoggedRound,
  type PlayerProgress,
  progressOf,
  type RateProgress,
  type SideBySide,
  type SideName,
  type StrokeDay,
  type StrokeProgress,
  sideOf,
  type Trend,
} from './progress.ts';
export {
  outcomesOf,
  readSheet,
  SHEET_COLUMNS,
  type Sheet,
  type SheetFault,
  type SheetLine,
  type SheetNames,
  type SheetRound,
  writeSheet,
} from './sheet.ts';
