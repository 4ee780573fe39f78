import type { Viewer } from '../api/rows.ts';
import { database } from './db.ts';
import type { Scope } from './scope.ts';
import { isDemo } from './session.ts';
import { Store } from './store.ts';

/** The rows a page reads, for somebody who is signed in. */
export const storeFor = ({ scope, marks = null }: App.Locals): Store => new Store(database(), scope!, { marks });

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
