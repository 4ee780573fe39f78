import { type Dial, type DialMoves, type DialPlace, FIRST_SCALE, type Scale, shareOf } from '../dial/index.ts';
import type { MachineProfile } from './profile.ts';

const dial = (id: string, name: string, moves: DialMoves, scale: Partial<Scale> & Pick<Scale, 'kind'>, more: Partial<Dial> = {}): Dial => ({
  id,
  name,
  moves,
  wheel: null,
  scale: { ...FIRST_SCALE[scale.kind], ...scale },
  falling: false,
  curve: null,
  ...more,
});
const SPEED = dial('speed', 'Speed', 'speed', { kind: 'numbers' });
const ELEVATION = dial('elevation', 'Elevation', 'elevation', { kind: 'numbers', lo: 0, hi: 10, click: 0.5 });
const INTERVAL = dial('interval', 'Feed', 'interval', { kind: 'numbers', lo: 1, hi: 10, click: 1 }, { falling: true });
const wheel = (n: number, name: string): Dial =>
  dial(`wheel-${n}`, name, 'wheel', { kind: 'numbers', lo: 0, hi: 100, click: 1 }, { wheel: n });

/** Dials of each generic kind, to start from; common practice, from memory. A programmable machine is set in figures and has none. */
const KIND_DIALS: Record<string, readonly Dial[]> = {
  'Pocket tosser': [dial('height', 'Height', 'elevation', { kind: 'notches', hi: 3 })],
  'One-wheel portable': [SPEED, ELEVATION, INTERVAL],
  'Two-wheel portable': [SPEED, dial('spin', 'Spin', 'topspin', { kind: 'numbers', lo: -5, hi: 5, click: 1 }), ELEVATION, INTERVAL],
  'Holed-ball court machine': [SPEED, dial('spin', 'Spin', 'topspin', { kind: 'numbers', lo: -5, hi: 5, click: 1 }), ELEVATION, INTERVAL],
  'Lever-arm thrower': [
    dial('power', 'Power pin', 'speed', { kind: 'pins', hi: 5 }),
    dial('release', 'Release hole', 'elevation', { kind: 'notches', hi: 5 }),
    dial('screw', 'Height screw', 'elevation', { kind: 'turns', zero: 'arm level with the frame' }),
    dial('seams', 'Seam turns', 'elevation', { kind: 'turns', lo: -0.5, hi: 0.5, click: 0.25, zero: 'seams across the cup' }),
  ],
  'Two-wheel pitching machine': [
    wheel(1, 'Top wheel'),
    wheel(2, 'Bottom wheel'),
    dial('screw', 'Height screw', 'elevation', { kind: 'turns', lo: -8, hi: 8, zero: 'barrel level' }),
  ],
  'Three-wheel pitching machine': [
    wheel(1, 'Left wheel'),
    wheel(2, 'Right wheel'),
    wheel(3, 'Bottom wheel'),
    dial('screw', 'Height screw', 'elevation', { kind: 'turns', lo: -8, hi: 8, zero: 'barrel level' }),
  ],
};

/** Dials to start from, for a machine of this kind. */
export const firstDials = ({ kind }: Pick<MachineProfile, 'kind'>): Dial[] =>
  (KIND_DIALS[kind] ?? []).map((each) => ({ ...each, scale: { ...each.scale } }));

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
