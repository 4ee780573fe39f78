import type { Dial, DialMoves } from '../dial/dial.ts';
import { FIRST_SCALE } from '../dial/scale.ts';
import type { Scale } from '../dial/scale-schema.ts';
import type { MachineProfile } from '../machine/profile.ts';
import { mphToMps } from '../quantity/index.ts';

interface Kind extends Omit<MachineProfile, 'kind' | 'speedMps' | 'speedSteps'> {
  speedMph: [number, number];
  stepsMph?: readonly number[];
}

/** 1 σ of speed, of both angles and of spin. */
export const repeatability = (speedPct: number, angleDeg: number, spinPct: number): MachineProfile['repeatability'] => ({
  speedPct,
  elevationDeg: angleDeg,
  bearingDeg: angleDeg,
  spinPct,
});

/** A dial to start from, before any tune-up. */
export const dial = (
  id: string,
  name: string,
  moves: DialMoves,
  scale: Partial<Scale> & Pick<Scale, 'kind'>,
  more: Partial<Dial> = {},
): Dial => ({ id, name, moves, wheel: null, scale: { ...FIRST_SCALE[scale.kind], ...scale }, falling: false, curve: null, ...more });
export const SPEED = dial('speed', 'Speed', 'speed', { kind: 'numbers' });
export const ELEVATION = dial('elevation', 'Elevation', 'elevation', { kind: 'numbers', lo: 0, hi: 10, click: 0.5 });
export const INTERVAL = dial('interval', 'Feed', 'interval', { kind: 'numbers', lo: 1, hi: 10, click: 1 }, { falling: true });
export const SPIN = dial('spin', 'Spin', 'topspin', { kind: 'numbers', lo: -5, hi: 5, click: 1 });
export const SCREW = dial('screw', 'Height screw', 'elevation', { kind: 'turns', lo: -8, hi: 8, zero: 'barrel level' });
export const wheel = (n: number, name: string): Dial =>
  dial(`wheel-${n}`, name, 'wheel', { kind: 'numbers', lo: 0, hi: 100, click: 1 }, { wheel: n });

/** A generic kind: what it can do, and the dials it is set with. */
export interface MachineKind {
  profile: MachineProfile;
  dials: readonly Dial[];
}

/** A kind of machine, with its speeds in the unit of the trade. @param dials none for one that is set in figures */
export const machineKind = (kind: string, { speedMph, stepsMph, ...rest }: Kind, dials: readonly Dial[] = []): MachineKind => ({
  profile: {
    kind,
    ...rest,
    ...(stepsMph && { speedSteps: stepsMph.map(mphToMps) }),
    speedMps: [mphToMps(speedMph[0]), mphToMps(speedMph[1])],
  },
  dials,
});
