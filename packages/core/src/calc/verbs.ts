import { z } from 'zod';
import { aim, type Spin, WIDEST_LIMITS } from '../aim/index.ts';
import { timeBudget } from '../drill/index.ts';
import { airDensity, type Conditions, fly, type Ground } from '../flight/index.ts';
import { ballById, COURT_PLANS, surfaceById } from '../sport/index.ts';
import { badInput, fieldProblems, type Problem } from './problem.ts';
import { aimInSchema, aimOutSchema, flyInSchema, flyOutSchema, intervalInSchema, intervalOutSchema } from './schemas.ts';

type FlyIn = z.output<typeof flyInSchema>;
type AimIn = z.output<typeof aimInSchema>;

const STILL_GROUND: Ground = { restitution: 0.7, friction: 0.6, tangentialRestitution: 0 };

const conditionsOf = ({
  ball,
  air,
  wind,
  surface,
}: {
  ball: string;
  air: FlyIn['air'];
  wind: FlyIn['wind'];
  surface?: FlyIn['surface'] | undefined;
}): Conditions => ({
  ball: ballById(ball),
  airDensityKgM3: airDensity(air),
  wind,
  ground: surface === undefined ? STILL_GROUND : typeof surface === 'string' ? surfaceById(surface) : surface,
});

/** A wrong value that only shows when two fields are seen together. */
class FieldError extends Error {
  readonly pointer: string;
  constructor(pointer: string, message: string) {
    super(message);
    this.pointer = pointer;
  }
}

function flyVerb(input: FlyIn): z.input<typeof flyOutSchema> {
  const conditions = conditionsOf(input);
  aboveGround('/launch/z', input.launch.z, conditions.ball.radiusM);
  const { apex, bounces, crossings } = fly(conditions, input.launch, { planesY: input.planesY, maxBounces: input.maxBounces });
  return { airDensityKgM3: conditions.airDensityKgM3, apex, bounces, crossings };
}

function aimVerb({ from, spin, target, hold, limits, ...rest }: AimIn): z.input<typeof aimOutSchema> {
  const conditions = conditionsOf(rest);
  aboveGround('/from/z', from.z, conditions.ball.radiusM);
  const full: Spin = { topspinRpm: spin.topspinRpm ?? 0, sidespinRpm: spin.sidespinRpm ?? 0, gyroRpm: spin.gyroRpm ?? 0 };
  const targetY = target.kind === 'landing' ? target.y : target.planeY;
  if (Math.hypot(target.x - from.x, targetY - from.y) < 0.05) throw new FieldError('/target', 'Must be at least 5 cm away from “from”.');
  if (target.kind === 'plane' && Math.abs(targetY - from.y) < 0.05)
    throw new FieldError('/target/planeY', 'Must be at least 5 cm in front of or behind “from”.');
  const { solutions, reason } = aim(
    {
      conditions,
      from,
      spin: full,
      target,
      net: COURT_PLANS[conditions.ball.sport].net,
      limits: { speedMps: limits.speedMps ?? WIDEST_LIMITS.speedMps, elevationDeg: limits.elevationDeg ?? WIDEST_LIMITS.elevationDeg },
    },
    hold,
  );
  return { solutions, reason };
}

function aboveGround(pointer: string, z: number, radiusM: number): void {
  if (z < radiusM) throw new FieldError(pointer, `The ball’s centre must be at least one radius (${radiusM} m) above the ground.`);
}

interface Verb {
  input: z.ZodType;
  output: z.ZodType;
  /** The input has passed its schema. */
  run: (input: never) => unknown;
}

/** Every verb of `./arc calc`, with the schemas that are its interface. */
export const CALC_VERBS: Readonly<Record<string, Verb>> = {
  fly: { input: flyInSchema, output: flyOutSchema, run: flyVerb },
  aim: { input: aimInSchema, output: aimOutSchema, run: aimVerb },
  interval: { input: intervalInSchema, output: intervalOutSchema, run: timeBudget },
};

/** Runs a verb on one parsed JSON document. @returns the answer, or the problem document for bad input */
export function calc(verb: string, document: unknown): { ok: true; answer: unknown } | { ok: false; problem: Problem } {
  const known = CALC_VERBS[verb];
  if (!known)
    return {
      ok: false,
      problem: badInput([{ pointer: '', detail: `There is no verb “${verb}”; there are: ${Object.keys(CALC_VERBS).join(', ')}.` }]),
    };
  const parsed = known.input.safeParse(document);
  if (!parsed.success) return { ok: false, problem: badInput(fieldProblems(parsed.error)) };
  try {
    return { ok: true, answer: known.run(parsed.data as never) };
  } catch (error) {
    if (error instanceof FieldError) return { ok: false, problem: badInput([{ pointer: error.pointer, detail: error.message }]) };
    throw error;
  }
}

/** JSON Schemas of every verb, by file name; written to docs/schema. */
export function calcJsonSchemas(): Record<string, unknown> {
  return Object.fromEntries(
    Object.entries(CALC_VERBS).flatMap(([verb, { input, output }]) => [
      [`calc-${verb}.in.json`, z.toJSONSchema(input, { io: 'input' })],
      [`calc-${verb}.out.json`, z.toJSONSchema(output)],
    ]),
  );
}
