import { targetNames } from '../../court.ts';
import type { SportRecord } from '../../record.ts';
import { DEEP, shared } from '../net/index.ts';
import { balls } from './balls.ts';
import { court, SERVICE_LINE_M } from './court.ts';
import { gameBalls } from './game-balls.ts';
import { surfaces } from './surfaces.ts';

export const record: SportRecord = {
  ...shared,
  id: 'tennis',
  name: 'Tennis',
  place: 1,
  balls,
  surfaces,
  court,
  gameBalls,
  first: { gameBall: 'rally-drive', built: 'rally-drive' },
  windyMps: 6,
  targetNames: targetNames(DEEP, ['left service box', 'short middle', 'right service box']),
  play: {
    kind: 'net',
    shortM: SERVICE_LINE_M,
    areaNames: { deep: 'past the service line', short: 'in a service box' },
    nonVolleyM: null,
    reachM: 0.75,
    // common practice, no source
    places: [
      { name: 'From near the net', y: -1.2, playerY: -7.1 },
      { name: 'From inside the service box', y: -5.6, playerY: -12.1 },
      { name: 'From the far service line', y: 6.6 },
    ],
    atNetY_m: -2.8,
  },
};
