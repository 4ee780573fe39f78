/** Warm and light; dark; black on white and thick, for the sun. */
export const THEMES = ['chalk', 'dusk', 'sun'] as const;
export type Theme = (typeof THEMES)[number];

/** What a device prefers is kept with it, not with the person who uses it: a phone on the fence stands in the sun whoever holds it. */
export const THEME_COOKIE = 'theme';
const YEAR_S = 365 * 86_400;

export const themeFrom = (text: string | undefined): Theme => THEMES.find((each) => each === text) ?? 'chalk';

export const themeCookie = (theme: Theme): string => `${THEME_COOKIE}=${theme}; path=/; max-age=${YEAR_S}; samesite=lax`;
