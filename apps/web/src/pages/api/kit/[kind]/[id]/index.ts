import type { APIRoute } from 'astro';
import { KIT } from '../../../../../api/schemas.ts';
import { endpoint } from '../../../../../server/endpoint.ts';
import { isKitKind, KIT_TABLES, noSuchKind } from '../../../../../server/kit.ts';
import { links } from '../../../../../server/links.ts';
import { problemResponse } from '../../../../../server/problem.ts';
import { mustBeAllowed } from '../../../../../server/scope.ts';

/** Adds or changes one thing of the kit. */
export const PUT: APIRoute = (context) => {
  const { kind } = context.params;
  if (!isKitKind(kind)) return problemResponse(noSuchKind(kind).problem);
  const { table, what } = KIT_TABLES[kind];
  return endpoint(KIT[kind], async ({ body, id, store, scope, seen }) => {
    mustBeAllowed(scope, 'kit');
    const version = await store.putFrom(table as typeof KIT_TABLES.players.table, { id, ...body } as never, what, seen);
    // a machine that got another address, or none, is not driven on by the old one
    if ('linkAddress' in body) links.keepOnly(id, scope.clubId, body.linkAddress);
    return { version };
  })(context);
};

/** Archives it; `restore` brings it back. */
export const DELETE = endpoint(null, async ({ id, store, scope, context }) => {
  mustBeAllowed(scope, 'kit');
  const { kind } = context.params;
  if (!isKitKind(kind)) throw noSuchKind(kind);
  const { table, what } = KIT_TABLES[kind];
  await store.remove(table, id, what);
  if (kind === 'machines') links.keepOnly(id, scope.clubId, '');
});
