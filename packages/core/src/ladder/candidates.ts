import { gameLaunch } from '../aim/index.ts';
import { type Arrival, throwBall, throwGameBall } from '../bench/index.ts';
import {
  ARM_SIDE_M,
  armOf,
  armSide,
  type Contact,
  contactBand,
  diamondOf,
  type GameBall,
  isSoft,
  type LadderPlace,
  LEVEL_NEEDS,
  type Level,
  netPlayOf,
  PLATE,
  type Scatter,
  SPORT_RECORDS,
  type Stroke,
} from '../catalog/index.ts';
import { type Comfort, type Feed, reactionNeededS } from '../drill/index.ts';
import type { Conditions, Launch } from '../flight/index.ts';
import { strikeZoneOf } from '../pitch/index.ts';
import type { Approach } from '../progress/index.ts';
import { ftToM } from '../quantity/index.ts';
import { type Meet, throwInTimeToMeet, throwToMeet } from './meeting.ts';
import { throwInTime } from './throwing.ts';
import { questionOf, type Venue } from './venue.ts';

/** What a ladder is built from. */
export interface BuildQuestion extends Venue {
  gameBall: GameBall;
  hand: 'left' | 'right';
  /** Wing of a net sport; a hitter has none. */
  wing: 'forehand' | 'backhand';
  /** Of the hitter, for the strike zone. */
  heightM: number;
  /** Of the player’s own shots, when it is known; the level’s without. */
  scatter?: Partial<Record<Stroke, Scatter>>;
  focalPoint: string;
  minutes: number;
  hopperBalls: number;
  approach: Approach;
  /** The worst comfort a rung may have. */
  wanted: Exclude<Comfort, 'too quick'>;
}

/** How many of the sport's places a level still needs; the last place is always where the game ball comes from. */
const FIRST_PLACE: Record<Level, number> = { Starting: 0, Building: 1, Competing: 2, Advanced: 3 };

/** A kind ball for groundstrokes is thrown about so high (common practice, no source), and always higher than the game's. */
const KIND_DEG = 20;
const HIGHER_DEG = 9;
const STEEPEST_KIND_DEG = 55;
/** A first ball leaves this much more time than is needed. */
const KIND_RATIO = 1.6;
/** Game time over, from an easy look to the game. */
const PITCH_TIMES = [1.5, 1.32, 1.16, 1];
const EASY_SPIN = 0.4;

/** A ball that may become a rung. */
export interface Candidate {
  name: string;
  launch: Launch;
  target: Feed['target'];
  stroke: Stroke;
  contact?: Contact;
  player: { x: number; y: number };
}

/** Feed and game ball side by side, for the last rung. */
export interface Last {
  feed: Arrival;
  game: Arrival;
  /** Topspin in flight. */
  feedRpm: number;
  gameRpm: number;
}

/** How the game ball is met: a soft one low, one at the net before it bounces. */
function contactWith(gameBall: GameBall): Contact {
  if (gameBall.kind === 'shaped' && gameBall.metAtNet === true) return 'volley';
  return isSoft(gameBall) ? 'low' : 'groundstroke';
}

/** Where a game ball may be met behind its bounce, m: the player stands where it comes to the right height. */
const BEHIND_BOUNCE_M = Array.from({ length: 19 }, (_, i) => 1 + 0.4 * i);
/** Nobody stands farther behind the baseline for it, m. */
const BEHIND_COURT_M = 2;
/** A ball that is met on the rise counts as so much off its height, m, and so does each metre from where such players wait (our judgement). */
const RISING_COST_M = 0.6;
const AWAY_COST_M = 0.05;

/** Where the player meets the game ball: where it is nearest to the middle of the band, on its way down if it can be. */
function standFor(
  question: BuildQuestion,
  conditions: Conditions,
  side: number,
  band: readonly [number, number],
  earliestY: number,
): number {
  const { sport, gameBall } = question;
  const middle = (band[0] + band[1]) / 2;
  const past = gameBall.kind === 'pitch' ? 0 : gameBall.landsPastM;
  const spots = BEHIND_BOUNCE_M.flatMap((behind) => {
    const y = -(past + behind);
    if (y < SPORT_RECORDS[sport].court.inPlay.y1 - BEHIND_COURT_M || y > earliestY) return [];
    const arrival = throwGameBall(conditions, gameBall, side, y)?.arrival;
    if (!arrival || arrival.y !== y) return [];
    const away = Math.abs(y - SPORT_RECORDS[sport].court.player.y) * AWAY_COST_M;
    return [{ y, cost: Math.abs(arrival.heightM - middle) + away + (arrival.descentDeg < 0 ? RISING_COST_M : 0) }];
  });
  return spots.sort((a, b) => a.cost - b.cost)[0]?.y ?? Math.max(SPORT_RECORDS[sport].court.inPlay.y1 - 0.6, -(past + 1.2));
}

