import { machineKind, repeatability, SCREW, wheel } from '../machine-kind.ts';

export const kind = machineKind(
  'Three-wheel pitching machine',
  {
    sports: ['baseball'],
    speedMph: [30, 95],
    elevationDeg: [-10, 60],
    intervalS: [6, 60],
    spin: { kind: 'any', maxRpm: 3000 },
    aimedBy: 'hand',
    power: 'mains',
    massKg: 55,
    bearingReachDeg: 0,
    wheelsDeg: [300, 60, 180],
    widestBallM: 0.076,
    safety: 'Hands off the wheels until they stand still.',
    hopper: 1,
    releaseHeightM: 1.5,
    repeatability: repeatability(1, 0.3, 5),
  },
  [wheel(1, 'Left wheel'), wheel(2, 'Right wheel'), wheel(3, 'Bottom wheel'), SCREW],
);
