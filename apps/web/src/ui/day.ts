/** The day it is, `2026-03-14`, in UTC as the rounds are kept. */
export const today = (): string => new Date().toISOString().slice(0, 10);