/** Candidates of a net sport: a kind ball from each place, then on toward the game ball from the last; every one to where the body meets it well. */
export function strokes(question: BuildQuestion): { candidates: Candidate[]; last: Last | null } {
  const { sport, gameBall, machine, hand, wing, level } = question;
  const play = netPlayOf(sport);
  const contact = contactWith(gameBall);
  const band = contactBand(contact, level, question.heightM);
  if (gameBall.kind === 'pitch' || !play || !band) return { candidates: [], last: null };
  const side = ((hand === 'right') === (wing === 'forehand') ? 1 : -1) * play.reachM;
  const conditions = questionOf(question, { x: 0, y: 5, z: 1 }, { kind: 'landing', x: 0, y: -5 }).conditions;
  const z = machine.profile.releaseHeightM;
  const atNet = contact === 'volley';
  // a soft ball dies behind the line of the zone: nobody waits in it
  const playerY = atNet ? play.atNetY_m : standFor(question, conditions, side, band, contact === 'low' ? play.atNetY_m : 0);
  const player = (y: number) => ({ x: 0, y });
  const solved = gameLaunch(gameBall, conditions, side)?.launch;
  const kindDeg = Math.max(KIND_DEG, (solved?.elevationDeg ?? 0) + HIGHER_DEG);
  const places = [
    ...play.places.slice(FIRST_PLACE[level]).filter((place) => place.y < gameBall.from.y - 1 && (!atNet || place.y > 0)),
    { name: 'From where it comes in a game', y: gameBall.from.y },
  ];
  const stroke: Stroke = atNet ? 'volley' : 'groundstroke';
  const base = { stroke, ...(contact === 'low' && { contact }) };
  const needed = reactionNeededS(level, stroke, 0);
  const middle = (band[0] + band[1]) / 2;
  const within = (heightM: number): number => Math.min(band[1], Math.max(band[0], heightM));
  const meet = (y: number, heightM = middle): Meet => ({
    x: side,
    y,
    heightsM: [heightM, middle, 0.85 * band[0] + 0.15 * band[1], 0.15 * band[0] + 0.85 * band[1]],
    ways: atNet ? ['volley'] : ['fall', 'rise'],
    clearM: Math.min(LEVEL_NEEDS[level].netClearanceM, gameBall.kind === 'shaped' ? gameBall.clearsByM : Number.POSITIVE_INFINITY),
  });
  const kind = (place: LadderPlace): Candidate | null => {
    const own = atNet || contact === 'low' ? undefined : place.playerY;
    const from = { x: side, y: place.y, z };
    // close to the machine the player stands where its slowest ball comes to the right height
    for (const by of own === undefined ? [0] : STEPS_M) {
      const standY = (own ?? playerY) + by;
      let kindest: Candidate | null = null;
      for (let elevationDeg = kindDeg; elevationDeg <= STEEPEST_KIND_DEG; elevationDeg += 10) {
        const thrown = throwToMeet(question, from, meet(standY), { elevationDeg, topspinRpm: 0 });
        const arrival = thrown && throwBall(conditions, thrown.launch, standY, 0).arrival;
        if (!arrival) continue;
        kindest = { name: place.name, ...thrown, ...base, player: player(standY) };
        if (arrival.timeS >= KIND_RATIO * needed) break;
      }
      if (kindest) return kindest;
    }
    return null;
  };
  const kinds = places.flatMap((place) => kind(place) ?? []);
  const top = kinds.at(-1);
  if (!top || Math.abs(top.launch.y - gameBall.from.y) > PLACED_M) return { candidates: kinds, last: null };
  const game = throwGameBall(conditions, gameBall, side, playerY)?.arrival;
  if (!game) return { candidates: kinds, last: null };
  const from = { x: side, y: gameBall.from.y, z };
  const met = { ...meet(playerY, within(game.heightM)), ...LIKE_A_GAME };
  const spin = { topspinRpm: gameBall.topspinRpm, sidespinRpm: 0 };
  const end =
    throwInTimeToMeet(question, from, met, game.timeS, spin) ??
    throwToMeet(question, from, met, { elevationDeg: solved?.elevationDeg ?? KIND_DEG, ...spin });
  const feed = end && throwBall(conditions, end.launch, playerY, 0).arrival;
  if (!feed) return { candidates: kinds, last: null };
  const between = (a: number, b: number, share: number): number => a + (b - a) * share;
  const toward = (share: number, name: string): Candidate | null => {
    const thrown = throwToMeet(
      question,
      from,
      { ...meet(playerY, between(middle, within(game.heightM), share)), ...LIKE_A_GAME },
      {
        elevationDeg: between(top.launch.elevationDeg, end.launch.elevationDeg, share),
        topspinRpm: between(top.launch.topspinRpm, end.launch.topspinRpm, share),
      },
    );
    return thrown && { ...top, name, ...thrown };
  };
  const name = gameBall.name || 'Game ball';
  const half = toward(0.5, `Half way to the ${name.toLowerCase()}`);
  const last = { feed, game, feedRpm: end.launch.topspinRpm, gameRpm: gameBall.topspinRpm };
  return { candidates: [...kinds, ...(half ? [half] : []), { ...top, name, ...end }], last };
}

