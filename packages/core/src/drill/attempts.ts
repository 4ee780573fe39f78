import { diamondOf, type Sport, type Stroke } from '../catalog/index.ts';
import type { FeedId } from '../ids.ts';
import type { AttemptRound, Outcome } from '../progress/index.ts';
import type { RungDocument } from './schema.ts';
import { type Aimed, feedsOf, scoreOf } from './score.ts';
import { metAt, targetOf } from './target.ts';
import { away } from './timing.ts';

/** A round as it is learnt from: for each stroke and each target of its card, how many of the balls were in. */
export interface StrokeAttempt extends AttemptRound {
  stroke: Stroke;
}

/**
 * What a round tells of a player’s own scatter: balls that count and go to a target on the ground. Nothing for a hitter, a fielder, or where the coach says
 * where to.
 * @param day any number that grows by 1 a day @param demand of the card, 0 to 1
 */
export function attemptsOf(
  card: RungDocument,
  sport: Sport,
  results: readonly (Aimed & { seq: number; feedId?: FeedId | null; outcome: Outcome; landing?: { x: number; y: number } | null })[],
  { day, demand }: { day: number; demand: number },
): StrokeAttempt[] {
  if (diamondOf(sport)) return [];
  const feedOf = feedsOf(card);
  const all = new Map<string, StrokeAttempt>();
  for (const result of results) {
    const feed = feedOf(result);
    const score = scoreOf(card, feed, result.outcome);
    const target = feed && (result.target ?? targetOf(card, feed));
    // a ball that was rightly let go tells of the eye, not of the arm
    if (!feed || !target || score === null || result.outcome === 'let-go') continue;
    const { widthM, depthM } = target;
    const key = `${feed.stroke} ${target.x} ${target.y} ${widthM} ${depthM}`;
    const before = all.get(key);
    all.set(key, {
      stroke: feed.stroke,
      day,
      demand,
      widthM,
      depthM,
      distanceM: before?.distanceM ?? Math.max(0.5, away(metAt(card, feed), target)),
      hits: (before?.hits ?? 0) + Number(score === 'hit' && !result.landing),
      balls: (before?.balls ?? 0) + Number(!result.landing),
      landings: [
        ...(before?.landings ?? []),
        ...(result.landing ? [{ acrossM: result.landing.x - target.x, alongM: result.landing.y - target.y }] : []),
      ],
    });
  }
  return [...all.values()];
}
