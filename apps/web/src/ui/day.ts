export const DAY_MS = 86_400_000;

/** The day it is, `2026-03-14`, in UTC as the rounds are kept. */
export const today = (): string => new Date().toISOString().slice(0, 10);

/** A day so many days after another, both `2026-03-14`. */
export const dayAfter = (day: string, days: number): string => new Date(Date.parse(day) + days * DAY_MS).toISOString().slice(0, 10);

/** The whole day of a moment or a date, as the record counts them. */
export const dayOf = (moment: string): number => Math.floor(Date.parse(moment) / DAY_MS);
