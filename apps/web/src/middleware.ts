import type { MiddlewareHandler } from 'astro';
import { atLast, drawnApart } from './islands/apart.ts';
import { carrierInHead } from './islands/sent.ts';
import { textOf } from './server/body.ts';
import { database, isDatabaseGone } from './server/db.ts';
import { knownTokens } from './server/known.ts';
import { log } from './server/log.ts';
import { isFromElsewhere, isOurs } from './server/origin.ts';
import { plainPage } from './server/plainPage.ts';
import { scriptsOfBuild, withPreloads } from './server/preload.ts';
import { problemOf, problemResponse } from './server/problem.ts';
import { mustBeSignedIn } from './server/scope.ts';
import { demoVisitor, isDemo, SESSION_COOKIE, toProve, visitorOfToken } from './server/session.ts';
import './server/sign-of-life.ts';

const UNSAFE = new Set(['POST', 'PUT', 'PATCH', 'DELETE']);
/** Reached without being signed in. */
const OPEN = ['/api/health', '/api/alive', '/enter', '/_astro', '/favicon.svg'];

const MACHINE = /^\/api\/machines\/[^/]+\/(command|beat)$/;

/** Asked with every ball: the statement that puts it down finds out itself whether who asks is still signed in (`Unproven`). */
const isProven = (request: Request, path: string): boolean =>
  request.method === 'PUT' && /^\/api\/rounds\/[^/]+\/results\/[^/]+$/.test(path);

/** Hold and stow, and the sign of life, go by who was signed in a moment ago: nobody waits for a database to stop a machine. */
async function mustNotWait(request: Request, path: string, token: string): Promise<boolean> {
  const [, what] = MACHINE.exec(path) ?? [];
  if (request.method !== 'POST' || what === undefined) return false;
  if (what === 'beat') return knownTokens.believed(token) !== null;
  try {
    const { do: wanted } = JSON.parse(await textOf(request)) as { do?: unknown };
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
    const ours = origin !== null && isOurs(origin, url.origin);
    // the way in is a form, for browsers without scripts
    const fits = type.startsWith('application/json') || (url.pathname === '/enter' && type.startsWith('application/x-www-form-urlencoded'));
    if (!ours || !fits) {
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
  if (isApi && isFromElsewhere(request.headers.get('origin'), request.headers.get('sec-fetch-site'), url.origin))
    return problemResponse({ type: 'about:blank', title: 'Only pages of this site may ask.', status: 403, errors: [] });
  if (OPEN.some((path) => url.pathname === path || url.pathname.startsWith(`${path}/`))) return next();
  const demo = isDemo();
  const token = demo ? 'demo' : cookies.get(SESSION_COOKIE)?.value;
  const known = token === undefined ? undefined : knownTokens.get(token);
  if (token !== undefined && known && (await mustNotWait(request, url.pathname, token))) {
    locals.scope = known.scope;
    return next();
  }
  const look = async () => {
    const wanted = { withMarks: !isApi, believed: known?.scope.clubId };
    const visitor = demo ? await demoVisitor(database(), wanted) : token ? await visitorOfToken(database(), token, wanted) : null;
    if (token) knownTokens.remember(token, visitor?.scope ?? null);
    return visitor;
  };
  const lately = token !== undefined && isProven(request, url.pathname) ? knownTokens.lately(token) : null;
  if (token !== undefined && lately) {
    locals.scope = lately;
    locals.unproven = {
      by: demo ? 'demo' : 'session',
      values: toProve(token, lately),
      look: async () => mustBeSignedIn((await look())?.scope),
    };
    return next();
  }
  try {
    const visitor = await look();
    if (visitor) Object.assign(locals, visitor);
  } catch (error) {
    // with the database gone a signed-in page can still hold a machine
    if (isApi && known && isDatabaseGone(error)) {
      locals.scope = known.scope;
      return next();
    }
    const problem = problemOf(error, (each) => log.error({ err: each }, 'could not read the session'));
    if (isApi) return problemResponse(problem);
    return gonePage(problem.title, problem.status);
  }
  if (!locals.scope && !isApi)
    return plainPage(
      'Not signed in',
      'Open the link that the owner of the club gave you (Kit → The club), or that ./arc serve printed; it signs this browser in.',
      401,
    );
  const page = withPolicy(await next());
  return locals.isByScripts ? withScripts(request, page, locals) : page;
};

function gonePage(text: string, status: number): Response {
  const page = plainPage(
    'One moment',
    `${text} This page tries again every two seconds.`,
    status,
    '<meta http-equiv="refresh" content="2">',
  );
  page.headers.set('retry-after', '2');
  return page;
}

/** A page that its scripts draw names them in its head, and carries there what they draw. */
async function withScripts(request: Request, page: Response, { sent }: App.Locals): Promise<Response> {
  const carrier = sent === undefined ? '' : carrierInHead(sent);
  const named = (html: string, more: string): string => withPreloads(html, scriptsOfBuild(), more);
  // years of rounds are longer than the page: they are put in as bytes
  if (atLast(request, (html) => named(html, carrier && drawnApart(request, new TextEncoder().encode(carrier))))) return page;
  // it is another text now, and longer
  page.headers.delete('content-length');
  return new Response(named(await page.text(), carrier), page);
}

/** Styles may be set by scripts (drawings, messages that pop up); scripts are those of the build only, which Astro lists by their hashes. */
function withPolicy(response: Response): Response {
  const policy = response.headers.get('content-security-policy');
  if (policy) response.headers.set('content-security-policy', policy.replace(/style-src [^;]*;/, "style-src 'self' 'unsafe-inline';"));
  return response;
}
