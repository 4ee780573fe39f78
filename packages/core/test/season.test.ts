import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type SeasonDocument, seasonSchema, seasonWeeks, weekdayOf, weekFact } from '../src/index.ts';

const LADDER = '0190f3a0-0000-7000-8000-000000000001' as SeasonDocument['ladderId'];
/** 2026-11-30, a Monday. */
const MONDAY = 20_787;
const season = (part: Partial<SeasonDocument> = {}): SeasonDocument => ({
  ladderId: LADDER,
  from: '2026-11-30',
  to: '2027-02-21',
  weekdays: [2, 4],
  restsArm: false,
  ballsAWeek: 100,
  fromRung: 2,
  ...part,
});
const weeksOf = (part: Partial<SeasonDocument> = {}, at: Partial<Parameters<typeof seasonWeeks>[1]> = {}) =>
  seasonWeeks(season(part), { firstDay: MONDAY, lastDay: MONDAY + 83, rungs: 9, mostADay: null, ...at });

describe('weeks up to a day', () => {
  test('days of the week are those of the calendar', () => {
    expect(weekdayOf(Date.parse('2026-11-30') / 86_400_000)).toBe(1);
    expect(weekdayOf(Date.parse('1970-01-01') / 86_400_000)).toBe(4);
    expect(weekdayOf(Date.parse('2026-11-29') / 86_400_000)).toBe(7);
  });
  test('three build, the fourth eases; the last eases before the day, and the one before it builds', () => {
    const { weeks } = weeksOf();
    expect(weeks.map(({ kind }) => kind[0]).join('')).toBe('bbbebbbebbbe');
    expect(
      weeksOf({}, { lastDay: MONDAY + 62 })
        .weeks.map(({ kind }) => kind[0])
        .join(''),
    ).toBe('bbbebbbbe');
    expect(weeks.map(({ ballsADay }) => ballsADay)).toEqual([50, 55, 60, 36, 65, 70, 75, 45, 75, 75, 75, 45]);
  });
  test('the rungs are climbed in the building weeks, the last by the day it is for', () => {
    expect(weeksOf().weeks.map(({ rung }) => rung)).toEqual([3, 3, 4, 4, 5, 5, 6, 6, 7, 7, 8, 8]);
    expect(weeksOf().pace).toEqual({ code: 'time-enough', outingsARung: 3 });
    expect(weeksOf({ weekdays: [2] }).pace.code).toBe('tight');
    expect(weeksOf({ weekdays: [2] }, { rungs: 20 }).pace.code).toBe('too-tight');
    expect(weeksOf({ fromRung: 8 }).pace).toEqual({ code: 'there-already', outingsARung: null });
  });
  test('an arm that throws has a day in between, over the end of the week, too', () => {
    const { weeks } = weeksOf({ weekdays: [1, 2, 7], restsArm: true });
    expect(weeks[0]!.days.map(weekdayOf)).toEqual([1, 7]);
    expect(weeks[1]!.days.map(weekdayOf)).toEqual([2, 7]);
  });
  test('a first or a last week on whose days nobody comes is part of the one beside it', () => {
    const { weeks } = weeksOf({}, { firstDay: MONDAY + 4, lastDay: MONDAY + 7 * 4 });
    expect(weeks.map(({ days }) => days.length)).toEqual([2, 2, 2]);
    expect([weeks[0]!.firstDay, weeks.at(-1)!.lastDay]).toEqual([MONDAY + 4, MONDAY + 28]);
  });
  test('a child’s cap holds, and is said', () => {
    const capped = weeksOf({}, { mostADay: 60 });
    expect(capped.isCapped).toBe(true);
    expect(Math.max(...capped.weeks.map(({ ballsADay }) => ballsADay))).toBe(60);
    expect(weeksOf({}, { mostADay: 75 }).isCapped).toBe(false);
  });
  test('whatever is asked: inside its days, on its weekdays, never over the cap, rests kept, rungs never down, the last one last', () =>
    fc.assert(
      fc.property(
        fc.record({
          weekdays: fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 1, maxLength: 7 }),
          restsArm: fc.boolean(),
          ballsAWeek: fc.integer({ min: 10, max: 3000 }),
          fromRung: fc.integer({ min: 0, max: 30 }),
        }),
        fc.integer({ min: 0, max: 6 }),
        fc.integer({ min: 7, max: 364 }),
        fc.integer({ min: 1, max: 24 }),
        fc.option(fc.integer({ min: 60, max: 360 })),
        (part, shift, long, rungs, mostADay) => {
          expect(seasonSchema.safeParse(season(part)).success).toBe(true);
          const [firstDay, lastDay] = [MONDAY + shift, MONDAY + shift + long];
          const { weeks } = seasonWeeks(season(part), { firstDay, lastDay, rungs, mostADay });
          const days = weeks.flatMap((each) => each.days);
          expect(weeks[0]!.firstDay).toBe(firstDay);
          expect(weeks.at(-1)!.lastDay).toBe(lastDay);
          for (const each of days) {
            expect(each >= firstDay && each <= lastDay).toBe(true);
            expect(part.weekdays).toContain(weekdayOf(each));
          }
          if (part.restsArm) for (const [i, each] of days.slice(1).entries()) expect(each - days[i]!).toBeGreaterThan(1);
          if (mostADay !== null) for (const { ballsADay } of weeks) expect(ballsADay).toBeLessThanOrEqual(mostADay);
          weeks.slice(1).forEach(({ rung, firstDay: begins }, i) => {
            expect(rung).toBeGreaterThanOrEqual(weeks[i]!.rung);
            expect(begins).toBe(weeks[i]!.lastDay + 1);
          });
          expect(weeks.at(-1)!.rung).toBe(rungs - 1);
          expect(weeks.at(-1)!.kind).toBe('ease');
        },
      ),
      { numRuns: 300, seed: 11 },
    ));
});

