/** The kinds of order that feeds come in. */
export const ORDERS = ['fixed', 'alternate', 'blocks', 'bag', 'weighted', 'calls', 'player'] as const;
/** A kind of order. */
export type OrderKind = (typeof ORDERS)[number];

/** A spin that a player may be asked to hit with. */
export const HIT_WITH = ['topspin', 'underspin'] as const;

/** A rung has at most so many balls. */
export const MOST_FEEDS = 24;
