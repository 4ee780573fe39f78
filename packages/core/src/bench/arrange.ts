import {
  arcFamilyInParts,
  type Blocked,
  type FamilyArc,
  type Nearest,
  type ReasonCode,
  type Solution,
  type Spin,
  spinAt,
} from '../aim/index.ts';
import {
  type ContactVerdict,
  contactOf,
  diamondOf,
  type GameBall,
  gameBallById,
  judgeContact,
  LEVEL_NEEDS,
  SPORT_RECORDS,
  type Stroke,
} from '../catalog/index.ts';
import { COMFORT_FROM, type Comfort, comfortOf, isToFielders, reactionNeededS, timeBudget } from '../drill/index.ts';
import type { Conditions, Flight } from '../flight/index.ts';
import { aimMachine, questionFor, type Thrower } from '../machine/index.ts';
import { atOnce } from '../parts.ts';
import { bandOf, FIELDER_READ_S, fielderTime, HITTER_INTERVAL_S, hitterIntervalEase, hitterTime } from '../pitch/index.ts';
import { armAt, throwGameBallInParts } from './game.ts';
import { placeQuestion } from './setup.ts';
import type { Setup } from './setup-schema.ts';
import { type Arrival, conditionsOf, type Thrown, throwBall } from './throw.ts';

/** An arc of the set-up’s family, with what it clears and how it arrives. */
export interface FamilyMember extends FamilyArc {
  path: Flight['path'];
  arrival: Arrival | null;
  comfort: Comfort | null;
}

/** How much time one ball after another like it leaves. */
export interface BenchComfort {
  word: Comfort;
  /** Of the ball alone, whatever the interval, on the scale of `comfortOf`. */
  ballEase: number;
  timeS: number;
  /** What the level needs; for a hitter the time of the game of this age band. */
  needS: number;
  /** Age band of the hitter; null for others. */
  band: string | null;
  /** From being ready until the next ball leaves; null for a fielder, s. */
  spareS: number | null;
  /** Null when the ball itself is too quick for any. */
  shortestIntervalS: number | null;
  /** Where on the body it is met; null for a pitch and for fielders. */
  height: ContactVerdict | null;
}

/** Everything the bench shows for one set-up, but the other arcs of its family (`familyOf`). */
export interface Arrangement {
  solution: Solution | null;
  spin: Spin;
  blocked: Blocked[];
  reason: { code: ReasonCode; nearest: Nearest | null } | null;
  thrown: Thrown | null;
  game: (Thrown & { ball: GameBall }) | null;
  stroke: Stroke;
  /** Null when nothing arrives, and for a ball that fielders have the time to read. */
  comfort: BenchComfort | null;
  /** Clearance over the net is under what a feed for this level should have. */
  lowOverNet: boolean;
}

const FAMILY = 23;
const STEEPEST_DEG = 72;
const FLOWN_AT_ONCE = 6;

/**
 * Solves a set-up on a machine, flies it, and sets it beside its game ball.
 * With its family it costs a few milliseconds, so that it can follow a drag.
 */
export const arrange = (setup: Setup, machine: Thrower, gameBall?: GameBall | null): Arrangement =>
  atOnce(arrangeInParts(setup, machine, gameBall));

/** As `arrange`, for whoever has something else to do in between: it stops as often as it has solved or flown a ball. */
export function* arrangeInParts(
  setup: Setup,
  machine: Thrower,
  gameBall: GameBall | null = gameBallById(setup.gameBallId) ?? null,
): Generator<void, Arrangement> {
  const conditions = conditionsOf(setup);
  const game = gameBall && (yield* gameInParts(setup, conditions, gameBall));
  yield;
  const answer = aimMachine(machine, placeQuestion(setup), setup, setup.hold, setup.arc);
  yield;
  const solution = answer.solutions.find(({ arc }) => arc === setup.arc) ?? answer.solutions[0] ?? null;
  const thrown = solution ? throwBall(conditions, { ...setup.from, ...answer.spin, ...launchOf(solution) }, setup.player.y) : null;
  const stroke = strokeOf(setup, thrown);
  return {
    solution,
    spin: answer.spin,
    blocked: answer.blocked,
    reason: answer.reason,
    thrown,
    stroke,
    game,
    comfort: thrown && comfort(setup, stroke, thrown, gameBall),
    lowOverNet: solution?.netClearanceM != null && solution.netClearanceM < LEVEL_NEEDS[setup.level].netClearanceM,
  };
}

/**
 * Every arc from where the machine stands to the spot of a set-up, `FAMILY` of them: what each clears, and how it arrives.
 * @param stroke of the set-up's own arc @returns from the flattest to the steepest, blocked ones marked
 */
export const familyOf = (setup: Setup, machine: Thrower, stroke: Stroke, gameBall?: GameBall | null): FamilyMember[] =>
  atOnce(familyInParts(setup, machine, stroke, gameBall));

