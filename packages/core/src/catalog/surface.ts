import type { Surface } from './record.ts';
import type { Sport } from './sports/names.ts';
import type { Sourced } from './types.ts';

const representative: Sourced = {
  what: 'bounce',
  source: 'Representative value; bounce law after Brody 1984 and R. Cross 2002, quoted from memory. Two courts of one kind differ.',
  assumption: true,
};

/** Where nothing else is said, a rolling ball slows down by so much (our assumption). */
const ROLL_MPS2 = 2;

/** A surface that grips without rebound. @param rollMps2 loss of speed of a rolling ball */
export const surface = (
  sport: Sport,
  kind: string,
  name: string,
  restitution: number,
  friction: number,
  rollMps2 = ROLL_MPS2,
): Surface => ({
  id: `${sport}-${kind}`,
  name,
  sport,
  restitution,
  friction,
  tangentialRestitution: 0,
  rollMps2,
  source: representative,
});
