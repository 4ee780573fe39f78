export { OUTCOME_NAMES, OUTCOMES, type Outcome, tally } from './outcome.ts';
export { type Rate, wilsonRate } from './rate.ts';
