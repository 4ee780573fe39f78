/** So many hit in one round, those included who came in for others. */
export const MOST_HITTERS = 12;
