import type { MiddlewareHandler } from 'astro';
import { database, isDatabaseGone } from './server/db.ts';
import { log } from './server/log.ts';
import { problemOf, problemResponse } from './server/problem.ts';
import type { Scope } from './server/scope.ts';
import { demoScope, SESSION_COOKIE, scopeOfToken } from './server/session.ts';

const UNSAFE = new Set(['POST', 'PUT', 'PATCH', 'DELETE']);
/** Reached without being signed in. */
const OPEN = ['/api/health', '/enter', '/_astro', '/favicon.svg'];

/** Who held a token when it was last looked up: for commands that must not wait for the database, and while it is gone. */
const lastKnown = new Map<string, { scope: Scope; atMs: number }>();
const MOST_KNOWN = 500;

function remember(token: string, scope: Scope | null): void {
  // the one that was seen longest ago makes room
  lastKnown.delete(token);
  if (!scope) return;
  lastKnown.set(token, { scope, atMs: performance.now() });
  if (lastKnown.size > MOST_KNOWN) lastKnown.delete(lastKnown.keys().next().value!);
}

/** The address under which people reach this server, when a proxy stands before it: `https://arc.example.org`. */
const publicOrigin = (): string => (process.env.GOODARC_ORIGIN ?? '').replace(/\/$/, '');

const MACHINE = /^\/api\/machines\/[^/]+\/(command|beat)$/;

/** Who was signed in is believed for so long where a machine goes on, ms. To stop one, for ever. */
const BELIEVED_MS = 300_000;

/** Hold and stow, and the sign of life, go by who was signed in a moment ago: nobody waits for a database to stop a machine. */
async function mustNotWait(request: Request, path: string, seenAtMs: number): Promise<boolean> {
  const [, what] = MACHINE.exec(path) ?? [];
  if (request.method !== 'POST' || what === undefined) return false;
  if (what === 'beat') return performance.now() - seenAtMs < BELIEVED_MS;
  try {
    const body: unknown = await request.clone().json();
    const { do: wanted } = body as { do?: unknown };
    return wanted === 'hold' || wanted === 'stow';
  } catch {
    return false;
  }
}

/** Signs the visitor in (demo flag or session cookie), and turns away writes from other sites. */
export const onRequest: MiddlewareHandler = async ({ request, url, locals, cookies }, next) => {
  const isApi = url.pathname.startsWith('/api/');
  if (UNSAFE.has(request.method)) {
    const origin = request.headers.get('origin');
    const type = request.headers.get('content-type') ?? '';
    const ours = origin !== null && (origin === url.origin || origin === publicOrigin());
    if (!ours || !type.startsWith('application/json')) {
      return problemResponse({
        type: 'about:blank',
        title: ours
          ? 'Writes must come as application/json.'
          : 'Writes must come from this site. Behind a proxy, its public address must be told to ./arc serve with --origin.',
        status: 403,
        errors: [],
      });
    }
  }
  if (OPEN.some((path) => url.pathname === path || url.pathname.startsWith(`${path}/`))) return next();
  const demo = process.env.GOODARC_DEMO === '1';
  const token = demo ? 'demo' : cookies.get(SESSION_COOKIE)?.value;
  const known = token === undefined ? undefined : lastKnown.get(token);
  if (known && (await mustNotWait(request, url.pathname, known.atMs))) {
    locals.scope = known.scope;
    return next();
  }
  try {
    const scope = demo ? await demoScope(database()) : token ? await scopeOfToken(database(), token) : null;
    if (scope) locals.scope = scope;
    if (token) remember(token, scope);
  } catch (error) {
    // with the database gone a signed-in page can still hold a machine
    if (isApi && known && isDatabaseGone(error)) {
      locals.scope = known.scope;
      return next();
    }
    const problem = problemOf(error, (each) => log.error({ err: each }, 'could not read the session'));
    if (isApi) return problemResponse(problem);
    return new Response(gonePage(problem.title), {
      status: problem.status,
      headers: { 'content-type': 'text/html; charset=utf-8', 'retry-after': '2' },
    });
  }
  if (!locals.scope && !isApi) return new Response(signedOutPage, { status: 401, headers: { 'content-type': 'text/html; charset=utf-8' } });
  return next();
};

const page = (title: string, text: string, head = ''): string =>
  `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">${head}<title>${title} · Good Arc</title><body style="font:18px/1.5 system-ui;background:#fbf6ea;color:#14212e;margin:12vh auto;max-width:34rem;padding:0 1rem"><h1>${title}</h1><p>${text}</p></body></html>`;

const signedOutPage = page('Not signed in', 'Open the link that ./arc serve printed for you; it signs this browser in.');
const gonePage = (text: string): string =>
  page('One moment', `${text} This page tries again every two seconds.`, '<meta http-equiv="refresh" content="2">');
