import { dial, machineKind, repeatability } from '../machine-kind.ts';

export const kind = machineKind(
  'Pocket tosser',
  {
    sports: ['tennis'],
    speedMph: [15, 15],
    elevationDeg: [20, 60],
    elevationSteps: [20, 40, 60],
    intervalS: [5, 5],
    spin: { kind: 'none', topspinRpm: 0 },
    aimedBy: 'hand',
    power: 'battery',
    massKg: 2,
    bearingReachDeg: 0,
    wheelsDeg: [],
    widestBallM: 0.07,
    safety: '',
    hopper: 28,
    releaseHeightM: 0.35,
    repeatability: repeatability(2.5, 0.8, 10),
  },
  [dial('height', 'Height', 'elevation', { kind: 'notches', hi: 3 })],
);
