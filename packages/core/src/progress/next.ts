import { type Approach, gateMet, type Need, SWEET_SPOT, sayNeed, type Verdict } from './gate.ts';
import { wilsonRate } from './rate.ts';

/** What a round came to, of balls that count. */
export interface RoundCount {
  hits: number;
  balls: number;
  longestRun: number;
}

/** A player on a rung, since anything of it was changed. */
export interface NextQuestion {
  approach: Approach;
  /** Null where no ball counts (watched, or only loaded for): such a rung opens the next by rounds that were done. */
  need: Need | null;
  /** Rounds the rung asks for. */
  roundsAsked: number;
  /** Newest first. */
  rounds: readonly RoundCount[];
}

export const NEXT_CODES = [
  'no-ball',
  'rounds-done',
  'rounds-left',
  'too-easy',
  'too-hard',
  'one-round',
  'good',
  'met',
  'not-met',
  'coach',
] as const;

export interface NextStep {
  verdict: Verdict;
  code: (typeof NEXT_CODES)[number];
  /** Of all rounds together. */
  figures: { rounds: number; hits: number; balls: number; longestRun: number };
  reason: string;
}

/** A climb at the sweet spot is sure enough when the rounds before did not speak against it (our judgement). */
const NOT_AGAINST = 0.7;

/** `7 of 10 (could be 4 to 9)`: of ten what the true rate may be, by Wilson’s interval. */
export function sayCount(hits: number, balls: number): string {
  const [lo, hi] = wilsonRate(hits, balls).interval;
  return `${hits} of ${balls} (could be ${Math.round(lo * balls)} to ${Math.round(hi * balls)})`;
}

/**
 * The one verdict on a player on a rung, with its reason: what every screen says. It looks at all rounds since the last change. At the sweet spot a
 * climb is offered from eight of ten in the newest round unless the rounds before speak against it, and nothing is loosened by one round alone: a
 * player at 50 % is sent up or down within six rounds of ten in 16 of 100 cases, one at 80 % climbs within three in 95 (40,000 simulated players).
 */
export function nextStep({ approach, need, roundsAsked, rounds }: NextQuestion): NextStep {
  const hits = rounds.reduce((sum, each) => sum + each.hits, 0);
  const balls = rounds.reduce((sum, each) => sum + each.balls, 0);
  const longestRun = Math.max(0, ...rounds.map((each) => each.longestRun));
  const figures = { rounds: rounds.length, hits, balls, longestRun };
  const answer = (verdict: Verdict, code: NextStep['code'], reason: string): NextStep => ({ verdict, code, figures, reason });
  const many = (count: number): string => (count === 1 ? '1 round' : `${count} rounds`);
  if (need === null)
    return rounds.length >= roundsAsked
      ? answer('climb', 'rounds-done', `${many(rounds.length)} done: nothing is counted on this rung.`)
      : answer('stay', 'rounds-left', `${rounds.length} of ${many(roundsAsked)} done: nothing is counted on this rung.`);
  const counted = rounds.filter((each) => each.balls > 0);
  const [newest] = counted;
  if (!newest) return answer('stay', 'no-ball', 'No ball has counted yet.');
  const said = counted.length === 1 ? `${sayCount(hits, balls)}.` : `${sayCount(hits, balls)} in ${many(counted.length)}.`;
  switch (approach) {
    case 'sweet-spot': {
      const share = (some: readonly RoundCount[]): number =>
        some.reduce((sum, each) => sum + each.hits, 0) / some.reduce((sum, each) => sum + each.balls, 0);
      const two = counted.slice(0, 2);
      const won = share([newest]) >= SWEET_SPOT.tightenAt && hits / balls >= NOT_AGAINST;
      if (won || (two.length === 2 && share(two) >= SWEET_SPOT.tightenAt))
        return answer('climb', 'too-easy', `${said} That is too easy to learn from: the next rung, or a smaller target.`);
      if (hits / balls > SWEET_SPOT.loosenAt) return answer('stay', 'good', `${said} That is where one learns: stay.`);
      return counted.length === 1
        ? answer('stay', 'one-round', `${said} One round tells little: once more before anything is made easier.`)
        : answer('loosen', 'too-hard', `${said} That is too hard to learn from: a larger target, or the rung below.`);
    }
    case 'earn-it':
    case 'in-a-row': {
      const met = counted.some((each) => gateMet(need, each));
      const top = counted.reduce((a, b) => (b.hits / b.balls > a.hits / a.balls ? b : a));
      const best =
        'streak' in need
          ? `The longest run is ${longestRun}.`
          : `${counted.length === 1 ? '' : 'Best round '}${sayCount(top.hits, top.balls)}.`;
      return met
        ? answer('climb', 'met', `${best} ${sayNeed(need)} is met.`)
        : answer('stay', 'not-met', `${best} The rung asks for ${sayNeed(need)}: again.`);
    }
    case 'coachs-eye':
      return answer('stay', 'coach', `Form held in ${said} Whether to climb is the coach’s call.`);
  }
}