describe('plan and fact', () => {
  const planned = weeksOf({ restsArm: true }, { mostADay: 60 });
  const fact = (week: number, known: Partial<Parameters<typeof weekFact>[3]>) =>
    weekFact(season({ restsArm: true }), planned, planned.weeks[week]!, { load: [], runs: [], mostADay: 60, today: MONDAY + 30, ...known });

  test('a week that has not begun has none', () => {
    expect(fact(6, {})).toBeNull();
  });
  test('balls against the days that have been, and the rung that was reached', () => {
    const load = [
      { day: MONDAY + 1, swings: 50 },
      { day: MONDAY + 3, swings: 52 },
    ];
    const runs = [
      { day: MONDAY + 3, rung: 3 },
      { day: MONDAY + 3, rung: 4 },
      { day: MONDAY - 3, rung: 7 },
    ];
    expect(fact(0, { load, runs })).toMatchObject({ balls: 102, load: 'as-planned', rung: 3, climb: 'as-planned' });
    expect(fact(1, { load, runs })).toMatchObject({ balls: 0, load: 'less' });
    expect(fact(2, { load, runs })).toMatchObject({ rung: 3, climb: 'behind' });
    expect(fact(0, { load: load.slice(0, 1), today: MONDAY + 2 })).toMatchObject({ balls: 50, load: 'as-planned', climb: null });
    expect(fact(0, { load, runs: [{ day: MONDAY + 1, rung: 5 }] })!.climb).toBe('ahead');
    // nobody is behind in a week that is not over
    expect(fact(2, { load, runs, today: MONDAY + 15 })!.climb).toBeNull();
  });
  test('too many balls in a day and two days running are named', () => {
    const load = [
      { day: MONDAY + 1, swings: 90 },
      { day: MONDAY + 2, swings: 40 },
    ];
    expect(fact(0, { load })).toMatchObject({ load: 'as-planned', overCap: [MONDAY + 1], noRest: [MONDAY + 2] });
    expect(fact(0, { load: [{ day: MONDAY + 1, swings: 200 }] })!.load).toBe('more');
  });
});
