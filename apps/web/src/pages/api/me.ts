import { eq } from 'drizzle-orm';
import { meBody } from '../../api/schemas.ts';
import { person } from '../../db/schema.ts';
import { database } from '../../server/db.ts';
import { endpoint } from '../../server/endpoint.ts';

/** The signed-in person's own units and theme. */
export const PATCH = endpoint(meBody, async ({ body, scope }) => {
  const { units, theme } = body;
  if (!units && !theme) return;
  await database()
    .update(person)
    .set({ ...(units ? { units } : {}), ...(theme ? { theme } : {}) })
    .where(eq(person.id, scope.personId));
});
