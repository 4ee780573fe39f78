import { targetNames } from '../../court.ts';
import type { SportRecord } from '../../record.ts';
import { DEEP, shared } from '../net/index.ts';
import { balls } from './balls.ts';
import { court, NON_VOLLEY_LINE_M } from './court.ts';
import { gameBalls } from './game-balls.ts';
import { surfaces } from './surfaces.ts';

export const record: SportRecord = {
  ...shared,
  id: 'pickleball',
  name: 'Pickleball',
  place: 2,
  balls,
  surfaces,
  court,
  gameBalls,
  first: { gameBall: 'deep-return', built: 'drive' },
  windyMps: 3.5,
  targetNames: targetNames(DEEP, ['non-volley zone, left', 'non-volley zone, middle', 'non-volley zone, right']),
  play: {
    kind: 'net',
    shortM: NON_VOLLEY_LINE_M,
    areaNames: { deep: 'past the non-volley line', short: 'in the non-volley zone' },
    nonVolleyM: NON_VOLLEY_LINE_M,
    reachM: 0.55,
    // common practice, no source
    places: [
      { name: 'From near the net', y: -0.8, playerY: -5.2 },
      { name: 'From the far non-volley line', y: 2.4 },
      { name: 'From the far mid-court', y: 4.6 },
    ],
    atNetY_m: -2.35,
  },
};
