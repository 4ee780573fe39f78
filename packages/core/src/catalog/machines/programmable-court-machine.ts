import { machineKind, repeatability } from '../machine-kind.ts';

export const kind = machineKind('Programmable court machine', {
  sports: ['tennis'],
  speedMph: [15, 85],
  elevationDeg: [-5, 60],
  intervalS: [1.5, 12],
  spin: { kind: 'topspin', maxRpm: 3500 },
  aimedBy: 'program',
  power: 'mains',
  massKg: 38,
  bearingReachDeg: 20,
  wheelsDeg: [0, 180],
  widestBallM: 0.07,
  safety: '',
  hopper: 300,
  releaseHeightM: 0.9,
  repeatability: repeatability(1.2, 0.35, 6),
});
