import { join } from 'node:path';
import { ENGLISH, sourcesOf } from '../words/language-files.mjs';
import { CACHE, ROOT, SIMULATE, TASKS, WEB } from './paths.mjs';
import { Stop, step } from './say.mjs';
import { besides, run, whenStale } from './setup.mjs';

/** One file out of TypeScript sources, for Node. @param {string} entry @param {string} outfile @param {string[]} [external] */
async function bundle(entry, outfile, external = []) {
  const { build } = await import('esbuild');
  await build({
    absWorkingDir: ROOT,
    entryPoints: [entry],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    external,
    logLevel: 'warning',
    sourcemap: 'linked',
  });
}

/** The command-line core; @returns its file */
export async function buildCalc() {
  const outfile = join(CACHE, 'calc.mjs');
  await whenStale('calc', ['packages/core/src', 'tools/calc.ts', 'package-lock.json'], outfile, () =>
    step('building calc', () => bundle('tools/calc.ts', outfile)),
  );
  return outfile;
}

/** @returns the bench's file */
export async function buildBench() {
  const outfile = join(CACHE, 'bench.mjs');
  await whenStale('bench', ['packages/core', 'tools/bench.ts', 'package-lock.json'], outfile, () =>
    step('building bench', () => bundle('tools/bench.ts', outfile)),
  );
  return outfile;
}

/** The device's own store and outbox, for the phones of the soak; @returns its file */
export async function buildPhone() {
  const outfile = join(CACHE, 'phone.mjs');
  const from = ['apps/web/src/device', 'apps/web/src/ui', 'packages/core/src', 'tools/soak/phone.ts', 'package-lock.json'];
  await whenStale('phone', from, outfile, () => step('building the phone', () => bundle('tools/soak/phone.ts', outfile)));
  return outfile;
}

export async function writeSchemas() {
  const outfile = join(CACHE, 'schemas.mjs');
  await bundle('tools/schemas.ts', outfile);
  run(process.execPath, [outfile, join(ROOT, 'docs/schema')]);
}

/** The simulated machines and radar, the database tasks and the web server; each only when its sources changed. */
/** @param {{ web?: boolean }} [options] without `web` for live reload, where Vite serves the sources */
export async function buildAll({ web = true } = {}) {
  const shared = ['packages/core/src', 'packages/line/src', 'packages/simulator/src', 'package-lock.json', 'tsconfig.base.json'];
  await whenStale('simulate', shared, SIMULATE, () =>
    step('building the simulated machines', () => bundle('packages/simulator/src/simulate.ts', SIMULATE)),
  );
  const tasksFrom = [...shared, 'apps/web/src/db', 'apps/web/src/server', 'apps/web/src/tasks.ts'];
  const language = process.env.GOODARC_LANGUAGE ?? ENGLISH;
  if (web)
    await whenStale(
      'web',
      [
        ...shared,
        ...sourcesOf(language),
        ...['apps/web/src', 'apps/web/public', 'apps/web/astro.config.mjs', 'apps/web/package.json'],
        // what its configuration asks
        ...['tools/lib/laws.mjs', 'tools/lib/pieces.mjs', 'tools/words/calendar.mjs', 'tools/words/language-files.mjs'],
      ],
      join(WEB, 'dist/server/entry.mjs'),
      () =>
        step('building the web app (half a minute or so)', async () => {
          const { ended, said } = await besides('npx', ['--no-install', 'astro', 'build', '--silent'], {
            cwd: WEB,
            env: { ...process.env, ASTRO_TELEMETRY_DISABLED: '1', NODE_ENV: 'production' },
          });
          if (ended !== 0) throw new Stop(`the app could not be built: astro ended with ${ended}\n${said}`);
        }),
      language,
    );
  // after the web app: its build empties dist
  await whenStale('tasks', tasksFrom, TASKS, () =>
    step('building the database tasks', () => bundle('apps/web/src/tasks.ts', TASKS, ['mysql2', 'drizzle-orm', 'pino'])),
  );
}
