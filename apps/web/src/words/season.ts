import type { SeasonPace, WeekFact, WeekKind } from '@good-arc/core';

/** Days of the week, Monday first. */
export const WEEKDAYS: readonly string[] = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

export const WEEK_WORDS: Record<WeekKind, string> = { build: 'builds', ease: 'eases, then a test' };

/** `Tue and Thu`, `Mon, Wed and Fri`. @param weekdays 1 Monday to 7 Sunday */
export function sayWeekdays(weekdays: readonly number[]): string {
  const names = [...weekdays].sort((a, b) => a - b).map((each) => WEEKDAYS[each - 1]!);
  return names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
}

/** Whether there is time for the rungs. */
export function sayPace({ code, outingsARung }: SeasonPace, rungs: number): string {
  const count = `${rungs} ${rungs === 1 ? 'rung' : 'rungs'} to climb`;
  const each = outingsARung === null ? '' : Number(outingsARung.toFixed(1));
  switch (code) {
    case 'there-already':
      return 'On the last rung already: the season keeps it.';
    case 'time-enough':
      return `${count}, ${each} outings for each: time enough.`;
    case 'tight':
      return `${count}, ${each} outings for each: tight, since a rung takes about three.`;
    case 'too-tight':
      return `${count}, ${each} outings for each: too few, since a rung takes about three. A later day, another day of the week, or fewer rungs.`;
  }
}

/** What became of a week: `96 balls, as planned; on rung 4, one behind.` */
export function sayFact({ balls, rung, load, climb, overCap, noRest }: WeekFact, planned: number, day: (whole: number) => string): string {
  const LOAD = { less: ', fewer than planned', 'as-planned': ', as planned', more: ', more than planned' };
  const onRung =
    rung === null
      ? ''
      : climb === 'ahead'
        ? `; on rung ${rung + 1}, ahead`
        : climb === 'behind'
          ? `; on rung ${rung + 1}, ${planned - rung === 1 ? 'one' : planned - rung} behind`
          : `; on rung ${rung + 1}`;
  const warnings = [
    ...(overCap.length > 0 ? [`More in a day than the age should have: ${overCap.map(day).join(', ')}.`] : []),
    ...(noRest.length > 0 ? [`No day in between: ${noRest.map(day).join(', ')}.`] : []),
  ];
  return [`${balls} ${balls === 1 ? 'ball' : 'balls'}${load ? LOAD[load] : ''}${onRung}.`, ...warnings].join(' ');
}
