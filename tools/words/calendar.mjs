/**
 * Short names of days and months in a language, Sunday and January first. They are put in when the app is built: a phone that forms its first date by `Intl`
 * takes longer for that than for drawing the page.
 * @param {string} lang as pages say it
 */
export function calendarOf(lang) {
  const at = (/** @type {Intl.DateTimeFormatOptions} */ options) => new Intl.DateTimeFormat(lang, { ...options, timeZone: 'UTC' });
  const [day, month] = [at({ weekday: 'short' }), at({ month: 'short' })];
  return {
    // the first of January 2023 was a Sunday
    days: Array.from({ length: 7 }, (_, i) => day.format(Date.UTC(2023, 0, 1 + i))),
    months: Array.from({ length: 12 }, (_, i) => month.format(Date.UTC(2023, i, 1))),
  };
}
