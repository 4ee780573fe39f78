import { COMFORTS, type Comfort, type RungDocument, targetFrom } from '../drill/index.ts';
import type { Launch } from '../flight/index.ts';
import { type Change, stepBetween } from './change.ts';
import { type JudgeContext, judgeRung, wholly } from './judge.ts';
import { throwTo } from './throwing.ts';
import type { Venue } from './venue.ts';
import { A_BLOCK } from './worries.ts';

/** A rung put in between must take at least this much off the jump of demand, or a change off the step. */
const WORTH = 3;
/** A ladder never grows beyond this by evening out. */
const MOST_RUNGS = 24;

interface Judged {
  document: RungDocument;
  demand: number;
  /** A ball of it is met outside the band of its level. */
  isOff: boolean;
  comfort: Comfort;
}

/**
 * Puts the missing rungs into gaps: what changes is done in two goes, or half way, each ball aimed anew along its arc family; dial values are never
 * averaged. Doing it again changes nothing.
 * @param rungs from the bottom up; a rung that cannot be judged is left as it is
 */
export function evenOut(rungs: readonly RungDocument[], venue: Venue, context: JudgeContext): RungDocument[] {
  const out: RungDocument[] = [];
  rungs.forEach((rung, i) => {
    const below = i > 0 ? judged(rungs[i - 1]!, context) : null;
    const here = judged(rung, context);
    if (below && here && rungs.length < MOST_RUNGS) out.push(...between(below, here, venue, context));
    out.push(rung);
  });
  return out;
}

function judged(document: RungDocument, context: JudgeContext): Judged | null {
  const judgement = wholly(judgeRung(document, context));
  return (
    judgement && {
      document,
      demand: judgement.demand.total,
      isOff: judgement.balls.some(({ height }) => height !== null && height.word !== 'good'),
      comfort: judgement.comfort,
    }
  );
}

/** In time than both between which it stands. */
const isWorse = (middle: Judged, ...sides: readonly Judged[]): boolean =>
  sides.every(({ comfort }) => COMFORTS.indexOf(middle.comfort) > COMFORTS.indexOf(comfort));

function between(a: Judged, b: Judged, venue: Venue, context: JudgeContext): RungDocument[] {
  const step = stepBetween(a, b);
  if (step.kind !== 'gap') return [];
  for (const rung of middles(a.document, b.document, step.changes, venue)) {
    const middle = judged(rung, context);
    if (!middle || (middle.isOff && !a.isOff && !b.isOff) || isWorse(middle, a, b)) continue;
    const [low, high] = [stepBetween(a, middle), stepBetween(middle, b)];
    const lower = middle.demand > a.demand + 0.5 && middle.demand < b.demand - 0.5;
    const closer =
      low.rise <= step.rise - WORTH && high.rise <= step.rise - WORTH
        ? low.changes.length <= Math.max(2, step.changes.length) && high.changes.length <= Math.max(2, step.changes.length)
        : low.changes.length < step.changes.length && high.changes.length < step.changes.length;
    if (lower && closer) return [...between(a, middle, venue, context), rung, ...between(middle, b, venue, context)];
  }
  return [];
}

/** Rungs that could stand between two, the likeliest first. */
function* middles(a: RungDocument, b: RungDocument, changes: readonly Change[], venue: Venue): Generator<RungDocument> {
  const has = (change: Change): boolean => changes.includes(change);
  const flight = has('placement') || has('pace') || has('spin');
  const rest = has('interval') || has('order') || has('target');
  const name = `On the way to ${b.name}`.slice(0, 120);
  // the ball first, the rest of the task after it; or the other way round
  if (flight && rest) {
    yield { ...b, name, intervalS: a.intervalS, ...targetFrom(a), ...sequenceOf(a, b) };
    yield { ...a, name, intervalS: b.intervalS, ...targetFrom(b) };
  }
  if (has('spin') && (has('placement') || has('pace'))) {
    const plain = reaimed(b, a, (to, from) => ({ ...to, topspinRpm: from.topspinRpm, sidespinRpm: from.sidespinRpm }), venue);
    if (plain) yield { ...plain, name };
  }
  const halfway = half(a, b, venue);
  if (halfway) yield { ...halfway, name };
  if (has('order')) yield { ...b, name, ...sequenceOf(a, b) };
}

/** The sequence of the lower rung for the balls of the upper one: as it was where the members match, else blocks of them. */
function sequenceOf(a: RungDocument, b: RungDocument): Pick<RungDocument, 'order' | 'feeds'> {
  if (a.feeds.length === b.feeds.length) return { order: a.order, feeds: b.feeds };
  return { order: { kind: 'blocks', size: A_BLOCK }, feeds: b.feeds };
}

/** The feeds of a rung with launches changed toward another's, each aimed anew at its own spot; null when one cannot be thrown. */
function reaimed(
  rung: RungDocument,
  toward: RungDocument,
  change: (own: Launch, other: Launch) => Launch,
  venue: Venue,
): RungDocument | null {
  const feeds = rung.feeds.map((feed, i) => {
    const other = toward.feeds[Math.min(i, toward.feeds.length - 1)]!;
    const wanted = change(feed.launch, other.launch);
    const thrown = feed.target.kind === 'landing' ? throwTo(venue, wanted, feed.target, wanted) : null;
    return thrown && { ...feed, ...thrown };
  });
  return feeds.every((feed) => feed !== null) ? { ...rung, feeds } : null;
}

const mid = (a: number, b: number): number => (a + b) / 2;

/** Half way in everything that is a number: where it goes, how high, with what spin, how often, how wide. */
function half(a: RungDocument, b: RungDocument, venue: Venue): RungDocument | null {
  const feeds = b.feeds.map((feed, i) => {
    const other = a.feeds[Math.min(i, a.feeds.length - 1)]!;
    const [to, from] = [feed.launch, other.launch];
    const sameEnd = to.y > 0 === from.y > 0;
    const place = sameEnd ? { x: mid(from.x, to.x), y: mid(from.y, to.y), z: to.z } : { x: to.x, y: to.y, z: to.z };
    const target =
      feed.target.kind === 'landing' && other.target.kind === 'landing' && sameEnd
        ? { ...feed.target, x: mid(other.target.x, feed.target.x), y: mid(other.target.y, feed.target.y) }
        : feed.target;
    const wanted = { elevationDeg: mid(from.elevationDeg, to.elevationDeg), topspinRpm: mid(from.topspinRpm, to.topspinRpm) };
    const thrown = target.kind === 'landing' ? throwTo(venue, place, target, wanted) : null;
    return thrown && { ...feed, ...thrown };
  });
  if (!feeds.every((feed) => feed !== null)) return null;
  return {
    ...b,
    feeds,
    order: a.feeds.length === b.feeds.length ? a.order : b.order,
    intervalS: Math.round(mid(a.intervalS, b.intervalS) * 10) / 10,
    targetSize: { widthM: mid(a.targetSize.widthM, b.targetSize.widthM), depthM: mid(a.targetSize.depthM, b.targetSize.depthM) },
    ...(a.targetAt && b.targetAt && { targetAt: { x: mid(a.targetAt.x, b.targetAt.x), y: mid(a.targetAt.y, b.targetAt.y) } }),
  };
}
