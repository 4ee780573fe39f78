export {
  ballsToTell,
  type LoggedRound,
  type PlayerProgress,
  progressOf,
  type RateProgress,
  type SideBySide,
  type StrokeDay,
  type StrokeProgress,
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
