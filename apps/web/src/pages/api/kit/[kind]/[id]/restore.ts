import { z } from 'zod';
import { endpoint } from '../../../../../server/endpoint.ts';
import { isKitKind, KIT_TABLES, noSuchKind } from '../../../../../server/kit.ts';
import { mustBeAllowed } from '../../../../../server/scope.ts';

/** Undoes an archive. */
export const POST = endpoint(z.strictObject({}), async ({ id, store, scope, context }) => {
  mustBeAllowed(scope, 'kit');
  const { kind } = context.params;
  if (!isKitKind(kind)) throw noSuchKind(kind);
  const { table, what } = KIT_TABLES[kind];
  await store.restore(table, id, what);
});
