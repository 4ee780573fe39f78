import { conditionsOf, throwGameBall } from '../bench/index.ts';
import type { Drill, DrillBall, DrillRung } from '../catalog/drill.ts';
import {
  diamondOf,
  GAME_BOOK,
  type GameBall,
  gameBallById,
  gameBallId,
  isSoft,
  LEVEL_NEEDS,
  type Level,
  PLATE,
  type Scatter,
  SPORT_RECORDS,
  type Sport,
  type Stroke,
  type TargetPlaceId,
} from '../catalog/index.ts';
import {
  away,
  COMFORT_FROM,
  type Feed,
  firstTargetAt,
  linesHalfDeg,
  mirrorPlace,
  type RungDocument,
  type Spot,
  sizedTarget,
  targetSpot,
  upToHalfS,
  withIds,
} from '../drill/index.ts';
import { fly, type Launch } from '../flight/index.ts';
import {
  type AimedBall,
  canThrowInOrder,
  handBetween,
  judgeRung,
  swapSides,
  throwInTime,
  throwTo,
  type Venue,
  wholly,
} from '../ladder/index.ts';
import { type MachineProfile, spinFor } from '../machine/index.ts';
import { heightKept, strikeZoneOf } from '../pitch/index.ts';
import { type Approach, firstShareFor, gateFor, targetFor } from '../progress/index.ts';
import { mphToMps, radToDeg, within, wrapDeg } from '../quantity/index.ts';
import { between, isForLevel, netBall } from './net-ball.ts';

/** For whom and with what a drill is fitted. */
export interface DrillQuestion extends Venue {
  hand: 'left' | 'right';
  heightM: number;
  /** Of the player’s own shots, when it is known; the level’s without. */
  scatter?: Partial<Record<Stroke, Scatter>>;
  approach: Approach;
  second?: { id: string; profile: MachineProfile };
}

/** What would make a ball of it possible: machine or player moved along the court, the machine's muzzle at another height. m. */
export type Cure =
  | { code: 'machine-nearer' | 'machine-farther' | 'player-in' | 'player-back'; byM: number }
  | { code: 'muzzle'; toM: number };

/** Why a rung cannot be thrown here. */
export type Unfit =
  | { code: 'cannot-throw'; figures: { ball: string; cure: Cure | null } }
  | { code: 'not-at-level'; figures: { ball: string } }
  /** The machine feeds sooner than the rung needs, however it is set. s. */
  | { code: 'feeds-too-soon'; figures: { needsS: number; atMostS: number } }
  | { code: 'bounces-twice' | 'too-little-time' | 'ball-by-ball' | 'no-sweep'; figures: Record<never, never> };

/** A built-in drill on a machine and a court: its rungs, and why others are missing. */
export interface Fitted {
  rungs: RungDocument[];
  /** What could not be done here, by rung. */
  problems: { rung: string; why: Unfit }[];
}

/** The game ball of a drill at a level. A band without such a pitch has the nearest it knows. */
function gameOfLevel(sport: Sport, slug: string, level: Level): GameBall | undefined {
  const of = diamondOf(sport)?.bands.find((band) => band.level === level && band.ofDrills)?.slug ?? level;
  return gameBallById(gameBallId(sport, slug, of)) ?? gameBallById(gameBallId(sport, 'change-up', of));
}

/** A kind pitch takes so much longer than the game's. */
const KIND_TIME = 0.5;
/** Tries with ever less of the game ball until there is time to react. */
const SOFTER = [1, 0.75, 0.5, 0.25, 0];

/**
 * A built-in drill as a ladder here: every ball aimed anew on this court, machine, ball and level, every interval long enough for the level and the
 * machine. What this machine cannot throw is said, and its rung left out.
 */
export function fitDrill(drill: Drill, question: DrillQuestion): Fitted {
  const problems: Fitted['problems'] = [];
  const rungs = drill.rungs.flatMap((rung) => {
    const made = fitRung(drill, rung, question);
    if ('code' in made) {
      problems.push({ rung: rung.name, why: made });
      return [];
    }
    return [made];
  });
  return { rungs, problems };
}

