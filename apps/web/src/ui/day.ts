/** The day it is, `2026-03-14`, in UTC as the rounds are kept. */
export const today = (): string => new Date().toISOString().slice(0, 10);

/** A day so many days after another, both `2026-03-14`. */
export const dayAfter = (day: string, days: number): string => new Date(Date.parse(day) + days * 86_400_000).toISOString().slice(0, 10);
