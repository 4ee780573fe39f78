import { machineKind, repeatability, SCREW, wheel } from '../machine-kind.ts';

export const kind = machineKind(
  'Two-wheel pitching machine',
  {
    sports: ['baseball'],
    speedMph: [25, 75],
    elevationDeg: [-5, 60],
    intervalS: [6, 15],
    spin: { kind: 'topspin', maxRpm: 2500 },
    aimedBy: 'hand',
    power: 'mains',
    massKg: 45,
    bearingReachDeg: 0,
    wheelsDeg: [0, 180],
    widestBallM: 0.076,
    safety: 'Hands off the wheels until they stand still.',
    hopper: 14,
    releaseHeightM: 1.35,
    repeatability: repeatability(1.2, 0.35, 7),
  },
  [wheel(1, 'Top wheel'), wheel(2, 'Bottom wheel'), SCREW],
);
