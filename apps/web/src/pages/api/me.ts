import { eq } from 'drizzle-orm';
import { meBody } from '../../api/schemas.ts';
import { person } from '../../db/schema.ts';
import { database } from '../../server/db.ts';
import { endpoint } from '../../server/endpoint.ts';

/** The signed-in person's own units, theme and favourites. */
export const PATCH = endpoint(meBody, async ({ body, scope }) => {
  const { units, theme, favourites } = body;
  if (!units && !theme && !favourites) return;
  await database()
    .update(person)
    .set({ ...(units ? { units } : {}), ...(theme ? { theme } : {}), ...(favourites ? { favourites } : {}) })
    .where(eq(person.id, scope.personId));
});
