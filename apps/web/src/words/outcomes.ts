import { diamondOf, isToFielders, type Outcome, type RungDocument, type Sport } from '@good-arc/core';

type Names = Record<Outcome, string>;
const NONE = { 'not-fed': 'Not fed', 'not-judged': 'Not judged' } as const;
const LANDED: Names = { in: 'In', near: 'Near', out: 'Out', 'let-go': 'Let go', ...NONE };
const STRUCK: Names = { in: 'Hit', near: 'Foul', out: 'Miss', 'let-go': 'Took', ...NONE };
const CAUGHT: Names = { in: 'Clean', near: 'Bobbled', out: 'Missed', 'let-go': 'Left', ...NONE };

/** What may become of a ball, in the words of who plays it: over a net it lands, a hitter strikes it, a fielder takes it. */
export function outcomeNames(sport: Sport, { feeds }: Pick<RungDocument, 'feeds'>): Names {
  if (!diamondOf(sport)) return LANDED;
  return feeds.some(({ target }) => isToFielders(sport, target)) ? CAUGHT : STRUCK;
}
