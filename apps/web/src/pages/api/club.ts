import { clubBody } from '../../api/schemas.ts';
import { database } from '../../server/db.ts';
import { endpoint } from '../../server/endpoint.ts';
import { changeClub } from '../../server/people.ts';
import { mustBeAllowed } from '../../server/scope.ts';

/** The club's name, and how high it lies. */
export const PATCH = endpoint(clubBody, ({ body, scope }) => {
  mustBeAllowed(scope, 'the club');
  return changeClub(database(), scope, body);
});
