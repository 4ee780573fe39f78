import { checklistSchema } from '@good-arc/core';
import { writeChecks } from '../../server/checks.ts';
import { endpoint } from '../../server/endpoint.ts';
import { mustBeAllowed } from '../../server/scope.ts';

/** The club's own checklist. */
export const PUT = endpoint(checklistSchema, async ({ body, scope }) => {
  mustBeAllowed(scope, 'kit');
  await writeChecks(scope, body);
});

/** Back to the one that comes with each machine. */
export const DELETE = endpoint(null, async ({ scope }) => {
  mustBeAllowed(scope, 'kit');
  await writeChecks(scope, null);
});
