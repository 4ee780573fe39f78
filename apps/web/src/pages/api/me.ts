import { eq } from 'drizzle-orm';
import { meBody } from '../../api/schemas.ts';
import { person } from '../../db/schema.ts';
import { database } from '../../server/db.ts';
import { endpoint } from '../../server/endpoint.ts';
import { keepFavourite } from '../../server/session.ts';

/** The signed-in person's own units and favourites. */
export const PATCH = endpoint(meBody, async ({ body, scope }) => {
  const { units, favourite } = body;
  if (favourite) await keepFavourite(database(), scope.personId, favourite);
  if (units) await database().update(person).set({ units }).where(eq(person.id, scope.personId));
});
