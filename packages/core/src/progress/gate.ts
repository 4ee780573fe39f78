import { type Rate, wilsonRate } from './rate.ts';

/** The teaching schools behind the gates. */
export const APPROACHES = ['sweet-spot', 'earn-it', 'in-a-row', 'coachs-eye'] as const;
/** How a coach climbs: what opens the next rung. */
export type Approach = (typeof APPROACHES)[number];

/** Rates at which the sweet spot is left, and what it aims for (common practice, no source). */
export const SWEET_SPOT = { loosenAt: 0.3, tightenAt: 0.8, aimAt: 0.5 } as const;

/** What opens the next rung: so many hits of so many balls, or a streak. */
export type Need = { hits: number; of: number } | { streak: number };

/** A need as people say it: `7 of 10`, `5 in a row`. */
export const sayNeed = (need: Need): string => ('streak' in need ? `${need.streak} in a row` : `${need.hits} of ${need.of}`);

/** The gate that an approach begins with (common practice, no source). */
export const firstGate = (approach: Approach): Need =>
  approach === 'in-a-row' ? { streak: 5 } : approach === 'earn-it' ? { hits: 7, of: 10 } : { hits: 8, of: 10 };

/** The same for a round of so many balls: the share of them that the approach asks for, or a streak that fits into it. */
export function gateFor(approach: Approach, balls: number): Need {
  const first = firstGate(approach);
  return 'streak' in first ? { streak: Math.min(first.streak, balls) } : { hits: Math.ceil((first.hits / first.of) * balls), of: balls };
}

/** Fewer balls than these, and than half of what the gate asks for, tell nothing: a round that was broken off (our judgement). */
const FEWEST_BALLS = 3;

/** Whether so many balls tell enough to go up or down by their share. */
export function tellsEnough(need: Need, balls: number): boolean {
  const of = 'streak' in need ? need.streak : need.of;
  return balls >= Math.min(of, Math.max(FEWEST_BALLS, Math.ceil(of / 2)));
}

/** What may follow a round. */
export const VERDICTS = ['climb', 'stay', 'tighten', 'loosen'] as const;
/** What follows a round. */
export type Verdict = (typeof VERDICTS)[number];

/** A round, the gate it is held against, and the approach. */
export interface GateQuestion {
  approach: Approach;
  hits: number;
  balls: number;
  /** Longest run of hits; only a streak asks for it. */
  longestRun: number;
  need: Need;
}

/** The verdict on a round by its gate. */
export interface GateAnswer extends Pick<Rate, 'rate' | 'interval'> {
  verdict: Verdict;
}

/** Whether a round meets a need: a count within its balls, or as great a share of more balls; a streak by the longest run. */
export const gateMet = (need: Need, { hits, balls, longestRun }: { hits: number; balls: number; longestRun: number }): boolean =>
  'streak' in need ? longestRun >= need.streak : balls <= need.of ? hits >= need.hits : hits / balls >= need.hits / need.of;

/**
 * Judges a round by the rung’s approach: a sweet spot is tightened or loosened, a count or a streak opens the next rung, and under the coach’s eye
 * the figures only advise.
 */
export function judgeGate({ approach, hits, balls, longestRun, need }: GateQuestion): GateAnswer {
  const { rate, interval } = wilsonRate(hits, balls);
  const answer = (verdict: Verdict): GateAnswer => ({ rate, interval, verdict });
  // under the coach’s eye the figures only advise
  if (balls === 0 || approach === 'coachs-eye') return answer('stay');
  if (approach !== 'sweet-spot') return answer(gateMet(need, { hits, balls, longestRun }) ? 'climb' : 'stay');
  if (!tellsEnough(need, balls)) return answer('stay');
  return answer(rate >= SWEET_SPOT.tightenAt ? 'tighten' : rate <= SWEET_SPOT.loosenAt ? 'loosen' : 'stay');
}

/** The rate a gate asks for: of a count, hits over balls; of a streak, the chance a ball at which it comes within some 25 balls. */
export const rateAsked = (need: Need): number => ('streak' in need ? 0.5 ** (1 / need.streak) : need.hits / need.of);