function fitRung(drill: Drill, rung: DrillRung, question: DrillQuestion): RungDocument | Unfit {
  const { sport, machine, court, ballId, dragShare, weather, level, approach } = question;
  const context = { sport, machine: machine.profile, gameBall: (id: string) => GAME_BOOK.find((ball) => ball.id === id) };
  let answer: RungDocument | Unfit = { code: 'bounces-twice', figures: {} };
  let thrown = true;
  const { targetSize, ...hitTo } = targetOfRung(drill, rung, question);
  for (const softer of SOFTER) {
    // what cannot be thrown at all is tried once more as the kindest ball, not at every step
    if (!thrown && softer > 0) continue;
    const feeds = rung.balls.map((ball) => fitBall(drill, rung, ball, question, softer));
    const missing = feeds.indexOf(null);
    if (missing >= 0) {
      thrown = false;
      const ball = rung.balls[missing]!;
      if (!isForLevel(ball, question)) return { code: 'not-at-level', figures: { ball: ball.name } };
      answer = { code: 'cannot-throw', figures: { ball: ball.name, cure: softer === 0 ? cureFor(drill, rung, ball, question) : null } };
      continue;
    }
    const made: RungDocument = {
      name: rung.name,
      focalPoint: rung.focalPoint,
      courtId: court.id,
      machineId: machine.id,
      ballId: ballId as RungDocument['ballId'],
      ...(dragShare !== undefined && { dragShare }),
      surfaceId: court.surfaceId as RungDocument['surfaceId'],
      level,
      weather,
      feeds: withIds(feeds as Omit<Feed, 'id'>[]),
      order: rung.order ?? { kind: 'fixed' },
      intervalS: within(rung.intervalS, machine.profile.intervalS),
      ballsPerRound: rung.perRound,
      rounds: rung.rounds,
      player: { start: standsAt(rung, question), recover: rung.recover ? mirrored(rung.recover, question) : null },
      targetSize,
      ...hitTo,
      gate: rung.gate ?? gateFor(approach, rung.perRound),
      shadowSwings: rung.shadowSwings ?? 0,
      ...heightKept(drill.sport, question.heightM),
      ...(rung.hitters && { hitters: rung.hitters }),
      ...(rung.sweep && { sweep: sweepOf(rung, machine.profile) }),
      ...(rung.ritual && { ritual: rung.ritual }),
    };
    const byHand = handBetween(made, machine.profile);
    // somebody who stands at the machine turns it from fielder to fielder; its dials are not turned between two balls
    const turned = byHand === 'turned-by-hand' && rung.balls.every(({ field }) => field);
    if (!turned && !canThrowInOrder(made, machine.profile)) return { code: 'ball-by-ball', figures: {} };
    if (made.sweep && machine.profile.aimedBy === 'hand') return { code: 'no-sweep', figures: {} };
    const first = wholly(judgeRung(made, context));
    if (!first) {
      answer = { code: 'bounces-twice', figures: {} };
      continue;
    }
    // too little time to react: a softer ball; what is beyond the game on purpose may be a challenge, a hard ball never unsafe
    const least = rung.balls.some(({ share }) => share > 1) ? COMFORT_FROM.rushed : COMFORT_FROM.working;
    if (first.unsafe || (softer > 0 && first.balls.some(({ ownEase }) => ownEase < least))) {
      answer = { code: 'too-little-time', figures: {} };
      continue;
    }
    const atMostS = machine.profile.intervalS[1];
    if (first.readyIntervalS > atMostS) return { code: 'feeds-too-soon', figures: { needsS: first.readyIntervalS, atMostS } };
    return inTime(made, context, machine.profile);
  }
  return answer;
}

/** A sweep as far as the machine turns; two lines as far apart as two players need. */
function sweepOf({ sweep, hitters, from, start }: DrillRung, { bearingReachDeg }: MachineProfile): RungDocument['sweep'] {
  const { kind, halfDeg } = sweep!;
  const wanted = kind === 'two-line' && hitters ? Math.max(halfDeg, linesHalfDeg(away(from, start))) : halfDeg;
  return { kind, halfDeg: Math.min(wanted, Math.max(1, bearingReachDeg)) };
}

/** Where the balls of a rung are hit to, and how large that is for the level; what goes to fielders is taken, not hit to a place. */
function targetOfRung(drill: Drill, rung: DrillRung, question: DrillQuestion): Pick<RungDocument, 'targetAt' | 'targetSize'> {
  const { sport, level, hand, approach } = question;
  // a ceiling is a hall: for hitters a cage
  const caged = question.court.ceilingM != null;
  const share = firstShareFor(approach, rung.gate ?? gateFor(approach, rung.perRound), rung.perRound);
  const own = question.scatter?.[rung.balls[0]?.stroke ?? SPORT_RECORDS[sport].stroke];
  const sizeFrom = (distanceM: number) => targetFor(own ?? LEVEL_NEEDS[level].scatter, distanceM, share);
  // a gate of the drill's own has the size that lets it be met
  const scale = rung.gate ? 1 : (rung.targetTimes ?? 1);
  const met = metOf(rung);
  const given = rung.hit ?? drill.hit;
  if (given && met) {
    const place = isMirrored(sport, hand) ? mirrorPlace(given) : given;
    return sizedTarget(sport, place, mirrored(met, question), sizeFrom, { scale, caged });
  }
  // the rung itself last: its side of the court decides, the machine's place in the others is kept clear, too
  const ways = [...drill.rungs, rung].flatMap((each) => {
    const met = metOf(each);
    return met ? [{ machine: mirrored(each.from, question), met: mirrored(met, question) }] : [];
  });
  const soft = rung.balls.every(({ game }) => game !== undefined && isSoft(gameOfLevel(sport, game, level)));
  const first = firstTargetAt(sport, level, ways, sizeFrom, { soft, scale, caged });
  return met ? first : { targetSize: first.targetSize };
}

