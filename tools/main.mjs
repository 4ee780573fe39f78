import { buildBench, buildCalc, writeSchemas } from './lib/build.mjs';
import { Stop, say } from './lib/say.mjs';
import { ensureModules, ensureNode } from './lib/setup.mjs';

const USAGE = `Usage: ./arc <command>

  demo [--fresh] [--port N]   an invented centre with simulated machines, in the browser; sets up everything by itself
  test [--only PART]          every check: lint, types, imports, dead code, unit, database, browser
  dev                         the demo with live reload
  serve --club NAME --owner NAME [--port N]
                              for a club, against the database in DATABASE_URL, without demo data
  stop                        ends a running demo
  calc <verb> [--lines]       the core on standard input: fly, aim, family,
                              spread, pace, interval
  bench                       speed as ratios
  schemas                     writes the JSON Schemas of calc to docs/schema
`;

/** Runs a bundled program in this process' stead. @param {string} file @param {string[]} args */
async function handOver(file, args) {
  process.argv = [process.argv[0] ?? 'node', file, ...args];
  await import(file);
}

const [command = '', ...args] = process.argv.slice(2);
try {
  ensureNode();
  switch (command) {
    case 'demo':
    case 'dev':
    case 'serve':
    case 'stop': {
      const app = await import('./lib/app.mjs');
      await app[command](args);
      break;
    }
    case 'test':
      await (await import('./lib/test.mjs')).test(args);
      break;
    case 'calc':
      await ensureModules();
      await handOver(await buildCalc(), args);
      break;
    case 'bench':
      await ensureModules();
      await handOver(await buildBench(), args);
      break;
    case 'schemas':
      await ensureModules();
      await writeSchemas();
      break;
    default:
      say(USAGE);
      process.exitCode = command === '' || command === 'help' || command === '--help' ? 0 : 2;
  }
} catch (error) {
  if (!(error instanceof Stop)) throw error;
  say(`\n${error.message}`);
  process.exitCode = 1;
}
