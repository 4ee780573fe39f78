import type { SeasonDocument } from './season-schema.ts';

/** A week: more than the one before, or less of it and a gate to be met. */
export type WeekKind = 'build' | 'ease';

/** What is planned for a calendar week, Monday to Sunday, as far as the season covers it; a first or last week without a day is part of the next. Days are whole days of the record. */
export interface SeasonWeek {
  kind: WeekKind;
  firstDay: number;
  lastDay: number;
  /** When the player comes. */
  days: readonly number[];
  ballsADay: number;
  /** Rung to be on by its end, 0 the lowest. */
  rung: number;
}

/** Whether there is time for the rungs: outings of building weeks for each. */
export interface SeasonPace {
  code: 'time-enough' | 'tight' | 'too-tight' | 'there-already';
  /** Outings for each rung; null where none is left to climb. */
  outingsARung: number | null;
}

/** A season, week by week. */
export interface Season {
  weeks: readonly SeasonWeek[];
  pace: SeasonPace;
  /** Some weeks would have more balls in a day than the player’s age should; they have as many as it should. */
  isCapped: boolean;
}

/** Three weeks that build, one that eases: common practice, no source. */
const BLOCK = 4;
/** Each building week a tenth of the first more, and no more than half as much again (common practice, no source). */
const RISE = 0.1;
const MOST_RISE = 1.5;
/** Of the building week before (common practice, no source). */
const EASED = 0.6;
/** Outings for a rung: a round or two a day, three rounds to climb for somebody who is ready (see the table of the sweet spot). */
const OUTINGS_A_RUNG = { enough: 3, tight: 1.5 } as const;

/** 1 Monday to 7 Sunday; the first day of the record was a Thursday. */
export const weekdayOf = (wholeDay: number): number => ((((wholeDay + 3) % 7) + 7) % 7) + 1;

/**
 * The weeks of a season: three build, the fourth eases and ends with a gate, the last eases before the day it is for. No day has more balls than
 * the age allows, and an arm that throws has a day in between.
 * @param firstDay,lastDay `from` and `to` as whole days @param rungs of the ladder @param mostADay swings in a day by the player’s age; null for no cap
 */
export function seasonWeeks(
  { weekdays, restsArm, ballsAWeek, fromRung }: SeasonDocument,
  { firstDay, lastDay, rungs, mostADay }: { firstDay: number; lastDay: number; rungs: number; mostADay: number | null },
): Season {
  const monday = firstDay - (weekdayOf(firstDay) - 1);
  const count = Math.max(1, Math.ceil((lastDay - monday + 1) / 7));
  let lastCame = Number.NEGATIVE_INFINITY;
  const calendar = Array.from({ length: count }, (_, i) => {
    const from = monday + 7 * i;
    const days = Array.from({ length: 7 }, (__, k) => from + k).filter((each) => {
      const comes = each >= firstDay && each <= lastDay && weekdays.includes(weekdayOf(each)) && !(restsArm && each - lastCame < 2);
      if (comes) lastCame = each;
      return comes;
    });
    return { firstDay: Math.max(from, firstDay), lastDay: Math.min(from + 6, lastDay), days };
  });
  const spans = withoutEmptyEnds(calendar).map((span, i, { length }) => {
    // the last week eases anyway: the one before it builds
    const kind: WeekKind = i === length - 1 || ((i + 1) % BLOCK === 0 && i < length - 2) ? 'ease' : 'build';
    return { kind, ...span };
  });
  const builds = spans.filter(({ kind }) => kind === 'build').length;
  const top = Math.max(0, rungs - 1);
  const start = Math.min(fromRung, top);
  const usual = Math.max(1, ...spans.map(({ days }) => days.length));
  let [built, isCapped] = [0, false];
  const weeks = spans.map(({ kind, ...span }, i): SeasonWeek => {
    if (kind === 'build') built++;
    const rise = Math.min(MOST_RISE, 1 + RISE * Math.max(0, built - 1));
    // by the days of a usual week: a short one has fewer balls, not more in a day
    const wanted = Math.max(1, Math.round((ballsAWeek * rise * (kind === 'ease' ? EASED : 1)) / usual));
    const ballsADay = mostADay === null ? wanted : Math.min(mostADay, wanted);
    if (ballsADay < wanted && span.days.length > 0) isCapped = true;
    const rung = i === spans.length - 1 ? top : start + Math.round(((top - start) * built) / Math.max(1, builds));
    return { kind, ...span, ballsADay, rung };
  });
  const outings = weeks.filter(({ kind }) => kind === 'build').reduce((sum, { days }) => sum + days.length, 0);
  return { weeks, pace: paceOf(outings, top - start), isCapped };
}