/** Where the balls of a rung that count are met, in the mean; null when all of them go to fielders. */
function metOf({ balls, start }: DrillRung): Spot | null {
  const counted = balls.filter(({ field, counts }) => !field && counts !== false);
  if (counted.length === 0) return null;
  return { x: counted.reduce((sum, { x, meet }) => sum + (meet?.x ?? x), 0) / counted.length, y: start.y };
}

const spotFor = (place: TargetPlaceId, { sport, hand }: DrillQuestion, size: RungDocument['targetSize']) =>
  targetSpot(sport, isMirrored(sport, hand) ? mirrorPlace(place) : place, size);

/** A left-hander of a net sport plays the mirror image of a drill; a field is what it is. */
const isMirrored = (sport: Sport, hand: 'left' | 'right'): boolean => hand === 'left' && !diamondOf(sport);

/** x of a drill counts toward the forehand: a left-hander's court is its mirror image. */
const mirrored = ({ x, y }: { x: number; y: number }, { hand, sport }: DrillQuestion): { x: number; y: number } => ({
  x: isMirrored(sport, hand) ? -x : x,
  y,
});

/** Where the player waits: who bats left stands in the other box, and the machine stays in the slot it is in. */
const standsAt = ({ start, balls }: DrillRung, question: DrillQuestion): { x: number; y: number } =>
  diamondOf(question.sport) && question.hand === 'left' && balls.every(({ field }) => !field)
    ? { x: -start.x, y: start.y }
    : mirrored(start, question);

/** Intervals and the times within a combination, stretched to what the level and the machine need. */
function inTime(rung: RungDocument, context: Parameters<typeof judgeRung>[1], machine: MachineProfile): RungDocument {
  const judged = wholly(judgeRung(rung, context))!;
  const least = new Map<number, number>();
  for (const { feed, spareS } of judged.balls) {
    const { thenS } = rung.feeds[feed]!;
    if (thenS === undefined) continue;
    const needed = Math.max(machine.intervalS[0], thenS, thenS - spareS, judged.machine.needsS);
    least.set(feed, Math.max(least.get(feed) ?? 0, Math.ceil(needed * 10 - 1e-9) / 10));
  }
  const intervalS = Math.min(machine.intervalS[1], upToHalfS(Math.max(rung.intervalS, judged.readyIntervalS)));
  const feeds = rung.feeds.map((feed, i) => (least.has(i) ? { ...feed, thenS: least.get(i)! } : feed));
  return { ...rung, intervalS, feeds };
}

function fitBall(drill: Drill, rung: DrillRung, ball: DrillBall, question: DrillQuestion, softer: number): Omit<Feed, 'id'> | null {
  const { sport, level, hand } = question;
  const game = ball.game ? gameOfLevel(sport, ball.game, level) : undefined;
  const machine = ball.second ? (question.second ?? question.machine) : question.machine;
  const venue: Venue = { ...question, machine };
  const place = mirrored(ball.second ?? rung.from, question);
  const from = { ...place, z: machine.profile.releaseHeightM };
  const thrown = ball.field
    ? fieldBallTo(venue, from, ball.field, ball.elevationDeg ?? 40)
    : diamondOf(sport)
      ? pitchTo(venue, from, ball, game, question.heightM, softer)
      : netBall(
          venue,
          from,
          ball,
          game,
          { x: mirrored({ x: ball.x, y: 0 }, question).x, y: ball.meet?.y ?? rung.start.y },
          question.heightM,
          softer,
        );
  if (!thrown) return null;
  const side = (spot: { x: number; y: number }) => mirrored(spot, question);
  const meet = ball.meet ?? (ball.field ? ball.field.spot : undefined);
  return {
    name: sayHand(ball.name, hand, drill.sport),
    ...thrown,
    gameBallId: game?.id ?? null,
    stroke: ball.stroke ?? (ball.field ? 'groundstroke' : SPORT_RECORDS[sport].stroke),
    on: true,
    cue: ball.cue,
    ...(ball.contact && { contact: ball.contact }),
    ...(meet && { meet: side(meet) }),
    ...(ball.hit && { targetAt: spotFor(ball.hit, question, targetOfRung(drill, rung, question).targetSize) }),
    ...(ball.marker && { marker: side(ball.marker) }),
    ...(ball.thenS !== undefined && { thenS: ball.thenS }),
    ...(ball.counts === false && { counts: false }),
    ...(ball.letGo && { letGo: true }),
    ...(ball.field && { positions: [...ball.field.to] }),
    ...(ball.second && question.second && { machineId: question.second.id }),
  };
}

