import { dial, machineKind, repeatability } from '../machine-kind.ts';

export const kind = machineKind(
  'Lever-arm thrower',
  {
    sports: ['baseball'],
    speedMph: [25, 50],
    stepsMph: [25, 31, 37, 44, 50],
    elevationDeg: [0, 20],
    intervalS: [4, 60],
    spin: { kind: 'none', topspinRpm: -600 },
    aimedBy: 'hand',
    power: 'hand',
    massKg: 14,
    bearingReachDeg: 0,
    wheelsDeg: [],
    widestBallM: 0.076,
    safety: 'Keep clear of the arm while it is cocked.',
    hopper: 1,
    releaseHeightM: 1.0,
    repeatability: repeatability(1.5, 0.4, 10),
  },
  [
    dial('power', 'Power pin', 'speed', { kind: 'pins', hi: 5 }),
    dial('release', 'Release hole', 'elevation', { kind: 'notches', hi: 5 }),
    dial('screw', 'Height screw', 'elevation', { kind: 'turns', zero: 'arm level with the frame' }),
    dial('seams', 'Seam turns', 'elevation', { kind: 'turns', lo: -0.5, hi: 0.5, click: 0.25, zero: 'seams across the cup' }),
  ],
);
