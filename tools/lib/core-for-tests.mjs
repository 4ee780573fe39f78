import { readdirSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import core from '../../packages/core/package.json' with { type: 'json' };
import { CACHE, ROOT } from './paths.mjs';

const SOURCES = join(ROOT, 'packages/core/src');
const BUILT = join(CACHE, 'core-for-tests');

/** Of a source of the core, the built file. @param {string} source */
const builtOf = (source) => join(BUILT, relative(SOURCES, source).replace(/\.ts$/, '.mjs'));

async function build() {
  const esbuild = await import('esbuild');
  const entryPoints = readdirSync(SOURCES, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.ts') && !file.endsWith('.d.ts'))
    .map((file) => join(SOURCES, file));
  await esbuild.build({
    entryPoints,
    outbase: SOURCES,
    outdir: BUILT,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    splitting: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    sourcemap: true,
    logLevel: 'warning',
  });
}

const KEY = Symbol.for('good-arc.core-for-tests');
const shared = /** @type {{ [KEY]?: Promise<void> }} */ (globalThis);

/**
 * For Vitest: whatever tests ask of the core is loaded by Node itself, out of one build of it. Through Vitest's own loader, which reads file by file and asks
 * for every function by a getter, flights take three times as long and loading takes as long as testing.
 * @returns {Promise<import('vite').Plugin>}
 */
export async function coreForTests() {
  // once for the projects of a run
  shared[KEY] ??= build();
  await shared[KEY];
  return {
    name: 'core-for-tests',
    enforce: 'pre',
    // modules are read once for all files of a worker; a test leaves nothing behind that another could see
    config: () => ({ test: { isolate: false, server: { deps: { external: [/core-for-tests/] } } } }),
    resolveId(asked, importer) {
      const [, name] = /^@good-arc\/core(?:\/(.+))?$/.exec(asked) ?? [];
      if (asked.startsWith('@good-arc/core')) {
        const file = /** @type {Record<string, string>} */ (core.exports)[name ? `./${name}` : '.'];
        return file ? builtOf(join(ROOT, 'packages/core', file)) : null;
      }
      if (!importer || !asked.startsWith('.')) return null;
      const source = resolve(dirname(importer), asked);
      return source.startsWith(`${SOURCES}/`) ? builtOf(source) : null;
    },
  };
}
