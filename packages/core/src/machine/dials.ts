import { type Dial, type DialMoves, type DialPlace, shareOf } from '../dial/index.ts';
import type { MachineProfile } from './profile.ts';

/**
 * What a dial should give from its lowest to its highest reading before it is tuned: the machine's limits, in the unit of what it moves.
 * A wheel's skin runs at the speed of the ball, a fifth more or less for the spin.
 */
export function expectedRange({ speedMps, elevationDeg, intervalS, spin }: MachineProfile, moves: DialMoves): [lo: number, hi: number] {
  switch (moves) {
    case 'speed':
      return [...speedMps];
    case 'wheel':
      return [0.8 * speedMps[0], 1.2 * speedMps[1]];
    case 'elevation':
      return [...elevationDeg];
    case 'interval':
      return [...intervalS];
    case 'bearing':
      return [-20, 20];
    case 'topspin':
    case 'sidespin': {
      const most = spin.kind === 'topspin' || spin.kind === 'any' ? spin.maxRpm : 1000;
      return [-most, most];
    }
  }
}

/** Where a dial stands, for the simulation: its share of the way to what its highest value gives. */
export function placeOfDial({ moves, scale, falling }: Dial, reading: number, profile: MachineProfile): DialPlace {
  const share = shareOf(scale, reading);
  return { moves, share: falling ? 1 - share : share, expected: expectedRange(profile, moves) };
}
