import type { ClubId, PersonId, UnitSystem } from '@good-arc/core';
import type { Role } from '../api/roles.ts';
import { Refusal } from './problem.ts';

/** Who asks, and for which club. Made by the middleware only; everything that touches the database takes one. */
export interface Scope {
  clubId: ClubId;
  clubName: string;
  altitudeM: number;
  personId: PersonId;
  personName: string;
  role: Role;
  units: UnitSystem;
  favourites: string[];
}

/**
 * Of somebody who was signed in a moment ago, and was not looked up since: the statement that they ask for is to find out itself whether they still are
 * (`STILL_IN` in `session.ts`). A way to the database and back less, for what comes with every ball.
 */
export interface Unproven {
  readonly by: 'demo' | 'session';
  /** Placeholders of that statement. */
  readonly values: Record<string, unknown>;
  /** Looks them up after all. @returns who they are @throws Refusal 401 */
  look(): Promise<Scope>;
}

/** Of what is read once of a club what tells whether any of its rows was added, changed, removed or brought back since. */
export interface Marks {
  readonly kit: string;
  readonly ladders: string;
  /** Which rounds were touched lately (`touched.ts`), when any was before that, and before which moment every change has been committed by now. */
  readonly touched: string;
  readonly touchedBefore: string;
  readonly settled: string;
  /** How usual each answer to harder balls is in the club, as its row has it; empty when nothing told. */
  readonly answers: string;
  /** And of its planned outings, from yesterday on. */
  readonly plans: string;
  /** What the club has of its own to check first, and the views that the person keeps, as they are kept; null where there is nothing. */
  readonly checks: unknown;
  readonly views: unknown;
}

/** @throws Refusal 401 */
export function mustBeSignedIn(scope: Scope | undefined): Scope {
  if (!scope) throw new Refusal(401, 'Please sign in first.');
  return scope;
}

type Changed = 'rounds' | 'plans' | 'kit' | 'the club';

/** What a role may change. Helpers run rounds; coaches and owners also plan and keep the kit; who belongs to the club is the owner's. */
const MAY: Record<Role, readonly Changed[]> = {
  owner: ['rounds', 'plans', 'kit', 'the club'],
  coach: ['rounds', 'plans', 'kit'],
  helper: ['rounds'],
};

/** @throws Refusal 403 when the role does not allow it */
export function mustBeAllowed({ role }: Scope, what: Changed): void {
  if (MAY[role].includes(what)) return;
  throw new Refusal(403, `A ${role} may not change ${what}. Ask ${MAY.coach.includes(what) ? 'a coach or ' : ''}the owner of the club.`);
}
