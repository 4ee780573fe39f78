/** Machines besides the first that a card may have. */
export const MOST_OTHERS = 3;
