import type { Viewer } from '../api/rows.ts';
import type { Scope } from './scope.ts';
import { isDemo } from './session.ts';

/** What a page may know of who looks at it. */
export const viewerOf = ({ clubName, altitudeM, personName, units, role, favourites }: Scope): Viewer => ({
  clubName,
  altitudeM,
  personName,
  units,
  favourites,
  canPlan: role !== 'helper',
  hasSession: !isDemo(),
});
