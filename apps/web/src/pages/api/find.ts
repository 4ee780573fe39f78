import { endpoint } from '../../server/endpoint.ts';
import { findables } from '../../server/find.ts';
import { readViews } from '../../server/views.ts';

/** What can be found by a word: of the whole club, and the person's own views of the logbook. */
export const GET = endpoint(null, async ({ store, scope }) => {
  const [all, views] = await Promise.all([findables(store), readViews(store, scope)]);
  return [...views.map(({ name, query }) => ({ what: 'view' as const, name, more: 'logbook', href: `/logbook?${query}` })), ...all];
});
