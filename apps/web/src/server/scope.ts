import type { ClubId, PersonId, UnitSystem } from '@good-arc/core';
import type { Role } from '../db/schema.ts';
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

/** What a role may change. Helpers run rounds; coaches and owners also plan and keep the kit. */
const MAY: Record<Role, readonly ('rounds' | 'plans' | 'kit')[]> = {
  owner: ['rounds', 'plans', 'kit'],
  coach: ['rounds', 'plans', 'kit'],
  helper: ['rounds'],
};

/** @throws Refusal 403 when the role does not allow it */
export function mustBeAllowed({ role }: Scope, what: 'rounds' | 'plans' | 'kit'): void {
  if (!MAY[role].includes(what)) throw new Refusal(403, `A ${role} may not change ${what}. Ask a coach or the owner of the club.`);
}
