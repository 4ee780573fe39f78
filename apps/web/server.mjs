import { createServer } from 'node:http';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import compression from 'compression';
import helmet from 'helmet';
import sirv from 'sirv';
import { handOn } from './hand-on.mjs';

/**
 * Runs the built app and ends it cleanly: machines are held, open streams are closed, nothing acknowledged is lost. Pages are drawn by a thread of their
 * own, so that no command to a machine ever waits for a page.
 */
if (process.env.GOODARC_MODE === 'serve' && process.env.GOODARC_DEMO === '1') {
  console.error('serve refuses the demo sign-in: unset GOODARC_DEMO.');
  process.exit(1);
}
const { pass, ready } = handOn(() => new Worker(new URL('./draws-pages.mjs', import.meta.url)));
/** @param {string} [url] */
const isOwn = (url = '') => url.startsWith('/api/') || url.startsWith('/enter');

await ready;
const entry = new URL('./dist/server/entry.mjs', import.meta.url).href;
/** @type {{ handler(request: import('node:http').IncomingMessage, response: import('node:http').ServerResponse): Promise<void> }} */
const { handler } = await import(entry);

// what a page may load stands in its own policy, with the hashes of its scripts
const protect = helmet({
  contentSecurityPolicy: false,
  frameguard: { action: 'deny' },
  referrerPolicy: { policy: 'same-origin' },
  strictTransportSecurity: (process.env.GOODARC_ORIGIN ?? '').startsWith('https:')
    ? { maxAge: 31_536_000, includeSubDomains: false }
    : false,
});
/** @type {[name: string, value: string][]} the same of every answer, and not worked out for each */
const protecting = [];
protect(
  /** @type {any} */ ({}),
  /** @type {any} */ ({
    removeHeader() {},
    setHeader: (/** @type {string} */ name, /** @type {string} */ value) => protecting.push([name, value]),
  }),
  () => {},
);
// pages carry their data as text; what a machine says is sent at once and never gathered
const compress = compression({
  filter: (request, response) =>
    !String(response.getHeader('content-type')).startsWith('text/event-stream') && compression.filter(request, response),
});
/** A page's sign of life is taken at once (src/server/sign-of-life.ts), when the app has been asked for anything before. */
const signOfLife = Symbol.for('good-arc.sign-of-life');
/** @param {import('node:http').IncomingMessage} request @param {import('node:http').ServerResponse} response @returns {boolean} */
const isSignOfLife = (request, response) => Boolean(/** @type {any} */ (globalThis)[signOfLife]?.(request, response));

// compressed when the app was built (astro.config.mjs); what has its content in its name never changes
const files = sirv(fileURLToPath(new URL('dist/client', import.meta.url)), {
  brotli: true,
  gzip: true,
  etag: true,
  maxAge: 0,
  setHeaders: (response, path) => {
    if (path.startsWith('/_astro/')) response.setHeader('cache-control', 'public, max-age=31536000, immutable');
  },
});

/** @param {string} [url] */
const isReadable = (url = '') => {
  try {
    return decodeURI(url) !== '';
  } catch {
    return false;
  }
};

const server = createServer((request, response) => {
  for (const [name, value] of protecting) response.setHeader(name, value);
  if (!isReadable(request.url)) response.writeHead(400).end('Bad request.');
  else if (isSignOfLife(request, response)) return;
  // what is written is answered in a word, and most often
  else if (isOwn(request.url) && request.method !== 'GET') void handler(request, response);
  else if (isOwn(request.url)) compress(request, response, () => handler(request, response));
  else files(request, response, () => compress(request, response, () => pass(request, response)));
});
server.listen(Number(process.env.PORT ?? 4321), process.env.HOST ?? '127.0.0.1');

let ending = false;
const links = () => /** @type {{ closeAll(): void } | undefined} */ (/** @type {any} */ (globalThis)[Symbol.for('good-arc.links')]);
for (const signal of ['SIGTERM', 'SIGINT']) {
  process.on(signal, () => {
    if (ending) return;
    ending = true;
    links()?.closeAll();
    server.close(() => process.exit(0));
    server.closeIdleConnections();
    setTimeout(() => server.closeAllConnections(), 400);
    setTimeout(() => process.exit(0), 5000);
  });
}
