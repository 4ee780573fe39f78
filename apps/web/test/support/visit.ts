import { onRequest } from '../../src/middleware.ts';
import { SESSION_COOKIE } from '../../src/server/session.ts';

/** Runs the middleware as Astro would. */
export async function visit(
  path: string,
  {
    method = 'GET',
    headers = {},
    cookie,
    body,
  }: { method?: string; headers?: Record<string, string>; cookie?: string; body?: unknown } = {},
) {
  const url = new URL(`http://127.0.0.1:4321${path}`);
  const locals: App.Locals = {};
  const context = {
    request: new Request(url, { method, headers, ...(body !== undefined && { body: JSON.stringify(body) }) }),
    url,
    locals,
    cookies: { get: (name: string) => (name === SESSION_COOKIE && cookie ? { value: cookie } : undefined) },
  };
  const response = (await onRequest(context as never, async () => new Response('passed'))) as Response;
  return { status: response.status, passed: (await response.text()) === 'passed', scope: locals.scope };
}
