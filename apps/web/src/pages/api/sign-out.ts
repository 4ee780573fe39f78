import { signOutBody } from '../../api/schemas.ts';
import { database } from '../../server/db.ts';
import { endpoint } from '../../server/endpoint.ts';
import { knownTokens } from '../../server/known.ts';
import { SESSION_COOKIE, signOut } from '../../server/session.ts';

/** Ends the sign-in of this browser, or of every browser the person signed in. */
export const POST = endpoint(signOutBody, async ({ body: { everywhere }, scope, context }) => {
  const token = context.cookies.get(SESSION_COOKIE)?.value ?? '';
  await signOut(database(), token, { everywhere, personId: scope.personId });
  knownTokens.forget(token, everywhere ? scope.personId : null);
  context.cookies.delete(SESSION_COOKIE, { path: '/' });
});
