import { z } from 'zod';
import { type AimQuestion, aim, type Limits, meetBall, possibleArcs, REASON_TEXT, type Spin, WIDEST_LIMITS } from '../aim/index.ts';
import { ballById, groundOf, LEVEL_NEEDS, netBetween, SPORT_RECORDS, surfaceById } from '../catalog/index.ts';
import { timeBudget } from '../drill/index.ts';
import { airDensity, type Conditions, fly, type Ground } from '../flight/index.ts';
import { bandsOf, hitterTime, paceFlight, paceRatio } from '../pitch/index.ts';
import { ballsToStreak, compareRates, firstGate, judgeGate, nextStep, ownScatter, targetFor, widthFor } from '../progress/index.ts';
import { wrapDeg } from '../quantity/index.ts';
import { linearSpread, sampledSpread } from '../spread/index.ts';
import { badInput, fieldProblems, type Problem } from './problem.ts';
import {
  aimInSchema,
  aimOutSchema,
  compareInSchema,
  compareOutSchema,
  familyInSchema,
  familyOutSchema,
  flyInSchema,
  flyOutSchema,
  gateInSchema,
  gateOutSchema,
  intervalInSchema,
  intervalOutSchema,
  meetInSchema,
  meetOutSchema,
  paceInSchema,
  paceOutSchema,
  pitchInSchema,
  pitchOutSchema,
  scatterInSchema,
  scatterOutSchema,
  spreadInSchema,
  spreadOutSchema,
  streakInSchema,
  streakOutSchema,
  targetInSchema,
  targetOutSchema,
  verdictInSchema,
  verdictOutSchema,
  widthInSchema,
  widthOutSchema,
} from './schemas.ts';
import { gateReason } from './words.ts';

type FlyIn = z.output<typeof flyInSchema>;
type AimIn = z.output<typeof aimInSchema>;
type FamilyIn = z.output<typeof familyInSchema>;
type SpreadIn = z.output<typeof spreadInSchema>;
type PaceIn = z.output<typeof paceInSchema>;

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
  ground: surface === undefined ? STILL_GROUND : typeof surface === 'string' ? groundOf(surfaceById(surface), ballById(ball)) : surface,
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

const spinOf = ({ topspinRpm = 0, sidespinRpm = 0, gyroRpm = 0 }: AimIn['spin']): Spin => ({ topspinRpm, sidespinRpm, gyroRpm });

const limitsOf = (limits: AimIn['limits']): Limits => ({
  speedMps: limits.speedMps ?? WIDEST_LIMITS.speedMps,
  elevationDeg: limits.elevationDeg ?? WIDEST_LIMITS.elevationDeg,
});

/** The question of `aim` and `family`, checked for what only shows when fields are seen together. */
function questionOf({ from, spin, target, limits, ...rest }: Omit<AimIn, 'hold'>): AimQuestion {
  const conditions = conditionsOf(rest);
  aboveGround('/from/z', from.z, conditions.ball.radiusM);
  const targetY = target.kind === 'landing' ? target.y : target.planeY;
  if (Math.hypot(target.x - from.x, targetY - from.y) < 0.05) throw new FieldError('/target', 'Must be at least 5 cm away from “from”.');
  if (target.kind === 'plane' && Math.abs(targetY - from.y) < 0.05)
    throw new FieldError('/target/planeY', 'Must be at least 5 cm in front of or behind “from”.');
  return {
    conditions,
    from,
    spin: spinOf(spin),
    target,
    net: SPORT_RECORDS[conditions.ball.sport].court.net,
    limits: limitsOf(limits),
  };
}

function aimVerb({ hold, ...rest }: AimIn): z.input<typeof aimOutSchema> {
  const { solutions, reason } = aim(questionOf(rest), hold);
  return {
    solutions: solutions.map(({ descentDeg: _, ...solution }) => solution),
    reason: reason && { ...reason, text: REASON_TEXT[reason.code] },
  };
}

function familyVerb({ count, ...rest }: FamilyIn): z.input<typeof familyOutSchema> {
  const { arcs, blocked, reason } = possibleArcs(questionOf(rest), count);
  return {
    arcs: arcs.map(({ speedMps, elevationDeg, bearingDeg, timeS, clearanceM, descentDeg, apexM }) => ({
      speedMps,
      elevationDeg,
      bearingDeg: wrapDeg(bearingDeg),
      flightTimeS: timeS,
      netClearanceM: clearanceM,
      descentDeg,
      apexM,
    })),
    blocked: blocked.map((part) => ({ ...part, text: REASON_TEXT[part.code] })),
    reason: reason && { code: reason, text: REASON_TEXT[reason] },
  };
}

