import type { Count } from './compare.ts';
import { type Approach, gateMet, type Need, SWEET_SPOT, tellsEnough, type Verdict } from './gate.ts';

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
  /** Why the round is learnt from and opens nothing: its target was sized for who hits, or its speeds were secret. */
  forLearning?: 'own-target' | 'secret-speeds';
}

/** What a verdict rests on. */
export const NEXT_CODES = [
  'no-ball',
  'few-balls',
  'rounds-done',
  'rounds-left',
  'too-easy',
  'too-hard',
  'one-round',
  'good',
  'met',
  'not-met',
  'coach',
  'own-target',
  'secret-speeds',
] as const;

/** The one verdict on a player’s rounds on a rung, with what it rests on. */
export interface NextStep {
  verdict: Verdict;
  code: (typeof NEXT_CODES)[number];
  /** Of all rounds together, and the best of them; what was asked. */
  figures: {
    rounds: number;
    hits: number;
    balls: number;
    longestRun: number;
    best: { hits: number; balls: number };
    need: Need | null;
    roundsAsked: number;
  };
}

const together = (rounds: readonly RoundCount[]): Count =>
  rounds.reduce((sum, { hits, balls }) => ({ hits: sum.hits + hits, balls: sum.balls + balls }), { hits: 0, balls: 0 });

/** A climb at the sweet spot is sure enough when the rounds before did not speak against it (our judgement). */
const NOT_AGAINST = 0.7;

/**
 * The one verdict on a player on a rung, with its reason as a code: what every screen asks. It looks at all rounds since the last change. At the sweet spot a
 * climb is offered from eight of ten in the newest round unless the rounds before speak against it, nothing is loosened by one round alone, and a round
 * broken off after a ball or two tells neither: a player at 50 % is sent up or down within six rounds of ten in 16 of 100 cases, one at 80 % climbs within
 * three in 95 (40,000 simulated players).
 */
export function nextStep({ approach, need, roundsAsked, rounds, forLearning }: NextQuestion): NextStep {
  const { hits, balls } = together(rounds);
  const longestRun = Math.max(0, ...rounds.map((each) => each.longestRun));
  const counted = rounds.filter((each) => each.balls > 0);
  // of none hit the first is still the best
  const best = counted.reduce((a, b) => (a.balls === 0 || b.hits / b.balls > a.hits / a.balls ? b : a), { hits: 0, balls: 0 });
  const figures = {
    rounds: need === null ? rounds.length : counted.length,
    hits,
    balls,
    longestRun,
    best: { hits: best.hits, balls: best.balls },
    need,
    roundsAsked,
  };
  const answer = (verdict: Verdict, code: NextStep['code']): NextStep => ({ verdict, code, figures });
  if (forLearning) return answer('stay', forLearning);
  if (need === null) return rounds.length >= roundsAsked ? answer('climb', 'rounds-done') : answer('stay', 'rounds-left');
  const [newest] = counted;
  if (!newest) return answer('stay', 'no-ball');
  switch (approach) {
    case 'sweet-spot': {
      const isEasy = (some: readonly RoundCount[]): boolean => {
        const of = together(some);
        return tellsEnough(need, of.balls) && of.hits / of.balls >= SWEET_SPOT.tightenAt;
      };
      const won = isEasy([newest]) && hits / balls >= NOT_AGAINST;
      if (won || isEasy(counted.slice(0, 2))) return answer('climb', 'too-easy');
      if (!tellsEnough(need, balls)) return answer('stay', 'few-balls');
      if (hits / balls > SWEET_SPOT.loosenAt) return answer('stay', 'good');
      return counted.length === 1 ? answer('stay', 'one-round') : answer('loosen', 'too-hard');
    }
    case 'earn-it':
    case 'in-a-row':
      return counted.some((each) => gateMet(need, each)) ? answer('climb', 'met') : answer('stay', 'not-met');
    case 'coachs-eye':
      return answer('stay', 'coach');
  }
}
