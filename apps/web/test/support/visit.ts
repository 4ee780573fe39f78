import { onRequest } from '../../src/middleware.ts';
import { SESSION_COOKIE } from '../../src/server/session.ts';

/** Runs the middleware as Astro would, before a page or an endpoint that answers so. */
export async function visit(
  path: string,
  {
    method = 'GET',
    headers = {},
    cookie,
    body,
    answer = () => new Response('passed'),
  }: {
    method?: string;
    headers?: Record<string, string>;
    cookie?: string;
    body?: unknown;
    answer?: (locals: App.Locals, request: Request) => Response | Promise<Response>;
  } = {},
) {
  const url = new URL(`http://127.0.0.1:4321${path}`);
  const locals: App.Locals = {};
  const request = new Request(url, { method, headers, ...(body !== undefined && { body: JSON.stringify(body) }) });
  const context = {
    request,
    url,
    locals,
    cookies: { get: (name: string) => (name === SESSION_COOKIE && cookie ? { value: cookie } : undefined) },
  };
  const response = (await onRequest(context as never, async () => answer(locals, request))) as Response;
  const text = await response.text();
  return { status: response.status, passed: text === 'passed', text, headers: response.headers, scope: locals.scope, marks: locals.marks };
}
