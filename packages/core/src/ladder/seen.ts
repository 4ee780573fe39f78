import { type Arrival, conditionsOf, throwBall } from '../bench/index.ts';
import {
  type ContactVerdict,
  contactOf,
  diamondOf,
  type GameBall,
  judgeContact,
  LEVELS,
  type Level,
  type Sport,
} from '../catalog/index.ts';
import { type Feed, isToFielders, type RungDocument, reactionNeededS, type Spot } from '../drill/index.ts';
import { bandOf, FIELDER_READ_S, fielderTime, type HitterTime, hitterTime } from '../pitch/index.ts';

/** A ball as it is met: where, when, and how much time it asks for. */
export interface Seen {
  arrival: Arrival | null;
  flightS: number;
  contact: Spot;
  needS: number;
  /** A pitch to a hitter, judged by the band's game. */
  hitter: HitterTime | null;
  /** Of a ball to fielders, on the scale of `comfortOf`: one they do not get to is no danger, one that is there before they have read it is. */
  dangerEase?: number;
  height: ContactVerdict | null;
}

/** What a single ball is judged with. */
export interface SeenWith {
  sport: Sport;
  gameBall: (id: string) => GameBall | undefined;
  /** Of who hits, when that is known: below the rung's, a hitter is judged by it. */
  playerLevel?: Level;
  /** Of who hits, m: the body’s bands go by it; by that of whom it was aimed for without. */
  heightM?: number;
}

const lower = (a: Level, b: Level | undefined): Level => LEVELS[Math.min(LEVELS.indexOf(a), LEVELS.indexOf(b ?? a))]!;

/** How a ball of this feed is met; null when it does not arrive. */
export function seen(rung: RungDocument, feed: Feed, bits: number, { sport, gameBall, playerLevel, heightM }: SeenWith): Seen | null {
  const conditions = conditionsOf(rung);
  if (isToFielders(sport, feed.target)) {
    // a fielder must get to it: reading and running instead of a stroke
    const home = feed.meet ?? rung.player.start;
    const { at, timeS, needS, soonestS } = fielderTime(conditions, { sport, surfaceId: rung.surfaceId }, feed.launch, rung.level, home);
    return { arrival: null, flightS: timeS, contact: at, needS, hitter: null, height: null, dangerEase: soonestS / FIELDER_READ_S };
  }
  const { arrival } = throwBall(conditions, feed.launch, (feed.meet ?? rung.player.start).y, 0);
  if (!arrival) return null;
  const met = { arrival, flightS: arrival.timeS, contact: { x: arrival.x, y: arrival.y } };
  if (!diamondOf(sport)) {
    const contact = contactOf(feed.stroke, feed.contact);
    const height = contact && judgeContact(contact, rung.level, arrival.heightM, heightM ?? rung.batterHeightM);
    return { ...met, needS: reactionNeededS(rung.level, feed.stroke, bits), hitter: null, height };
  }
  const band = bandOf(sport, lower(rung.level, playerLevel), feed.gameBallId ? gameBall(feed.gameBallId) : null);
  const hitter = hitterTime(sport, band, arrival.timeS);
  return { ...met, needS: hitter.gameTimeS, hitter, height: null };
}
