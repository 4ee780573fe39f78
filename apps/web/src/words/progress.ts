import { type Approach, climbsGoals, gateOf, type NextStep, type RungDocument, sayNeed, wilsonRate } from '@good-arc/core';

export const APPROACH_NAMES: Record<Approach, string> = {
  'sweet-spot': 'Sweet spot',
  'earn-it': 'Earn it',
  'in-a-row': 'In a row',
  'coachs-eye': 'Coach’s eye',
};

/** Each school in two sentences. */
export const APPROACH_WORDS: Record<Approach, string> = {
  'sweet-spot':
    'Learning is quickest where about half the balls succeed. Tighten at eight of ten, loosen at three of ten, and go down as gladly as up.',
  'earn-it': 'One rung is kept until a fixed count is met. Nobody is sent down; the count is what is earned.',
  'in-a-row': 'A streak without a miss opens the next rung. It trains nerve, and one miss begins it anew.',
  'coachs-eye': 'The coach marks whether the form held, not where the ball went. When to climb is the coach’s own call.',
};

/** `7 of 10 (could be 4 to 9)`: of ten what the true rate may be, by Wilson’s interval. */
export function sayCount(hits: number, balls: number): string {
  const [lo, hi] = wilsonRate(hits, balls).interval;
  return `${hits} of ${balls} (could be ${Math.round(lo * balls)} to ${Math.round(hi * balls)})`;
}

/** The gate of a rung. */
export function sayGate(card: Parameters<typeof gateOf>[0] & Pick<RungDocument, 'rounds' | 'matchPoints' | 'hitWith'>): string {
  const gate = gateOf(card);
  const points = card.matchPoints === undefined ? '' : card.matchPoints === 1 ? ' · 1 match point' : ` · ${card.matchPoints} match points`;
  if (!gate) return card.rounds === 1 ? '1 round done' : `${card.rounds} rounds done`;
  const grown = climbsGoals(card) ? ` in, then on the side, then in the target${card.hitWith ? `, then with ${card.hitWith}` : ''}` : '';
  return `${sayNeed(gate)}${grown}${points}`;
}

const many = (count: number): string => (count === 1 ? '1 round' : `${count} rounds`);

/** Why a player is to climb, stay or go down. */
export function sayStep({ code, figures }: NextStep): string {
  const { rounds, hits, balls, longestRun, best, need, roundsAsked } = figures;
  const said = rounds === 1 ? `${sayCount(hits, balls)}.` : `${sayCount(hits, balls)} in ${many(rounds)}.`;
  const top =
    need && 'streak' in need
      ? `The longest run is ${longestRun}.`
      : `${rounds === 1 ? '' : 'Best round '}${best.balls > 0 ? sayCount(best.hits, best.balls) : ''}.`;
  const asked = need ? sayNeed(need) : '';
  const words: Record<NextStep['code'], () => string> = {
    'no-ball': () => 'No ball has counted yet.',
    'few-balls': () => `${said} Too few balls to tell: hit the round out.`,
    'rounds-done': () => `${many(rounds)} done: nothing is counted on this rung.`,
    'rounds-left': () => `${rounds} of ${many(roundsAsked)} done: nothing is counted on this rung.`,
    'too-easy': () => `${said} That is too easy to learn from: the next rung, or a smaller target.`,
    'too-hard': () => `${said} That is too hard to learn from: a larger target, or the rung below.`,
    'one-round': () => `${said} One round tells little: once more before anything is made easier.`,
    good: () => `${said} That is where one learns: stay.`,
    met: () => `${top} ${asked} is met.`,
    'not-met': () => `${top} The rung asks for ${asked}: again.`,
    'secret-speeds': () => `${said} At speeds that nobody was told: it is learnt from, and opens no gate.`,
    'own-target': () => `${said} At a target for half of them: it is learnt from, and opens no gate.`,
    coach: () => `Form held in ${said} Whether to climb is the coach’s call.`,
  };
  return words[code]();
}
