export const SPORTS = ['tennis', 'pickleball', 'baseball'] as const;
export type Sport = (typeof SPORTS)[number];

export const LEVELS = ['Starting', 'Building', 'Competing', 'Advanced'] as const;
export type Level = (typeof LEVELS)[number];

/** Where a figure comes from; `assumption` marks those that rest on our own judgement. */
export interface Sourced {
  what: string;
  source: string;
  assumption?: boolean;
}
