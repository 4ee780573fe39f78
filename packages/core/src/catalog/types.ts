/** Levels of play, from the first. */
export const LEVELS = ['Starting', 'Building', 'Competing', 'Advanced'] as const;
/** A level of play. */
export type Level = (typeof LEVELS)[number];

/** How a ball is met. */
export const STROKES = ['groundstroke', 'volley', 'swing'] as const;
/** Which preparation a ball needs: a groundstroke, a volley, or a bat swing. */
export type Stroke = (typeof STROKES)[number];

/** Where a figure comes from; `assumption` marks those that rest on our own judgement. */
export interface Sourced {
  what: string;
  source: string;
  assumption?: boolean;
}

/** A place on the ground, m, in the frame of the court. */
export interface Place {
  x: number;
  y: number;
}