/** “Forehand, wide right” is wide left for a left-hander. */
const sayHand = (name: string, hand: 'left' | 'right', sport: Sport): string => (isMirrored(sport, hand) ? swapSides(name) : name);

/** How far machine and player may be moved to make a ball possible, m, and other heights of the muzzle. */
const MOVES_M = [1, 2, 3];
const MUZZLES_M = [0.4, 0.7, 1, 1.3, 1.6];

/** The least that would have to change for the kindest of this ball to come to the right height; null when nothing near does. */
function cureFor(drill: Drill, rung: DrillRung, ball: DrillBall, question: DrillQuestion): Cure | null {
  if (diamondOf(question.sport)) return null;
  const works = (from: DrillRung, ask: DrillQuestion, each: DrillBall = ball): boolean => fitBall(drill, from, each, ask, 0) !== null;
  const moved = (spot: Spot, byM: number): Spot => ({ ...spot, y: spot.y + byM });
  for (const byM of MOVES_M) {
    const side = Math.sign(rung.from.y - rung.start.y);
    if (works({ ...rung, from: moved(rung.from, -side * byM) }, question)) return { code: 'machine-nearer', byM };
    if (works({ ...rung, from: moved(rung.from, side * byM) }, question)) return { code: 'machine-farther', byM };
    const player = (by: number): boolean =>
      works({ ...rung, start: moved(rung.start, by) }, question, ball.meet ? { ...ball, meet: moved(ball.meet, by) } : ball);
    if (player(side * byM)) return { code: 'player-in', byM };
    if (player(-side * byM)) return { code: 'player-back', byM };
  }
  const { profile } = question.machine;
  for (const toM of MUZZLES_M) {
    const machine = { ...question.machine, profile: { ...profile, releaseHeightM: toM } };
    if (works(rung, { ...question, machine })) return { code: 'muzzle', toM };
  }
  return null;
}

const conditionsFor = ({ ballId, court, weather, dragShare }: Venue) => ({
  ballId,
  surfaceId: court.surfaceId,
  weather,
  ...(dragShare !== undefined && { dragShare }),
});

function pitchTo(
  venue: Venue,
  from: { x: number; y: number; z: number },
  ball: DrillBall,
  game: GameBall | undefined,
  heightM: number,
  softer: number,
): AimedBall | null {
  if (game?.kind !== 'pitch') return null;
  const zone = strikeZoneOf(venue.sport, { level: venue.level, gameBallId: game.id, batterHeightM: heightM });
  const z = Math.max(0.15, between(zone.bottomM, zone.topM, ball.zone ?? 0.5));
  const target = { kind: 'plane' as const, planeY: PLATE.frontY_m, x: ball.x, z };
  const arrival = throwGameBall(conditionsOf(conditionsFor(venue)), game, ball.x, PLATE.frontY_m)?.arrival;
  if (!arrival) return null;
  const share = ball.share * softer;
  const spin = { topspinRpm: game.topspinRpm, sidespinRpm: game.sidespinRpm };
  const thrown = throwInTime(venue, from, target, arrival.timeS * (1 + KIND_TIME * (1 - share)), spin);
  return thrown && { launch: thrown.launch, target };
}

/** A fly ball this far from its elevation is another ball, °. */
const WIDEST_FLY_DEG = 12;

/** To fielders: in the air to a spot, or along the ground toward it. */
function fieldBallTo(
  venue: Venue,
  from: { x: number; y: number; z: number },
  { spot, groundMph }: NonNullable<DrillBall['field']>,
  elevationDeg: number,
): AimedBall | null {
  if (groundMph === undefined) {
    const thrown = throwTo(venue, from, { kind: 'landing', ...spot }, { elevationDeg, topspinRpm: -1200 }, WIDEST_FLY_DEG);
    return thrown && Math.abs(thrown.launch.elevationDeg - elevationDeg) <= WIDEST_FLY_DEG ? thrown : null;
  }
  const { profile } = venue.machine;
  const speedMps = within(mphToMps(groundMph), profile.speedMps);
  const bearingDeg = wrapDeg(radToDeg(Math.atan2(spot.x - from.x, spot.y - from.y)));
  const launch: Launch = {
    ...from,
    ...spinFor(profile.spin, { topspinRpm: 500, sidespinRpm: 0 }, speedMps),
    speedMps,
    elevationDeg: within(elevationDeg, profile.elevationDeg),
    bearingDeg,
  };
  const [touch] = fly(conditionsOf(conditionsFor(venue)), launch, { maxBounces: 0 }).bounces;
  return touch ? { launch, target: { kind: 'landing', x: touch.x, y: touch.y } } : null;
}
