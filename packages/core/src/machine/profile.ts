import { z } from 'zod';
import { mphToMps } from '../quantity/index.ts';
import { SPORTS } from '../sport/index.ts';

const range = (what: string, lo: number, hi: number) =>
  z
    .tuple([
      z.number().min(lo, `${what}: at least ${lo}`).max(hi, `${what}: at most ${hi}`),
      z.number().min(lo, `${what}: at least ${lo}`).max(hi, `${what}: at most ${hi}`),
    ])
    .refine(([a, b]) => a <= b, `${what}: the lowest comes first`);

/**
 * How a machine makes spin. `none`: its throw fixes it at `topspinRpm`. `tied`: topspin = `rpmPerMps` × speed (one wheel).
 * `topspin`: freely chosen along the wheels (two wheels). `any`: any axis (three wheels).
 */
export const spinLawSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('none'), topspinRpm: z.number().min(-4000).max(4000) }),
  z.strictObject({ kind: z.literal('tied'), rpmPerMps: z.number().min(-200).max(200) }),
  z.strictObject({ kind: z.literal('topspin'), maxRpm: z.number().min(0).max(6000) }),
  z.strictObject({ kind: z.literal('any'), maxRpm: z.number().min(0).max(6000) }),
]);
export type SpinLaw = z.infer<typeof spinLawSchema>;

/** What a machine can do, SI: the record behind every machine a club owns. */
export const machineProfileSchema = z.strictObject({
  kind: z.string().min(1).max(60),
  sports: z.array(z.enum(SPORTS)).min(1),
  speedMps: range('speed', 1, 60),
  elevationDeg: range('elevation', -30, 89),
  intervalS: range('interval', 0.5, 60),
  spin: spinLawSchema,
  /** The only speeds it has, m/s (pins); without them any between the limits. */
  speedSteps: z.array(z.number().min(1).max(60)).max(40).optional(),
  /** The only elevations it has, °. */
  elevationSteps: z.array(z.number().min(-30).max(89)).max(40).optional(),
  aimedBy: z.enum(['hand', 'sweep', 'program']),
  /** How far it turns by itself to each side, °; 0 when a person turns it. */
  bearingReachDeg: z.number().min(0).max(90).default(0),
  /** Clock angle of each wheel seen from behind, 0° on top; none for an arm. */
  wheelsDeg: z.array(z.number().min(-360).max(360)).max(3).default([]),
  power: z.enum(['battery', 'mains', 'hand']).default('battery'),
  massKg: z.number().min(0.2, 'At least 0.2 kg').max(400, 'At most 400 kg').default(20),
  /** A ball wider than this jams it, m. */
  widestBallM: z.number().min(0.03).max(0.5).default(0.076),
  /** What its manual or a bad afternoon taught: printed on every setup card. */
  safety: z.string().max(400, 'At most 400 characters').default(''),
  hopper: z.int().min(1).max(1000),
  releaseHeightM: z.number().min(0.1).max(3),
  /** 1 σ. */
  repeatability: z.strictObject({
    speedPct: z.number().min(0).max(20),
    elevationDeg: z.number().min(0).max(5),
    bearingDeg: z.number().min(0).max(5),
    spinPct: z.number().min(0).max(50),
  }),
});
export type MachineProfile = z.infer<typeof machineProfileSchema>;

interface Kind extends Omit<MachineProfile, 'kind' | 'speedMps' | 'speedSteps'> {
  speedMph: [number, number];
  stepsMph?: readonly number[];
}

const repeat = (speedPct: number, angleDeg: number, spinPct: number): MachineProfile['repeatability'] => ({
  speedPct,
  elevationDeg: angleDeg,
  bearingDeg: angleDeg,
  spinPct,
});
const profile = (kind: string, { speedMph, stepsMph, ...rest }: Kind): MachineProfile => ({
  kind,
  ...rest,
  ...(stepsMph && { speedSteps: stepsMph.map(mphToMps) }),
  speedMps: [mphToMps(speedMph[0]), mphToMps(speedMph[1])],
});

/** Generic kinds to start a machine record from. Common practice, from memory: every figure is meant to be edited. */
export const MACHINE_KINDS: readonly MachineProfile[] = [
  profile('Pocket tosser', {
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
    repeatability: repeat(2.5, 0.8, 10),
  }),
  profile('One-wheel portable', {
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
    repeatability: repeat(2.2, 0.7, 10),
  }),
  profile('Two-wheel portable', {
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
    repeatability: repeat(1.8, 0.5, 8),
  }),
  profile('Programmable court machine', {
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
    repeatability: repeat(1.2, 0.35, 6),
  }),
  profile('Holed-ball court machine', {
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
    repeatability: repeat(2, 0.5, 8),
  }),
  profile('Lever-arm thrower', {
    sports: ['baseball'],
    speedMph: [25, 50],
    stepsMph: [25, 31, 37, 44, 50],
    elevationDeg: [0, 20],
    intervalS: [4, 60],
    spin: { kind: 'none', topspinRpm: -600 },
    aimedBy: 'hand',
    power: 'hand',
    massKg: 14,
    bearingReachDeg: 0,
    wheelsDeg: [],
    widestBallM: 0.076,
    safety: 'Keep clear of the arm while it is cocked.',
    hopper: 1,
    releaseHeightM: 1.0,
    repeatability: repeat(1.5, 0.4, 10),
  }),
  profile('Two-wheel pitching machine', {
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
    repeatability: repeat(1.2, 0.35, 7),
  }),
  profile('Three-wheel pitching machine', {
    sports: ['baseball'],
    speedMph: [30, 95],
    elevationDeg: [-10, 60],
    intervalS: [6, 60],
    spin: { kind: 'any', maxRpm: 3000 },
    aimedBy: 'hand',
    power: 'mains',
    massKg: 55,
    bearingReachDeg: 0,
    wheelsDeg: [300, 60, 180],
    widestBallM: 0.076,
    safety: 'Hands off the wheels until they stand still.',
    hopper: 1,
    releaseHeightM: 1.5,
    repeatability: repeat(1, 0.3, 5),
  }),
  profile('Programmable field machine', {
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
    repeatability: repeat(1, 0.3, 5),
  }),
];

/** Keeps a wanted spin to what the machine can make at this speed. */
export function spinFor(
  law: SpinLaw,
  wanted: { topspinRpm: number; sidespinRpm: number },
  speedMps: number,
): { topspinRpm: number; sidespinRpm: number; gyroRpm: 0 } {
  const within = (rpm: number, max: number): number => Math.min(max, Math.max(-max, rpm));
  switch (law.kind) {
    case 'none':
      return { topspinRpm: law.topspinRpm, sidespinRpm: 0, gyroRpm: 0 };
    case 'tied':
      return { topspinRpm: law.rpmPerMps * speedMps, sidespinRpm: 0, gyroRpm: 0 };
    case 'topspin':
      return { topspinRpm: within(wanted.topspinRpm, law.maxRpm), sidespinRpm: 0, gyroRpm: 0 };
    case 'any':
      return { topspinRpm: within(wanted.topspinRpm, law.maxRpm), sidespinRpm: within(wanted.sidespinRpm, law.maxRpm), gyroRpm: 0 };
  }
}
