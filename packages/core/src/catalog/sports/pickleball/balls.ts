import { holed } from '../../../flight/laws.ts';
import type { Ball } from '../../record.ts';
import type { Sourced } from '../../types.ts';

const USAP: Sourced = { what: 'mass and size', source: 'USA Pickleball rulebook (0.78–0.935 oz, 2.87–2.97 in); quoted from memory' };
const DROP: Sourced = {
  what: 'bounce',
  source: 'Dropped from 78 in onto granite: 30–34 in (USA Pickleball equipment standards; quoted from memory); the middle, with drag',
};
const HOLED_CL: Sourced = { what: 'lift', source: 'Cl = S/(1 + 2.5 S): our assumption, no source', assumption: true };

const ball = (
  id: string,
  name: string,
  playedIn: 'hall' | 'open',
  massKg: number,
  cd: number,
  dropRestitution: number,
  drag: string,
): Ball => ({
  id: `pickleball-${id}`,
  name: `Pickleball, ${name}`,
  sport: 'pickleball',
  playedIn,
  massKg,
  radiusM: 0.0371,
  inertiaShare: 0.64,
  aero: holed(cd),
  dragFactor: 1,
  dropRestitution,
  hard: false,
  confidence: 'low',
  sources: [USAP, { what: 'drag', source: drag, assumption: true }, HOLED_CL, DROP],
});

export const balls: readonly Ball[] = [
  ball(
    'outdoor',
    'outdoor (40 holes)',
    'open',
    0.025,
    0.33,
    0.672,
    'Cd near 0.33 is reported in sports-engineering studies; quoted from memory',
  ),
  ball('indoor', 'indoor (26 holes)', 'hall', 0.0235, 0.45, 0.686, 'Cd 0.45: larger holes than the outdoor ball; our assumption'),
];
