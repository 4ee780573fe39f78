import { conditionsOf, throwBall, throwGameBall } from '../bench/index.ts';
import { GAME_BOOK, type GameBall, gameBallById, LEVEL_NEEDS, type Level, SPORT_RECORDS } from '../catalog/index.ts';
import { type Feed, type RungDocument, resizeTarget, upToHalfS } from '../drill/index.ts';
import type { Launch } from '../flight/index.ts';
import { judgeRung, wholly } from './judge.ts';
import { throwInTime, throwTo } from './throwing.ts';
import type { Venue } from './venue.ts';
import { A_BLOCK, canThrowInOrder } from './worries.ts';

const flip = <S extends { x: number }>(spot: S): S => ({ ...spot, x: -spot.x });
const flipLaunch = (launch: Launch): Launch => ({
  ...launch,
  x: -launch.x,
  bearingDeg: (360 - launch.bearingDeg) % 360,
  sidespinRpm: -launch.sidespinRpm,
  gyroRpm: -launch.gyroRpm,
});
/** Left and right in what people wrote, for a mirror. */
export const swapSides = (text: string): string =>
  text.replace(/\b(left|right|Left|Right)\b/g, (word) => ({ left: 'right', right: 'left', Left: 'Right', Right: 'Left' })[word]!);

/**
 * A rung as in a mirror: left becomes right, for the other wing or a player of the other hand. Still air mirrors exactly; a cross-wind is mirrored, too,
 * so that the balls go where they should when it blows the other way.
 */
export function mirrorRung(rung: RungDocument): RungDocument {
  const { player, weather, feeds } = rung;
  return {
    ...rung,
    weather: { ...weather, windXMps: weather.windXMps === 0 ? 0 : -weather.windXMps },
    player: { start: flip(player.start), recover: player.recover && flip(player.recover) },
    ...(rung.targetAt && { targetAt: flip(rung.targetAt) }),
    feeds: feeds.map((feed) => ({
      ...feed,
      name: swapSides(feed.name),
      cue: swapSides(feed.cue),
      launch: flipLaunch(feed.launch),
      target: flip(feed.target),
      ...(feed.targetAt && { targetAt: flip(feed.targetAt) }),
      ...(feed.meet && { meet: flip(feed.meet) }),
      ...(feed.marker && { marker: flip(feed.marker) }),
    })),
  };
}

/** The same game ball at another level; null where the book has none. */
export function gameBallAt(id: string, level: Level): GameBall | null {
  const ball = gameBallById(id);
  if (!ball) return null;
  return GAME_BOOK.find((each) => each.sport === ball.sport && each.name === ball.name && each.level === level) ?? null;
}

/**
 * A rung for another level: its game ball is that level's, each feed the same share of it, aimed anew; the target as hard to hit, the interval long
 * enough. A feed that cannot be thrown so stays as it is.
 */
export function rungAtLevel(rung: RungDocument, level: Level, venue: Venue): RungDocument {
  const feeds = rung.feeds.map((feed) => feedAtLevel(rung, feed, level, { ...venue, level }));
  const [was, is] = [LEVEL_NEEDS[rung.level].scatter, LEVEL_NEEDS[level].scatter];
  const tenth = (value: number, scale: number): number => Math.max(0.1, Math.round(value * scale * 10) / 10);
  const widthM = tenth(rung.targetSize.widthM, is.sideDeg / was.sideDeg);
  const depthM = tenth(rung.targetSize.depthM, is.depthShare / was.depthShare);
  const made: RungDocument = {
    ...rung,
    level,
    feeds,
    ...resizeTarget(venue.sport, rung, { widthM, depthM }),
  };
  const judged = wholly(judgeRung(made, { sport: venue.sport, machine: venue.machine.profile, gameBall: gameBallById }));
  const most = venue.machine.profile.intervalS[1];
  return judged && judged.readyIntervalS > made.intervalS ? { ...made, intervalS: Math.min(most, upToHalfS(judged.readyIntervalS)) } : made;
}

function feedAtLevel(rung: RungDocument, feed: Feed, level: Level, venue: Venue): Feed {
  const was = feed.gameBallId ? gameBallById(feed.gameBallId) : undefined;
  const is = feed.gameBallId ? gameBallAt(feed.gameBallId, level) : null;
  if (!was || !is) return feed;
  const spin = (rpm: number, from: number, to: number): number => (Math.abs(from) < 50 ? rpm : (rpm * to) / from);
  const topspinRpm = spin(feed.launch.topspinRpm, was.topspinRpm, is.topspinRpm);
  if (was.kind === 'pitch' && is.kind === 'pitch' && feed.target.kind === 'plane') {
    const [before, after] = [was, is].map(
      (ball) => throwGameBall(conditionsOf(rung), ball, feed.target.x, rung.player.start.y)?.arrival?.timeS,
    );
    const flight = throwBall(conditionsOf(rung), feed.launch, feed.target.planeY, 0).arrival?.timeS;
    if (!before || !after || !flight) return feed;
    const thrown = throwInTime(venue, feed.launch, feed.target, flight * (after / before), {
      topspinRpm,
      sidespinRpm: feed.launch.sidespinRpm,
    });
    return thrown ? { ...feed, gameBallId: is.id, launch: { ...feed.launch, ...thrown.launch } } : feed;
  }
  if (was.kind === 'pitch' || is.kind === 'pitch' || feed.target.kind !== 'landing') return feed;
  const deeper = is.landsPastM - was.landsPastM;
  const target = { ...feed.target, y: Math.min(-0.4, feed.target.y - deeper) };
  const thrown = throwTo(venue, feed.launch, target, { ...feed.launch, topspinRpm });
  return thrown ? { ...feed, ...thrown, gameBallId: is.id } : feed;
}

const THIRDS = ['Left third', 'Middle third', 'Right third'] as const;

/**
 * The first feed to the left, middle and right third of the court, each aimed anew; shuffled, so that none is forgotten.
 * @returns null when this machine cannot reach one of them
 */
export function intoThirds(rung: RungDocument, venue: Venue): RungDocument | null {
  const feed = rung.feeds.find(({ on }) => on) ?? rung.feeds[0]!;
  const { target } = feed;
  if (target.kind !== 'landing') return null;
  const third = (SPORT_RECORDS[venue.sport].court.inPlay.x2 * 2) / 3;
  const feeds = THIRDS.map((name, i) => {
    // as far in from the sideline as the middle of a third
    const thrown = throwTo(venue, feed.launch, { ...target, x: (i - 1) * third * 0.85 }, feed.launch);
    return thrown && { ...feed, ...thrown, id: `b${i + 1}`, name, cue: name };
  });
  if (!feeds.every((each) => each !== null)) return null;
  const bag = { kind: 'bag' as const };
  // where a hand has to turn something between two of them, so many of each running
  return { ...rung, feeds, order: canThrowInOrder({ feeds, order: bag }, venue.machine.profile) ? bag : { kind: 'blocks', size: A_BLOCK } };
}
