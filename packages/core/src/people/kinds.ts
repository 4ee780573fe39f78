/** The parts of an outing: warm-up to what is learnt now to what counts. */
export const PLAN_ROLES = ['warm-up', 'main', 'test'] as const;

/** A season lasts so many days, and begins with so many balls a week. */
export const SEASON_BOUNDS = { days: [13, 366], ballsAWeek: [10, 3000] } as const;
