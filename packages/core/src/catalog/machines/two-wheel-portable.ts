import { ELEVATION, INTERVAL, machineKind, repeatability, SPEED, SPIN } from '../machine-kind.ts';

export const kind = machineKind(
  'Two-wheel portable',
  {
    sports: ['tennis'],
    speedMph: [10, 65],
    elevationDeg: [0, 50],
    intervalS: [2, 12],
    spin: { kind: 'topspin', maxRpm: 2000 },
    aimedBy: 'sweep',
    power: 'battery',
    massKg: 19,
    bearingReachDeg: 15,
    wheelsDeg: [0, 180],
    widestBallM: 0.07,
    safety: '',
    hopper: 150,
    releaseHeightM: 0.55,
    repeatability: repeatability(1.8, 0.5, 8),
  },
  [SPEED, SPIN, ELEVATION, INTERVAL],
);
