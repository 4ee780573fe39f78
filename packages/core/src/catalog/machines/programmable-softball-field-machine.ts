import { machineKind, repeatability } from '../machine-kind.ts';

export const kind = machineKind('Programmable softball field machine', {
  sports: ['softball'],
  speedMph: [20, 75],
  elevationDeg: [-10, 85],
  intervalS: [4, 15],
  spin: { kind: 'any', maxRpm: 2500 },
  aimedBy: 'program',
  power: 'mains',
  massKg: 110,
  bearingReachDeg: 50,
  wheelsDeg: [300, 60, 180],
  widestBallM: 0.1,
  safety: 'Hands off the wheels until they stand still.',
  hopper: 20,
  releaseHeightM: 1.2,
  repeatability: repeatability(1.2, 0.35, 6),
});