/** A first or a last week on whose days nobody comes goes to the one beside it. */
function withoutEmptyEnds(weeks: readonly Omit<SeasonWeek, 'kind' | 'ballsADay' | 'rung'>[]): typeof weeks {
  const came = weeks.map(({ days }) => days.length > 0);
  const [first, last] = [came.indexOf(true), came.lastIndexOf(true)];
  if (first < 0) return weeks;
  return weeks.slice(first, last + 1).map((week, i, { length }) => ({
    ...week,
    ...(i === 0 && { firstDay: weeks[0]!.firstDay }),
    ...(i === length - 1 && { lastDay: weeks.at(-1)!.lastDay }),
  }));
}

function paceOf(outings: number, climbs: number): SeasonPace {
  if (climbs === 0) return { code: 'there-already', outingsARung: null };
  const outingsARung = outings / climbs;
  const code = outingsARung >= OUTINGS_A_RUNG.enough ? 'time-enough' : outingsARung >= OUTINGS_A_RUNG.tight ? 'tight' : 'too-tight';
  return { code, outingsARung };
}

/** What became of a week that has begun. */
export interface WeekFact {
  balls: number;
  /** Rung of the ladder that was run last up to its end, since the season began: where the player stood; null for none. */
  rung: number | null;
  /** Of the balls that were planned up to now; null while none were. */
  load: 'less' | 'as-planned' | 'more' | null;
  climb: 'ahead' | 'as-planned' | 'behind' | null;
  /** Days with more than the age should have, and days without one in between for an arm that throws. */
  overCap: readonly number[];
  noRest: readonly number[];
}

/** A week is as planned within so much of its balls (our judgement). */
const AS_PLANNED = { lo: 0.6, hi: 1.3 } as const;

/**
 * A week against what was done in it.
 * @param load swings of each day @param runs rungs of the ladder that were run, newest first @param today whole day up to which it can be told
 */
export function weekFact(
  { restsArm }: SeasonDocument,
  season: Season,
  week: SeasonWeek,
  {
    load,
    runs,
    mostADay,
    today,
  }: {
    load: readonly { day: number; swings: number }[];
    runs: readonly { day: number; rung: number }[];
    mostADay: number | null;
    today: number;
  },
): WeekFact | null {
  if (week.firstDay > today) return null;
  const begun = season.weeks[0]!.firstDay;
  const inWeek = load.filter((each) => each.day >= week.firstDay && each.day <= week.lastDay && each.swings > 0);
  const balls = inWeek.reduce((sum, { swings }) => sum + swings, 0);
  const due = week.days.filter((each) => each <= today).length * week.ballsADay;
  const rung = runs.find((run) => run.day >= begun && run.day <= week.lastDay)?.rung ?? null;
  // a week that is not over has not failed yet
  const isOver = week.lastDay < today;
  const behind = rung !== null && rung < week.rung ? (isOver ? 'behind' : null) : 'as-planned';
  const played = load.filter(({ swings }) => swings > 0).map((each) => each.day);
  return {
    balls,
    rung,
    load: due === 0 ? null : balls < AS_PLANNED.lo * due ? 'less' : balls > AS_PLANNED.hi * due ? 'more' : 'as-planned',
    climb: rung === null ? null : rung > week.rung ? 'ahead' : behind,
    overCap: mostADay === null ? [] : inWeek.filter(({ swings }) => swings > mostADay).map((each) => each.day),
    noRest: restsArm ? inWeek.filter((each) => played.includes(each.day - 1)).map((each) => each.day) : [],
  };
}
