import { ELEVATION, INTERVAL, machineKind, repeatability, SPEED, SPIN } from '../machine-kind.ts';

export const kind = machineKind(
  'Programmable holed-ball machine',
  {
    sports: ['pickleball'],
    speedMph: [8, 60],
    elevationDeg: [-5, 50],
    intervalS: [2, 12],
    spin: { kind: 'topspin', maxRpm: 1800 },
    aimedBy: 'program',
    power: 'mains',
    massKg: 24,
    bearingReachDeg: 22,
    wheelsDeg: [0, 180],
    widestBallM: 0.076,
    safety: '',
    hopper: 130,
    releaseHeightM: 0.7,
    repeatability: repeatability(1.5, 0.4, 6),
  },
  [SPEED, SPIN, ELEVATION, INTERVAL],
);
