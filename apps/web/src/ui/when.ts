/** The language of the build, as its words are (`tools/words`). */
const LANGUAGE: string = import.meta.env.LANGUAGE;

const MOMENT = new Intl.DateTimeFormat(LANGUAGE, {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
  hourCycle: 'h23',
});

/** Its parts by name: how they are put together differs from one browser's data to the next, and the server's. */
const partsOf = (iso: string) => Object.fromEntries(MOMENT.formatToParts(new Date(iso)).map(({ type, value }) => [type, value]));

/** `Tue 3 Nov, 16:40` in the viewer's own time. */
export function printMoment(iso: string): string {
  const { weekday, day, month, hour, minute } = partsOf(iso);
  return `${weekday} ${day} ${month}, ${hour}:${minute}`;
}

/** `3 Nov`, in the viewer's own time. */
export function sayDay(iso: string): string {
  const { day, month } = partsOf(iso);
  return `${day} ${month}`;
}

/** `2026-11-03T16:40`, as a field for day and time takes it, in the viewer's own time. */
export function localMoment(iso: string): string {
  const at = new Date(iso);
  return new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
}
