import { ELEVATION, INTERVAL, machineKind, repeatability, SPEED } from '../machine-kind.ts';

export const kind = machineKind(
  'One-wheel portable',
  {
    sports: ['tennis', 'pickleball'],
    speedMph: [10, 45],
    elevationDeg: [0, 40],
    intervalS: [2, 7],
    spin: { kind: 'tied', rpmPerMps: 55 },
    aimedBy: 'sweep',
    power: 'battery',
    massKg: 12,
    bearingReachDeg: 12,
    wheelsDeg: [0],
    widestBallM: 0.076,
    safety: '',
    hopper: 70,
    releaseHeightM: 0.45,
    repeatability: repeatability(2.2, 0.7, 10),
  },
  [SPEED, ELEVATION, INTERVAL],
);
