import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';
import react from '@astrojs/react';
import tailwindcss from '@tailwindcss/vite';
import pwa from '@vite-pwa/astro';
import { defineConfig, passthroughImageService } from 'astro/config';
import { jStatWith, lawsInUse } from '../../tools/lib/laws.mjs';
import { pieceOf } from '../../tools/lib/pieces.mjs';
import { calendarOf } from '../../tools/words/calendar.mjs';
import { ENGLISH, langOf } from '../../tools/words/language-files.mjs';

/** One bundle for the server build makes the first page ten times faster; it breaks dev, so it applies to the build only. */
const bundledServer = {
  name: 'bundled-server',
  apply: /** @type {const} */ ('build'),
  config: () => ({ ssr: { noExternal: true, external: ['mysql2', 'pino', 'drizzle-orm'] } }),
};

/** Of jStat the laws we ask for: a page would load seven times as much else. */
const lawsOfJStat = () => ({
  name: 'laws-of-jstat',
  apply: /** @type {const} */ ('build'),
  load: (/** @type {string} */ id) => (id.endsWith('/node_modules/jstat/dist/jstat.js') ? jStatWith(lawsInUse()) : null),
});

/** One line of Astro's own, put otherwise in the build. @param {string} name @param {string} file @param {string} line @param {string} instead */
const inAstro = (name, file, line, instead) => ({
  name,
  apply: /** @type {const} */ ('build'),
  transform(/** @type {string} */ code, /** @type {string} */ id) {
    if (!id.endsWith(`/astro/dist/${file}`)) return null;
    if (!code.includes(line)) throw new Error(`Astro says this in another way: see \`${name}\` in astro.config.mjs`);
    return code.replace(line, instead);
  },
});

/** Of every attribute with an `&` Astro asks whether it is an address, by an exception: those of islands never are. */
const ASKS = 'function isHttpUrl(url) {\n';
const addresses = inAstro('addresses', 'runtime/server/render/util.js', ASKS, `${ASKS}  if (!/^https?:/i.test(url)) return false;\n`);

/** Of every script and style that stands in a page Astro works out the hash for each request, though they are those of the build. */
const hashes = inAstro(
  'hashes',
  'core/encryption.js',
  'async function generateCspDigest(data, algorithm) {\n',
  `const digests = new Map();
function generateCspDigest(data, algorithm) {
  const known = digests.get(data) ?? digestOf(data, algorithm);
  digests.set(data, known);
  return known;
}
async function digestOf(data, algorithm) {
`,
);

/** As small as they get. */
const SMALL = { params: { [constants.BROTLI_PARAM_QUALITY]: 11 } };

/** Files are compressed when they are built, as small as they get: what is asked for is only handed out (server.mjs). After the service worker is made. */
const squeezed = {
  name: 'squeezed',
  hooks: {
    'astro:build:done': async (/** @type {{ dir: URL }} */ { dir }) => {
      const names = readdirSync(dir, { recursive: true, encoding: 'utf8' }).filter((name) => /\.(js|css|svg|webmanifest|wasm)$/.test(name));
      await Promise.all(
        names.map(async (name) => {
          const file = new URL(name, dir);
          const content = readFileSync(file);
          writeFileSync(new URL(`${file}.br`), await promisify(brotliCompress)(content, SMALL));
          writeFileSync(new URL(`${file}.gz`), await promisify(gzip)(content, { level: 9 }));
        }),
      );
    },
  },
};

