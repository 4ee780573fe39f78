import { z } from 'zod';
import { SPORTS } from '../catalog/sports/index.ts';

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
/** How a machine makes spin; see `spinLawSchema`. */
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
/** What a machine can do; see `machineProfileSchema`. */
export type MachineProfile = z.infer<typeof machineProfileSchema>;
