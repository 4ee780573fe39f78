import type { Role } from '../api/roles.ts';

export const ROLE_TITLES: Record<Role, string> = { owner: 'Owner', coach: 'Coach', helper: 'Helper' };

/** What a helper reads where a coach would keep something. */
export const HELPER_WORDS = 'You run rounds here; a coach keeps ladders, plans and kit.';

/** What each may do. */
export const ROLE_WORDS: Record<Role, string> = {
  owner: 'everything, and says who belongs to the club',
  coach: 'ladders, plans, kit and rounds',
  helper: 'runs rounds, and changes nothing else',
};
