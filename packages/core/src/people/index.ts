export { ageIn, mostSwings } from './day-cap.ts';
export { type FitBy, fitPlan, type PlanFit } from './fit.ts';
export { type Call, callSheet, PLAN_ROLES, type PlanDocument, type PlannedTurn, planSchema, type Schedule, scheduleOf } from './plan.ts';
export { countAt, type RotationQuestion, rotate, STATIONS, type Station, type Turn } from './rotation.ts';
export {
  SEASON_BOUNDS,
  type Season,
  type SeasonDocument,
  type SeasonPace,
  type SeasonWeek,
  seasonSchema,
  seasonWeeks,
  type WeekFact,
  type WeekKind,
  weekdayOf,
  weekFact,
} from './season.ts';