/** In few files, those of the pages: the server's are read once. */
const inPieces = {
  name: 'in-pieces',
  apply: /** @type {const} */ ('build'),
  config: (/** @type {unknown} */ _, /** @type {{ isSsrBuild?: boolean }} */ { isSsrBuild }) =>
    isSsrBuild
      ? {}
      : {
          build: { rollupOptions: { output: { manualChunks: pieceOf, onlyExplicitManualChunks: true, experimentalMinChunkSize: 2_000 } } },
        },
};
/** Islands of React, handed what they show as one text and drawn once (src/islands). */
const islands = () => {
  const own = react();
  const setUp = own.hooks['astro:config:setup'];
  const file = (/** @type {string} */ name) => fileURLToPath(new URL(`src/islands/${name}`, import.meta.url));
  return {
    ...own,
    hooks: {
      ...own.hooks,
      'astro:config:setup': (/** @type {Parameters<NonNullable<typeof setUp>>[0]} */ options) => {
        options.injectScript('before-hydration', `import ${JSON.stringify(file('before.ts'))};`);
        return setUp?.({
          ...options,
          addRenderer: (/** @type {import('astro').AstroRenderer} */ renderer) =>
            options.addRenderer({ ...renderer, clientEntrypoint: file('client.ts'), serverEntrypoint: file('server.ts') }),
        });
      },
    },
  };
};
/** server.mjs listens, and hands out files. */
const behindOurServer = {
  name: 'behind-our-server',
  hooks: {
    'astro:config:done': (/** @type {{ setAdapter: (adapter: import('astro').AstroAdapter) => void }} */ { setAdapter }) =>
      setAdapter({
        name: 'behind-our-server',
        serverEntrypoint: fileURLToPath(new URL('src/adapter.ts', import.meta.url)),
        exports: ['handler', 'answer'],
        supportedAstroFeatures: { serverOutput: 'stable', sharpImageService: 'stable' },
      }),
  },
};
/** ./arc sets it, by --language. */
const language = process.env.GOODARC_LANGUAGE ?? ENGLISH;
/** The app, its workers and its service worker are builds of their own. */
const speaking =
  language === ENGLISH ? () => [] : await import('../../tools/words/plugin.mjs').then((words) => () => [words.inLanguage(language)]);

export default defineConfig({
  output: 'server',
  adapter: behindOurServer,
  integrations: [
    islands(),
    pwa({
      strategies: 'injectManifest',
      srcDir: 'src/device',
      filename: 'sw.ts',
      // a new version waits until every page is closed; the pages register it themselves
      registerType: 'prompt',
      injectRegister: false,
      injectManifest: {
        buildPlugins: { vite: speaking() },
        globPatterns: ['**/*.{js,css,woff2,svg,png}'],
        dontCacheBustURLsMatching: /_astro\//,
        maximumFileSizeToCacheInBytes: 4_000_000,
      },
      manifest: {
        name: 'Good Arc',
        short_name: 'Good Arc',
        description: 'Ball machine set-ups, ladders and rounds',
        start_url: '/',
        display: 'standalone',
        background_color: '#fbf6ea',
        theme_color: '#fbf6ea',
        icons: [
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
        ],
      },
    }),
    squeezed,
  ],
  image: { service: passthroughImageService() },
  experimental: {
    csp: {
      directives: [
        "default-src 'self'",
        "img-src 'self' data: blob:",
        "font-src 'self' data:",
        "connect-src 'self' data: blob:",
        "worker-src 'self' blob:",
        "object-src 'none'",
        "base-uri 'none'",
        "form-action 'self'",
        "frame-ancestors 'none'",
      ],
      // documents to print lay their pages out in WebAssembly
      scriptDirective: { resources: ["'self'", "'wasm-unsafe-eval'"] },
    },
  },
  devToolbar: { enabled: false },
  // where a write comes from is checked in the middleware, which knows the public address
  security: { checkOrigin: false, allowedDomains: [{ hostname: '127.0.0.1' }, { hostname: 'localhost' }] },
  vite: {
    plugins: [tailwindcss(), bundledServer, addresses, hashes, inPieces, lawsOfJStat(), ...speaking()],
    worker: { plugins: () => [lawsOfJStat(), ...speaking()] },
    define: {
      'import.meta.env.LANGUAGE': JSON.stringify(langOf(language)),
      CALENDAR: JSON.stringify(calendarOf(langOf(language))),
    },
    build: {
      target: 'es2022',
      // by it a page names all the scripts its islands will ask for (src/server/preload.ts)
      manifest: true,
      // what a part that comes later needs is there mostly; to ask for each file of it by an element took a phone 0.1 s beside a rung on court
      modulePreload: { resolveDependencies: () => [] },
      // React as it is bundled stands in no function of its own, which a phone would read twice, and not beside the page
      commonjsOptions: { strictRequires: false },
      rollupOptions: {
        // jStat only computes; it does not say so, and every page whose modules could ask it would load it
        treeshake: { moduleSideEffects: (id) => !id.includes('/node_modules/jstat/') },
      },
    },
  },
});
