import {
  ballById,
  type DayMarks,
  degToRad,
  type Outlook,
  printShare,
  type RateProgress,
  type SideBySide,
  type SideName,
  type Stroke,
  type StrokeProgress,
  type Trend,
} from '@good-arc/core';
import type { CorrectionRow } from '../api/rows.ts';

/** Under targets that go by a player’s own balls. */
export const saySizedBy = (name: string, balls: number): string =>
  `Targets are as large as ${name} hits four or five of ten: by ${balls} balls of their own, not by the level.`;

export const STROKE_NAMES: Record<Stroke, string> = { groundstroke: 'Groundstrokes', volley: 'Volleys', swing: 'Swings' };
export const RATE_NAMES: Record<RateProgress['kind'], string> = { hitting: 'Hitting', fielding: 'Fielding' };
export const SIDE_NAMES: Record<SideBySide['of'], string> = {
  wing: 'Forehand and backhand',
  direction: 'Cross and down the line',
  half: 'To the left and to the right',
  depth: 'Deep and short',
};
const ONE_SIDE: Record<SideName, string> = {
  forehand: 'forehand',
  backhand: 'backhand',
  cross: 'cross',
  line: 'down the line',
  left: 'to the left',
  right: 'to the right',
  deep: 'deep',
  short: 'short',
};

export const TREND_WORDS: Record<Trend, string> = {
  better: 'Clearly better than four weeks before.',
  worse: 'Clearly worse than four weeks before.',
  same: 'No change that could not be luck yet.',
  'too-early': 'Too few days to say which way it goes.',
};

/** Where a goal stands: `On course: about 5 ft by then (4 ft 2 in to 6 ft).` @param side a scatter as a length to the side */
export function sayOutlook({ code, sideDeg, interval80: [lo, hi] }: Outlook, side: (deg: number) => string): string {
  const then = `about ${side(sideDeg)} by then (four times in five ${side(lo)} to ${side(hi)})`;
  const words: Record<Outlook['code'], string> = {
    met: `Met: ${side(sideDeg)} now.`,
    'on-course': `On course: ${then}.`,
    open: `It may be: ${then}.`,
    'not-so': `Not at this pace: ${then}. Another day, or a nearer goal on the way.`,
    'too-early': `Too few days to say where it leads; ${side(sideDeg)} now.`,
    over: `Its day is over; ${side(sideDeg)} now.`,
  };
  return words[code];
}

/** `forehand 62 of 90, backhand 40 of 88: the backhand is hit less, by 6 to 35 points of a hundred`. */
export function saySides({ a, b, comparison: { interval, different, difference }, ballsToTell }: SideBySide): string {
  const counts = `${ONE_SIDE[a.name]} ${a.hits} of ${a.balls}, ${ONE_SIDE[b.name]} ${b.hits} of ${b.balls}`;
  if (different) {
    const less = difference < 0 ? b : a;
    const [lo, hi] = [Math.min(Math.abs(interval[0]), Math.abs(interval[1])), Math.max(Math.abs(interval[0]), Math.abs(interval[1]))];
    return `${counts}: ${ONE_SIDE[less.name]} is hit less, by ${printShare(lo)} to ${printShare(hi)}.`;
  }
  return `${counts}: no difference yet${ballsToTell === null ? ', and thousands of balls would not tell' : `: about ${ballsToTell} more balls would tell`}.`;
}

const CORRECTED: Record<CorrectionRow['what'], string> = { player: 'Player', moment: 'When', notes: 'Notes', ball: 'Ball' };

/** `Ball 4: out, now in`. @param said how a value reads */
export function sayCorrection(
  { what, seq, was, became }: CorrectionRow,
  said: (what: CorrectionRow['what'], value: string) => string,
): string {
  const from = was === '' ? 'nothing' : said(what, was);
  const to = became === '' ? 'nothing' : said(what, became);
  return `${CORRECTED[what]}${seq === null ? '' : ` ${seq}`}: ${from}, now ${to}.`;
}

/** From here on wind is worth a word, m/s. */
const WINDY_MPS = 3;

/** What else was different on a day: `another card, wind 9 mph`; empty when nothing was. */
export function sayMarks({ windMps, isNewCard, ballId }: DayMarks, speed: (mps: number) => string): string {
  return [
    isNewCard ? 'another card' : '',
    ballId ? `another ball (${ballById(ballId).name.toLowerCase()})` : '',
    windMps >= WINDY_MPS ? `wind ${speed(windMps)}` : '',
  ]
    .filter(Boolean)
    .join(', ');
}

/** One stroke in two sentences, for somebody who reads no chart. */
export const sayStroke = ({ stroke, sport, distanceM, days, trend }: Omit<StrokeProgress, 'own'>, length: (m: number) => string): string =>
  `${STROKE_NAMES[stroke]} (${sport}): two of three balls come within ${length(distanceM * Math.tan(degToRad(days.at(-1)!.scatter.sideDeg)))} to the side of the target at ${length(distanceM)}. ${TREND_WORDS[trend]}`;
