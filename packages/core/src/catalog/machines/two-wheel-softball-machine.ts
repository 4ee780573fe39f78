import { machineKind, repeatability, SCREW, wheel } from '../machine-kind.ts';

export const kind = machineKind(
  'Two-wheel softball machine',
  {
    sports: ['softball'],
    speedMph: [25, 70],
    elevationDeg: [-5, 60],
    intervalS: [6, 15],
    spin: { kind: 'topspin', maxRpm: 2000 },
    aimedBy: 'hand',
    power: 'mains',
    massKg: 42,
    bearingReachDeg: 0,
    wheelsDeg: [0, 180],
    widestBallM: 0.1,
    safety: 'Hands off the wheels until they stand still.',
    hopper: 12,
    releaseHeightM: 0.8,
    repeatability: repeatability(1.4, 0.4, 8),
  },
  [wheel(1, 'Top wheel'), wheel(2, 'Bottom wheel'), SCREW],
);
