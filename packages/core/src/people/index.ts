export { ageIn, mostSwings } from './day-cap.ts';
export { type FitBy, fitPlan, type PlanFit } from './fit.ts';
export { PLAN_ROLES, SEASON_BOUNDS } from './kinds.ts';
export { type Call, callSheet, type PlannedTurn, type Schedule, scheduleOf } from './plan.ts';
export { type PlanDocument, planSchema } from './plan-schema.ts';
export { countAt, type RotationQuestion, rotate, STATIONS, type Station, type Turn } from './rotation.ts';
export {
  type Season,
  type SeasonPace,
  type SeasonWeek,
  seasonWeeks,
  type WeekFact,
  type WeekKind,
  weekdayOf,
  weekFact,
} from './season.ts';
export { type SeasonDocument, seasonSchema } from './season-schema.ts';