/** As `familyOf`, for whoever has something else to do in between: it stops after every few arcs that it found or flew. */
export function* familyInParts(
  setup: Setup,
  machine: Thrower,
  stroke: Stroke,
  gameBall: GameBall | null = gameBallById(setup.gameBallId) ?? null,
): Generator<void, FamilyMember[]> {
  const conditions = conditionsOf(setup);
  const asked = questionFor(machine, placeQuestion(setup), setup);
  const arcs = yield* arcFamilyInParts(asked, FAMILY, STEEPEST_DEG);
  const members: FamilyMember[] = [];
  for (const [i, arc] of arcs.entries()) {
    if (i % FLOWN_AT_ONCE === 0) yield;
    const launch = { ...setup.from, ...spinAt(asked, arc.speedMps), ...launchOf(arc) };
    const { flight, arrival } = throwBall(conditions, launch, setup.player.y, 0.05);
    members.push({
      ...arc,
      path: flight.path,
      arrival,
      comfort: arrival ? comfortOf(easeOf(setup, stroke, arrival.timeS, gameBall)) : null,
    });
  }
  return members;
}

export const launchOf = ({ speedMps, elevationDeg, bearingDeg }: { speedMps: number; elevationDeg: number; bearingDeg: number }) => ({
  speedMps,
  elevationDeg,
  bearingDeg,
});

/** A ball met before it bounces is a volley; a pitch asks for a swing. */
const strokeOf = ({ sport }: Setup, thrown: Thrown | null): Stroke =>
  !diamondOf(sport) && thrown?.arrival?.leg === 0 ? 'volley' : SPORT_RECORDS[sport].stroke;

/** A ball that is known, by itself, on the scale of `comfortOf`. */
const easeOf = ({ sport, level }: Setup, stroke: Stroke, timeS: number, gameBall: GameBall | null): number =>
  diamondOf(sport) ? hitterTime(sport, bandOf(sport, level, gameBall), timeS).ease : timeS / reactionNeededS(level, stroke, 0);

function comfort(setup: Setup, stroke: Stroke, { launch, arrival }: Thrown, gameBall: GameBall | null): BenchComfort | null {
  const { level, intervalS } = setup;
  if (isToFielders(setup.sport, setup.target)) {
    // who gets there is said by the flight itself; too quick is what is there before it is read
    const { soonestS: timeS } = fielderTime(conditionsOf(setup), setup, launch, level, setup.player);
    const ballEase = timeS / FIELDER_READ_S;
    const word = comfortOf(ballEase);
    if (word !== 'too quick') return null;
    return { word, ballEase, timeS, needS: FIELDER_READ_S, band: null, spareS: null, shortestIntervalS: null, height: null };
  }
  if (!arrival) return null;
  const { timeS } = arrival;
  const ease = easeOf(setup, stroke, timeS, gameBall);
  if (diamondOf(setup.sport)) {
    const band = bandOf(setup.sport, level, gameBall);
    return {
      word: comfortOf(Math.min(ease, hitterIntervalEase(intervalS))),
      ballEase: ease,
      timeS,
      needS: hitterTime(setup.sport, band, timeS).gameTimeS,
      band: band.name,
      spareS: intervalS - HITTER_INTERVAL_S.working,
      shortestIntervalS: ease < COMFORT_FROM.working ? null : HITTER_INTERVAL_S.working,
      height: null,
    };
  }
  const timing = timeBudget({
    level,
    stroke,
    doubtBits: 0,
    intervalS,
    shadowSwings: 0,
    recover: setup.player,
    balls: [{ flightS: timeS, contact: { x: arrival.x, y: arrival.y } }],
  });
  const [{ needS, spareS }] = timing.balls as [(typeof timing.balls)[0]];
  const contact = contactOf(stroke, setup.contact);
  const height = contact && judgeContact(contact, level, arrival.heightM, setup.batterHeightM);
  // at the shins or over the ears no ball is calm, however much time there is
  const word = timing.word === 'calm' && height?.word === 'unkind' ? 'working' : timing.word;
  return { word, ballEase: ease, timeS, needS, band: null, spareS, shortestIntervalS: timing.shortestWorkingS, height };
}

/** What the game ball does here, met in the player’s plane. */
export const gameOf = (setup: Setup, conditions: Conditions, ball: GameBall): Arrangement['game'] =>
  atOnce(gameInParts(setup, conditions, ball));

function* gameInParts(setup: Setup, conditions: Conditions, ball: GameBall): Generator<void, Arrangement['game']> {
  if (ball.sport !== setup.sport) return null;
  return yield* throwGameBallInParts(conditions, ball, setup.target.x, setup.player.y, armAt(setup.from));
}
