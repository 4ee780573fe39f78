/** What somebody is in a club. */
export const ROLES = ['owner', 'coach', 'helper'] as const;
export type Role = (typeof ROLES)[number];
