import { sql } from 'drizzle-orm';
import { database } from '../../server/db.ts';
import { json } from '../../server/endpoint.ts';

/** Whether the server and its database answer. */
export const GET = async (): Promise<Response> => {
  try {
    await database().execute(sql`select 1`);
    return json({ ok: true });
  } catch {
    return json({ ok: false }, 503);
  }
};
