import {
  type AgeBand,
  diamondOf,
  type GameBall,
  type Level,
  MIDDLE_OF_ZONE_M,
  PLATE,
  SPORT_RECORDS,
  type Sport,
} from '../catalog/index.ts';
import { COMFORT_FROM, type Comfort, comfortOf, onComfortScale } from '../drill/index.ts';
import { airDensity } from '../flight/index.ts';
import { ftToM, mphToMps } from '../quantity/index.ts';
import { timeToContact } from './contact-time.ts';

/** Bands of a sport of hitters. @throws RangeError for one that has none */
export function bandsOf(sport: Sport): readonly AgeBand[] {
  const play = diamondOf(sport);
  if (!play) throw new RangeError(`${sport} has no age bands`);
  return play.bands;
}

/**
 * The band that a hitter is judged by: that of the game ball when it is one of the level's own, else the youngest of the level, so that a bolder game
 * ball never makes a ball kinder.
 */
export function bandOf(sport: Sport, level: Level, gameBall: GameBall | null | undefined): AgeBand {
  const own = bandsOf(sport).filter((each) => each.level === level);
  const named = gameBall?.kind === 'pitch' ? own.find(({ name }) => name === gameBall.band) : undefined;
  return named ?? own[0]!;
}

/** Where it is met. */
const MET = { y: PLATE.frontY_m, z: MIDDLE_OF_ZONE_M };

const known = new Map<string, number>();

/**
 * Seconds from release to the plate of a band's own fastball, with drag at sea level and 20 °C, of the sport's usual ball. Checks (baseball): 0.72 s at 8 and under, 0.50 at 11–12 from 46 ft,
 * 0.43 in college, 0.40 professional.
 * @param field index of the band's fields
 */
export function gameTimeS(sport: Sport, { id, fastballMph, fields, release: own }: AgeBand, field = 0): number {
  const key = `${sport} ${id} ${field}`;
  const before = known.get(key);
  if (before !== undefined) return before;
  const { release } = diamondOf(sport)!;
  const timeS = timeToContact(
    {
      ball: SPORT_RECORDS[sport].balls[0]!,
      airDensityKgM3: airDensity({ temperatureC: 20, altitudeM: 0, relativeHumidity: 0.5 }),
      contact: MET,
    },
    {
      speedMps: mphToMps(fastballMph),
      releaseM: ftToM(fields[field]!.releaseFt),
      heightM: own?.z ?? release.z,
      topspinRpm: -(own ?? release).fastballRpm,
    },
  )!;
  known.set(key, timeS);
  return timeS;
}

/** Share of the band's own game time from which a ball has each word; less is too quick (common practice, no source). */
const SHARE_FROM = { calm: 1.15, working: 0.95, rushed: 0.85 };
const GROWN_SHARE_FROM = { ...SHARE_FROM, rushed: 0.8 };

/** Release to release, s: a hitter resets, breathes and looks (common practice, no source). */
export const HITTER_INTERVAL_S = { calm: 6, working: 5, rushed: 3.5 } as const;

/** The time a hitter has beside that of the age band’s own game. */
export interface HitterTime {
  gameTimeS: number;
  /** Of the game time. */
  share: number;
  /** On the scale of `comfortOf`. */
  ease: number;
  word: Comfort;
  /** Too quick to be thrown with a hard ball unless somebody answers for it by name. */
  tooQuick: boolean;
}

/** A ball at a hitter, judged against the game of the age band and not against a sum of body parts. @param field index of the band’s fields */
export function hitterTime(sport: Sport, band: AgeBand, timeToPlateS: number, field = 0): HitterTime {
  const game = gameTimeS(sport, band, field);
  const share = timeToPlateS / game;
  const ease = onComfortScale(share, band.grown ? GROWN_SHARE_FROM : SHARE_FROM);
  return { gameTimeS: game, share, ease, word: comfortOf(ease), tooQuick: ease < COMFORT_FROM.rushed };
}

/** The interval of a hitter on the scale of `comfortOf`. */
export const hitterIntervalEase = (intervalS: number): number => onComfortScale(intervalS, HITTER_INTERVAL_S);
