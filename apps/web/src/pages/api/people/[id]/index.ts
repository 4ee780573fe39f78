import type { PersonId } from '@good-arc/core';
import { personBody } from '../../../../api/schemas.ts';
import { database } from '../../../../server/db.ts';
import { endpoint } from '../../../../server/endpoint.ts';
import { putPerson, removePerson } from '../../../../server/people.ts';
import { mustBeAllowed } from '../../../../server/scope.ts';

export const PUT = endpoint(personBody, ({ body, id, scope }) => {
  mustBeAllowed(scope, 'the club');
  return putPerson(database(), scope, id as PersonId, body);
});

export const DELETE = endpoint(null, ({ id, scope }) => {
  mustBeAllowed(scope, 'the club');
  return removePerson(database(), scope, id as PersonId);
});
