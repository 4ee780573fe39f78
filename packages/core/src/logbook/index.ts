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
