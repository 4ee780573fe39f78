import { badInput, fieldProblems, pointerOf } from '@good-arc/core/calc';
import type { APIContext, APIRoute } from 'astro';
import { z } from 'zod';
import { textOf } from './body.ts';
import { database } from './db.ts';
import { log } from './log.ts';
import { problemOf, problemResponse, Refusal } from './problem.ts';
import { mustBeOwn } from './references.ts';
import { mustBeSignedIn, type Scope, type Unproven } from './scope.ts';
import { Store } from './store.ts';

export interface Call<Body> {
  body: Body;
  /** The id in the path: a UUID. */
  id: string;
  scope: Scope;
  store: Store;
  /** Version of the row that the page saw, by `If-Match` (RFC 9110, 13.1.1); null without one. */
  seen: number | null;
  context: APIContext;
  /** Only where the endpoint says that it proves by itself who asks. */
  unproven: Unproven | undefined;
}

const uuid = z.uuid();

export const json = (value: unknown, status = 200): Response =>
  new Response(JSON.stringify(value), { status, headers: { 'content-type': 'application/json', 'cache-control': 'no-store' } });

/**
 * A thin endpoint: checks the id in the path, the body against its schema and the ids in it against the club, calls, answers.
 * Every failure is a problem document; a body that does not fit changes nothing.
 * @param schema null for an endpoint without a body @param longestBody bytes @param proves what it writes finds out who asks (`Unproven`); else they are looked up
 * @param run its value is the answer; undefined answers 204
 */
export function endpoint<S extends z.ZodType>(
  schema: S | null,
  run: (call: Call<z.output<S>>) => Promise<unknown>,
  { longestBody, proves = false }: { longestBody?: number; proves?: boolean } = {},
): APIRoute {
  return async (context) => {
    try {
      const { unproven } = context.locals;
      const scope = unproven && !proves ? await unproven.look() : mustBeSignedIn(context.locals.scope);
      const { id = '' } = context.params;
      if (id !== '' && !uuid.safeParse(id).success)
        throw new Refusal(400, 'Bad input', [{ pointer: '/id', detail: 'The id in the address must be a UUID.' }]);
      const body = schema ? await readBody(context.request, schema, longestBody) : undefined;
      const store = new Store(database(), scope);
      await mustBeOwn(store, body);
      const seen = seenOf(context.request.headers.get('if-match'));
      const answer = await run({ body: body as z.output<S>, id, scope, store, seen, context, unproven: proves ? unproven : undefined });
      if (answer instanceof Response) return answer;
      return answer === undefined ? new Response(null, { status: 204 }) : json(answer);
    } catch (error) {
      return problemResponse(problemOf(error, (each) => log.error({ err: each }, 'endpoint failed')));
    }
  };
}

function seenOf(header: string | null): number | null {
  if (header === null) return null;
  const [, version] = /^"?(\d{1,9})"?$/.exec(header) ?? [];
  if (version === undefined)
    throw new Refusal(400, 'Bad input', [{ pointer: '/version', detail: 'If-Match must be the version the page saw, such as "3".' }]);
  return Number(version);
}

async function readBody<S extends z.ZodType>(request: Request, schema: S, longest: number | undefined): Promise<z.output<S>> {
  const text = await textOf(request, longest);
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    throw new Refusal(400, 'Bad input', [{ pointer: '', detail: 'The body must be a JSON document.' }]);
  }
  const illFormed = notText(value);
  if (illFormed !== null)
    throw new Refusal(400, 'Bad input', [
      { pointer: illFormed, detail: 'This text holds half a character; take it out, or type it again.' },
    ]);
  const parsed = schema.safeParse(value);
  if (parsed.success) return parsed.data;
  const problem = badInput(fieldProblems(parsed.error));
  throw new Refusal(problem.status, problem.title, problem.errors);
}

/** Where a text holds half of a character that takes two (a lone surrogate), which no database keeps; null when none does. */
function notText(value: unknown, path: readonly string[] = []): string | null {
  if (typeof value === 'string') return /\p{Surrogate}/u.test(value) ? pointerOf(path) : null;
  if (typeof value !== 'object' || value === null) return null;
  for (const [key, part] of Object.entries(value)) {
    const found = /\p{Surrogate}/u.test(key) ? pointerOf(path) : notText(part, [...path, key]);
    if (found !== null) return found;
  }
  return null;
}
