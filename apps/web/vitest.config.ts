import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';
import { defineConfig } from 'vitest/config';
import core from '../../packages/core/package.json' with { type: 'json' };

const inRepo = (path: string): string => fileURLToPath(new URL(`../../${path}`, import.meta.url));
const CORE = inRepo('.cache/core-for-tests/');

/** The core as one bundle: its three hundred files, read one by one for each file of tests, took half of the time of them all. */
const entryPoints = Object.entries(core.exports).map(([name, file]) => ({
  in: inRepo(`packages/core/${file}`),
  out: name === '.' ? 'index' : name.slice(2),
}));
await build({
  entryPoints,
  outdir: CORE,
  outExtension: { '.js': '.mjs' },
  bundle: true,
  splitting: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  logLevel: 'warning',
});

export default defineConfig({
  resolve: {
    alias: [
      { find: /^@good-arc\/core$/, replacement: `${CORE}index.mjs` },
      { find: /^@good-arc\/core\/(.+)$/, replacement: `${CORE}$1.mjs` },
    ],
  },
  test: {
    server: { deps: { external: [/core-for-tests/] } },
    // a line waits as long as its page may be silent: a busy processor is no lost machine
    env: { GOODARC_PATIENCE_MS: '3000' },
    name: 'web',
    isolate: false,
    include: ['test/**/*.test.{ts,tsx}'],
    setupFiles: ['test/support/setup.ts'],
    testTimeout: 90_000,
    hookTimeout: 90_000,
  },
});
