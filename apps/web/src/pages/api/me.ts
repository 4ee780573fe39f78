import { eq } from 'drizzle-orm';
import { meBody } from '../../api/schemas.ts';
import { person } from '../../db/schema.ts';
import { database } from '../../server/db.ts';
import { endpoint } from '../../server/endpoint.ts';
import { keepFavourite } from '../../server/session.ts';
import { keepView } from '../../server/views.ts';

/** The signed-in person's own units, favourites and views of the logbook. */
export const PATCH = endpoint(meBody, async ({ body, scope }) => {
  const { units, favourite, view } = body;
  if (favourite) await keepFavourite(database(), scope.personId, favourite);
  if (view) await keepView(database(), scope, view);
  if (units) await database().update(person).set({ units }).where(eq(person.id, scope.personId));
});
