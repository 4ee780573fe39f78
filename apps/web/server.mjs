import compression from 'compression';
import helmet from 'helmet';

/** Runs the built app and ends it cleanly: machines are held, open streams are closed, nothing acknowledged is lost. */
if (process.env.GOODARC_MODE === 'serve' && process.env.GOODARC_DEMO === '1') {
  console.error('serve refuses the demo sign-in: unset GOODARC_DEMO.');
  process.exit(1);
}
process.env.ASTRO_NODE_AUTOSTART = 'disabled';
process.env.HOST ??= '127.0.0.1';
const entry = new URL('./dist/server/entry.mjs', import.meta.url).href;
const { startServer } = await import(entry);
const { server } = startServer();

// pages carry their data as text; what a machine says is sent at once and never gathered
const compress = compression({
  filter: (request, response) =>
    !String(response.getHeader('content-type')).startsWith('text/event-stream') && compression.filter(request, response),
});
// what a page may load stands in its own policy, with the hashes of its scripts
const protect = helmet({
  contentSecurityPolicy: false,
  frameguard: { action: 'deny' },
  referrerPolicy: { policy: 'same-origin' },
  strictTransportSecurity: (process.env.GOODARC_ORIGIN ?? '').startsWith('https:')
    ? { maxAge: 31_536_000, includeSubDomains: false }
    : false,
});
const [handle] = server.server.listeners('request');
server.server.removeAllListeners('request');
server.server.on('request', (request, response) =>
  protect(request, response, () => compress(request, response, () => handle(request, response))),
);

const links = () => /** @type {{ closeAll(): void } | undefined} */ (/** @type {any} */ (globalThis)[Symbol.for('good-arc.links')]);
let ending = false;
for (const signal of ['SIGTERM', 'SIGINT']) {
  process.on(signal, () => {
    if (ending) return;
    ending = true;
    links()?.closeAll();
    server.server.close(() => process.exit(0));
    server.server.closeIdleConnections();
    setTimeout(() => server.server.closeAllConnections(), 400);
    setTimeout(() => process.exit(0), 5000);
  });
}
