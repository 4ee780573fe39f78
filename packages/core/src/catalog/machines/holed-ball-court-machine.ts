import { ELEVATION, INTERVAL, machineKind, repeatability, SPEED, SPIN } from '../machine-kind.ts';

export const kind = machineKind(
  'Holed-ball court machine',
  {
    sports: ['pickleball'],
    speedMph: [10, 60],
    elevationDeg: [-5, 50],
    intervalS: [2, 12],
    spin: { kind: 'topspin', maxRpm: 1500 },
    aimedBy: 'sweep',
    power: 'battery',
    massKg: 17,
    bearingReachDeg: 15,
    wheelsDeg: [0, 180],
    widestBallM: 0.076,
    safety: '',
    hopper: 130,
    releaseHeightM: 0.7,
    repeatability: repeatability(2, 0.5, 8),
  },
  [SPEED, SPIN, ELEVATION, INTERVAL],
);
