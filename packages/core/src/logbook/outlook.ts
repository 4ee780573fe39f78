import { normalCdf } from '../spread/index.ts';
import type { StrokeDay } from './progress.ts';

/** Whether a goal is met, or where the way so far leads by its day. */
export interface Outlook {
  /** `over`: its day has come and it is not met. */
  code: 'met' | 'on-course' | 'open' | 'not-so' | 'too-early' | 'over';
  /** Scatter to the side by that day, °, as the way so far leads, and where it lies four times in five. */
  sideDeg: number;
  interval80: readonly [lo: number, hi: number];
  /** Chance that it is met by then. */
  chance: number;
}

/** The way so far is that of so many days; before so many days of play over so many it is none. */
const LOOKS_BACK = 56;
const LEAST = { days: 4, span: 10 } as const;
/** What a stroke gains in a day among players, 1 σ of log σ: a slope is believed against this (our judgement). */
const SLOPE_SD = 0.008;
/** Nobody goes on like that for ever: of days ahead no more than so many count, and the first count most. */
const LASTS_DAYS = 42;
/** From day to day a player drifts so far beside any slope, 1 σ of log σ. */
const WALK_SD = 0.02;
/** One-sided 90 % and 95 % of the normal law. */
const [Z90, Z95] = [1.2816, 1.6449];
/** As likely as this is on course, or met; as unlikely is not so. */
const LIKELY = 0.7;

/**
 * Where a stroke leads by a day: the slope of what is known of its scatter, believed as far as it is known, and lasting no longer than gains do.
 * @param days of the stroke, oldest first, at least one
 * @param goalDeg scatter to the side that is wanted, °
 * @param today,byDay in whole days as those of the stroke
 */
export function outlookOf(days: readonly StrokeDay[], goalDeg: number, today: number, byDay: number): Outlook {
  const last = days.at(-1)!;
  const recent = days.filter(({ day }) => day > last.day - LOOKS_BACK);
  const sdOf = ({ scatter: { interval90 } }: StrokeDay): number => Math.log(interval90[1] / interval90[0]) / (2 * Z95);
  const now = Math.log(last.scatter.sideDeg);
  const chanceOf = (mean: number, sd: number): number => normalCdf((Math.log(goalDeg) - mean) / sd);
  const spread = (mean: number, sd: number): Pick<Outlook, 'sideDeg' | 'interval80' | 'chance'> => ({
    sideDeg: Math.exp(mean),
    interval80: [Math.exp(mean - Z90 * sd), Math.exp(mean + Z90 * sd)],
    chance: chanceOf(mean, sd),
  });
  const asNow = spread(now, sdOf(last));
  if (asNow.chance >= LIKELY) return { code: 'met', ...asNow };
  if (byDay <= today) return { code: 'over', ...asNow };
  if (recent.length < LEAST.days || last.day - recent[0]!.day < LEAST.span) return { code: 'too-early', ...asNow };

  // each day after the first tells again what the day before told: half of them count
  const weights = recent.map((each) => 1 / sdOf(each) ** 2);
  const total = weights.reduce((sum, each) => sum + each, 0);
  const mean = (read: (each: StrokeDay) => number): number => recent.reduce((sum, each, i) => sum + weights[i]! * read(each), 0) / total;
  const middle = mean(({ day }) => day);
  const level = mean(({ scatter }) => Math.log(scatter.sideDeg));
  const across = recent.reduce((sum, { day }, i) => sum + weights[i]! * (day - middle) ** 2, 0);
  const raw =
    recent.reduce((sum, { day, scatter }, i) => sum + weights[i]! * (day - middle) * (Math.log(scatter.sideDeg) - level), 0) / across;
  const variance = 2 / across;
  const believed = SLOPE_SD ** 2 / (SLOPE_SD ** 2 + variance);
  const slope = raw * believed;
  const ahead = LASTS_DAYS * (1 - Math.exp(-(byDay - last.day) / LASTS_DAYS));
  const sd = Math.sqrt(sdOf(last) ** 2 + believed * variance * ahead ** 2 + WALK_SD ** 2 * ahead);
  const then = spread(now + slope * ahead, sd);
  return { code: then.chance >= LIKELY ? 'on-course' : then.chance <= 1 - LIKELY ? 'not-so' : 'open', ...then };
}
