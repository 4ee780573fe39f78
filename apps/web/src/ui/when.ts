/** Put in by the build, in the language of its words. */
const { days, months } = CALENDAR;

const two = (value: number): string => String(value).padStart(2, '0');

const dayAt = (at: Date): string => `${at.getDate()} ${months[at.getMonth()]}`;

/** `Tue 3 Nov, 16:40` in the viewer's own time. */
export function printMoment(iso: string): string {
  const at = new Date(iso);
  return `${days[at.getDay()]} ${dayAt(at)}, ${two(at.getHours())}:${two(at.getMinutes())}`;
}

/** `3 Nov`, in the viewer's own time. */
export const sayDay = (iso: string): string => dayAt(new Date(iso));

/** `2026-11-03T16:40`, as a field for day and time takes it, in the viewer's own time. */
export function localMoment(iso: string): string {
  const at = new Date(iso);
  return new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
}

const [AFTERNOON, HALF_HOUR, LATEST] = [16 * 60, 30, 23 * 60 + 30];

/** When an outing of today may begin, as a field for day and time takes it: in the afternoon, and once that is over at the next half hour. */
export function mayBegin(now: Date): string {
  const next = Math.ceil((now.getHours() * 60 + now.getMinutes()) / HALF_HOUR) * HALF_HOUR;
  const minutes = Math.min(LATEST, Math.max(AFTERNOON, next));
  return `${localMoment(now.toISOString()).slice(0, 10)}T${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`;
}
