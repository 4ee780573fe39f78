import type { Approach, Need } from './gate.ts';
import { FIRST_SHARE } from './players.ts';

/** Chance to meet a need in one round of so many balls, each a hit with the chance `rate`. A count of more balls than the round has is met by its share. */
export function chanceToMeet(need: Need, balls: number, rate: number): number {
  if ('streak' in need) {
    // by the length of the run that is going on
    let runs = [1, ...Array<number>(need.streak - 1).fill(0)];
    let met = 0;
    for (let ball = 0; ball < balls; ball++) {
      met += runs.at(-1)! * rate;
      runs = [runs.reduce((sum, chance) => sum + chance, 0) * (1 - rate), ...runs.slice(0, -1).map((chance) => chance * rate)];
    }
    return met;
  }
  const asked = Math.min(balls, balls <= need.of ? need.hits : Math.ceil((need.hits / need.of) * balls));
  let [chance, sum] = [(1 - rate) ** balls, 0];
  for (let hits = 0; hits <= balls; hits++) {
    if (hits >= asked) sum += chance;
    chance *= ((balls - hits) / (hits + 1)) * (rate / (1 - rate));
  }
  return Math.min(1, sum);
}

/** A gate should be met within so many rounds. */
const ROUNDS = 3;
const MOST = 0.95;

/**
 * How often a first target should be hit: four or five of ten, unless the rung has to be earned; then as often as lets a player expect to meet the need
 * within three rounds.
 */
export function firstShareFor(approach: Approach, need: Need, balls: number): number {
  if (approach === 'coachs-eye' || (approach === 'sweet-spot' && !('streak' in need))) return FIRST_SHARE;
  let share = FIRST_SHARE;
  while (share < MOST && chanceToMeet(need, balls, share) < 1 / ROUNDS) share += 0.01;
  return Math.min(MOST, share);
}
