import { machineKind, repeatability } from '../machine-kind.ts';

export const kind = machineKind('Programmable field machine', {
  sports: ['baseball'],
  speedMph: [20, 95],
  elevationDeg: [-10, 85],
  intervalS: [4, 15],
  spin: { kind: 'any', maxRpm: 3000 },
  aimedBy: 'program',
  power: 'mains',
  massKg: 110,
  bearingReachDeg: 50,
  wheelsDeg: [300, 60, 180],
  widestBallM: 0.076,
  safety: 'Hands off the wheels until they stand still.',
  hopper: 24,
  releaseHeightM: 1.4,
  repeatability: repeatability(1, 0.3, 5),
});
