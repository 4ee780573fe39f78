import type { Viewer } from '../../src/api/rows.ts';

/** Who looks at a page: a coach at sea level, in imperial units, unless said otherwise. */
export const aViewer = (part: Partial<Viewer> = {}): Viewer => ({
  clubName: 'C',
  altitudeM: 0,
  personName: 'P',
  units: 'imperial',
  canPlan: true,
  hasSession: true,
  favourites: [],
  ...part,
});