/** On the way to the game’s ball one may be met on the rise, where that is so many ° nearer to it. */
const LIKE_A_GAME = { riseCostDeg: 3 };

/** How far a player steps in or back from the usual spot near a machine, m. */
const STEPS_M = [0, 0.5, -0.5, 1, -1, 1.5, 2];

/** A machine of few settings may be moved so far, m, and still stand where the game ball comes from. */
const PLACED_M = 1;

/** Candidates of a pitch: from an easy look to the game's own time, then its spin; from the farthest place where the machine is quick enough. */
export function pitches(question: BuildQuestion): { candidates: Candidate[]; last: Last | null } {
  const { sport, gameBall, machine, heightM } = question;
  const play = diamondOf(sport);
  if (gameBall.kind !== 'pitch' || !play) return { candidates: [], last: null };
  const zone = strikeZoneOf(sport, { level: question.level, gameBallId: gameBall.id, batterHeightM: heightM });
  const target = { kind: 'plane' as const, planeY: PLATE.frontY_m, x: 0, z: (zone.bottomM + zone.topM) / 2 };
  const { conditions } = questionOf(question, { x: 0, y: 15, z: 1.4 }, target);
  const player = { x: question.hand === 'right' ? -0.75 : 0.75, y: PLATE.frontY_m };
  const game = throwGameBall(conditions, gameBall, 0, PLATE.frontY_m)?.arrival;
  if (!game) return { candidates: [], last: null };
  const spinOf = (share: number) => ({ topspinRpm: gameBall.topspinRpm * share, sidespinRpm: gameBall.sidespinRpm * share });
  const side = armSide(armOf(gameBall) ?? 'right') * ARM_SIDE_M;
  const from = (y: number) => ({ x: side, y, z: machine.profile.releaseHeightM });
  const quick = (y: number): boolean => {
    const thrown = throwInTime(question, from(y), target, game.timeS, spinOf(1));
    return thrown !== null && thrown.timeS <= game.timeS * 1.02;
  };
  // where the game ball is let go, where one can stand there: then it is as quick as the game's, too; nearer by only for a machine that is too slow
  const [farthest] = play.machineY_m;
  const released = Math.min(ftToM(gameBall.releaseFt), farthest!);
  const y = [released, ...play.machineY_m.filter((each) => each < released)].find(quick) ?? play.machineY_m.at(-1)!;
  const at = (name: string, time: number, spin: number): Candidate[] => {
    const thrown = throwInTime(question, from(y), target, game.timeS * time, spinOf(spin));
    return thrown ? [{ name, launch: thrown.launch, target, stroke: 'swing', player }] : [];
  };
  const name = gameBall.name || 'Game ball';
  const names = ['Easy look', 'A little quicker', 'Close to game time', 'Game time'];
  const candidates = [...PITCH_TIMES.flatMap((time, i) => at(names[i]!, time, EASY_SPIN)), ...at(name, 1, 1)];
  const top = candidates.at(-1);
  if (!top) return { candidates, last: null };
  const thrown = throwInTime(question, from(y), target, game.timeS, spinOf(1))!;
  const feed: Arrival = { ...game, timeS: thrown.timeS };
  // from nearer by, equal time is the point, not equal speed
  return { candidates, last: { feed, game, feedRpm: thrown.launch.topspinRpm, gameRpm: gameBall.topspinRpm } };
}