function meetVerb({ from, spin, limits, meet, hold, count, ...rest }: z.output<typeof meetInSchema>): z.input<typeof meetOutSchema> {
  const conditions = conditionsOf(rest);
  const { radiusM, sport } = conditions.ball;
  aboveGround('/from/z', from.z, radiusM);
  aboveGround('/meet/z', meet.z, radiusM);
  const near = meet.on === 'volley' ? Math.abs(meet.y - from.y) : Math.hypot(meet.x - from.x, meet.y - from.y);
  if (near < 0.05)
    throw new FieldError(
      meet.on === 'volley' ? '/meet/y' : '/meet',
      `Must be at least 5 cm ${meet.on === 'volley' ? 'in front of or behind' : 'away from'} “from”.`,
    );
  const net = netBetween(sport, from.y, meet.y);
  const { solutions, reason } = meetBall({ conditions, from, spin: spinOf(spin), meet, net, limits: limitsOf(limits) }, hold, count);
  return { solutions, reason: reason && { code: reason, text: REASON_TEXT[reason] } };
}

function pitchVerb({ sport, band: id, timeToPlateS, hard, rubberFt }: z.output<typeof pitchInSchema>): z.input<typeof pitchOutSchema> {
  const bands = bandsOf(sport);
  const band = bands.find((each) => each.id === id);
  if (!band) throw new FieldError('/band', `${sport} has no band “${id}”; it has: ${bands.map((each) => each.id).join(', ')}.`);
  const field = rubberFt === undefined ? 0 : band.fields.findIndex((each) => each.rubberFt === rubberFt);
  if (field < 0)
    throw new FieldError(
      '/rubberFt',
      `This band plays from ${band.fields.map((each) => each.rubberFt).join(' or ')} ft, not from ${rubberFt}.`,
    );
  const { gameTimeS, share, word, tooQuick } = hitterTime(sport, band, timeToPlateS, field);
  return { gameTimeS, share, word, unsafe: hard && tooQuick };
}

const targetVerb = ({ level, scatter, distanceM, share }: z.output<typeof targetInSchema>) =>
  targetFor(scatter ?? LEVEL_NEEDS[level!].scatter, distanceM, share);

function scatterVerb({ level, rounds, ask }: z.output<typeof scatterInSchema>): z.output<typeof scatterOutSchema> {
  const last = rounds.at(-1)?.day ?? Number.NEGATIVE_INFINITY;
  ask.forEach(({ day }, i) => {
    if (day < last) throw new FieldError(`/ask/${i}/day`, `Must not be before the last round, day ${last}.`);
  });
  const own = ownScatter(level).learn(rounds);
  const { interval90, ...now } = own.on();
  return {
    now: { ...now, interval90: [...interval90] },
    ask: ask.map((each) => {
      const chance = own.chance(each);
      return { share: chance.share, interval90: [...chance.interval90] };
    }),
  };
}

const verdictVerb = ({ rounds, ...question }: z.output<typeof verdictInSchema>) =>
  nextStep({ ...question, rounds: rounds.map(({ longestRun = 0, ...round }) => ({ ...round, longestRun })) });

function spreadVerb(input: SpreadIn): z.input<typeof spreadOutSchema> {
  const conditions = conditionsOf(input);
  aboveGround('/launch/z', input.launch.z, conditions.ball.radiusM);
  const { launch, repeatability, gustMps, samples, seed } = input;
  const { x, y, widthM, depthM } = input.target;
  const question = {
    conditions,
    launch,
    repeatability,
    gustMps,
    target: { kind: 'landing' as const, x, y },
    size: { widthM, depthM },
    net: netBetween(conditions.ball.sport, launch.y, y),
  };
  const { mean, cov, chance, standardError } = sampledSpread(question, samples, seed);
  // a landing always comes, so that there is always a linear answer
  const linear = linearSpread(question)!;
  return { mean, cov, chance, standardError, linear: { mean: linear.mean, cov: linear.cov, chanceInTarget: linear.chance.inTarget } };
}

