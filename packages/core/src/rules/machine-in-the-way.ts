import type { Found, Rule } from './subject/subject.ts';

export type Hazard = Found<'machine-in-the-way'>;

/** The way to the target leads past the machine. */
export const rule: Rule<Hazard> = ({ balls }) =>
  balls.some(({ pastMachine }) => pastMachine) ? { code: 'machine-in-the-way', weight: 'note', figures: {} } : null;