function paceVerb(input: PaceIn): z.input<typeof paceOutSchema> {
  const open = (['machine', 'game'] as const).flatMap((side) =>
    (input.mode === 'ratio' ? (['speedMps', 'distanceM'] as const) : (['speedMps', 'releaseM'] as const))
      .filter((key) => (input[side] as Record<string, unknown>)[key] === undefined)
      .map((key) => `/${side}/${key}`),
  );
  if (open.length !== 1)
    throw new FieldError(
      open[1] ?? '/machine/speedMps',
      `Exactly one of the speeds and distances must be left out; ${open.length === 0 ? 'none is' : `left out are ${open.join(', ')}`}.`,
    );
  if (input.mode === 'ratio') {
    const side = ({ speedMps, distanceM }: typeof input.game) => ({ speedMps: speedMps ?? null, distanceM: distanceM ?? null });
    const { machine, game, timeS } = paceRatio({ machine: side(input.machine), game: side(input.game) });
    return { mode: 'ratio', machine: { ...machine, timeS }, game: { ...game, timeS }, timeS };
  }
  const { ball, air, contact } = input;
  const side = ({ speedMps, releaseM, ...rest }: typeof input.game) => ({
    ...rest,
    speedMps: speedMps ?? null,
    releaseM: releaseM ?? null,
  });
  const answer = paceFlight({
    ball: ballById(ball),
    airDensityKgM3: airDensity(air),
    contact,
    machine: side(input.machine),
    game: side(input.game),
  });
  if (!answer)
    return {
      mode: 'flight',
      reason: { code: 'out-of-reach', text: 'No speed or distance makes the two times equal: one of the balls does not get there.' },
    };
  const { machine, game, timeS, ratioAnswer } = answer;
  return { mode: 'flight', ball, air, contact, machine: { ...machine, timeS }, game: { ...game, timeS }, timeS, ratioAnswer };
}

function aboveGround(pointer: string, z: number, radiusM: number): void {
  if (z < radiusM) throw new FieldError(pointer, `The ball’s centre must be at least one radius (${radiusM} m) above the ground.`);
}

function gateVerb({ need, longestRun = 0, ...question }: z.output<typeof gateInSchema>): z.output<typeof gateOutSchema> {
  const asked = { ...question, longestRun, need: need ?? firstGate(question.approach) };
  const answer = judgeGate(asked);
  const { rate, interval, verdict } = answer;
  return { rate: Number.isNaN(rate) ? null : rate, interval: [...interval], verdict, reason: gateReason(asked, answer) };
}

const widthVerb = ({ widthM, hits, balls, wantedRate }: z.output<typeof widthInSchema>) => widthFor(widthM, hits, balls, wantedRate);

const compareVerb = ({ a, b }: z.output<typeof compareInSchema>) => compareRates(a, b);

function streakVerb({ rate, streak }: z.output<typeof streakInSchema>): z.output<typeof streakOutSchema> {
  const expectedBalls = ballsToStreak(rate, streak);
  return Number.isFinite(expectedBalls)
    ? { expectedBalls }
    : { expectedBalls: null, reason: { code: 'never', text: 'At this rate such a streak never comes.' } };
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
  family: { input: familyInSchema, output: familyOutSchema, run: familyVerb },
  spread: { input: spreadInSchema, output: spreadOutSchema, run: spreadVerb },
  pace: { input: paceInSchema, output: paceOutSchema, run: paceVerb },
  interval: { input: intervalInSchema, output: intervalOutSchema, run: timeBudget },
  pitch: { input: pitchInSchema, output: pitchOutSchema, run: pitchVerb },
  meet: { input: meetInSchema, output: meetOutSchema, run: meetVerb },
  target: { input: targetInSchema, output: targetOutSchema, run: targetVerb },
  scatter: { input: scatterInSchema, output: scatterOutSchema, run: scatterVerb },
  verdict: { input: verdictInSchema, output: verdictOutSchema, run: verdictVerb },
  gate: { input: gateInSchema, output: gateOutSchema, run: gateVerb },
  width: { input: widthInSchema, output: widthOutSchema, run: widthVerb },
  compare: { input: compareInSchema, output: compareOutSchema, run: compareVerb },
  streak: { input: streakInSchema, output: streakOutSchema, run: streakVerb },
};

/** Runs a verb on one parsed JSON document. @returns the answer, or the problem document for bad input */
export function calc(verb: string, document: unknown): { ok: true; answer: unknown } | { ok: false; problem: Problem } {
  // names that every object has are no verbs
  const known = Object.hasOwn(CALC_VERBS, verb) ? CALC_VERBS[verb] : undefined;
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
