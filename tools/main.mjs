import { buildBench, buildCalc, writeSchemas } from './lib/build.mjs';
import { writeRegistries } from './lib/registries.mjs';
import { Stop, say } from './lib/say.mjs';
import { ensureModules, ensureNode } from './lib/setup.mjs';

const USAGE = `Usage: ./arc <command>

  demo [--fresh] [--port N] [--language CODE]
                              an invented centre with simulated machines, in the browser; sets up everything by itself
  test [--only PART] [--quick]
                              every check: lint, types, imports, dead code, unit, database, browser;
                              --quick: format, types and the quick tests, in under a minute
  dev                         the demo with live reload
  serve --club NAME --owner NAME [--port N] [--origin URL] [--language CODE]
                              for a club, against the database in DATABASE_URL, without demo data
  stop                        ends a running demo
  calc <verb> [--lines]       the core on standard input: fly, aim, family,
                              spread, pace, interval, gate, width, compare,
                              streak
  bench                       speed as ratios
  cluster [--port N] [--down] three database nodes, a proxy with HTTPS, a broker and
                              two web servers, on loopback, with the demo; --down ends it
  soak [--minutes 15] [--seed 1] [--cluster]
                              kills, dead lines, phones without a network, bad
                              documents; a table, exit 1 when a line falls short
  load [--results 5000000] [--clients 50] [--browser] [--cluster]
                              what pages cost with years of results, or, with
                              --browser, a cheap phone; a table, exit 1 when a
                              line falls short; with --cluster what requests
                              cost each kind of process
  words [CODE]                brings the file of a language up to date with what the
                              sources say, or begins it (apps/web/languages); the
                              demo and serve take it with --language, and
                              --language pseudo marks every text that has words
  check                       what is kept of every round against its balls, in the
                              database of the demo or in DATABASE_URL; exit 1
                              when one is wrong
  schemas                     writes the JSON Schemas of calc to docs/schema
  help                        this
`;

/** The lines of the usage that tell of one command; all of them when there is none. @param {string} command */
function usageOf(command) {
  const lines = USAGE.split('\n');
  const from = lines.findIndex((line) => line.startsWith(`  ${command} `) || line === `  ${command}`);
  if (from < 0) return USAGE;
  const more = lines.slice(from + 1).findIndex((line) => !line.startsWith('     '));
  return `Usage: ./arc ${lines
    .slice(from, from + 1 + more)
    .join('\n')
    .trim()}\n`;
}

/** Runs a bundled program in this process' stead. @param {string} file @param {string[]} args */
async function handOver(file, args) {
  process.argv = [process.argv[0] ?? 'node', file, ...args];
  await import(file);
}

const [command = '', ...args] = process.argv.slice(2);

async function run() {
  // asking what a command does never does it
  if (args.includes('--help') || args.includes('-h')) {
    say(usageOf(command));
    return;
  }
  ensureNode();
  // `test` says so itself when one was stale
  if (command !== 'test') for (const path of writeRegistries()) say(`wrote ${path}`);
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
    case 'load':
      await (await import('./lib/load.mjs')).load(args);
      break;
    case 'cluster':
      await (await import('./cluster/cluster.mjs')).cluster(args);
      break;
    case 'check':
      await (await import('./lib/check.mjs')).check();
      break;
    case 'soak':
      await (await import('./lib/soak.mjs')).soak(args);
      break;
    case 'words':
      await ensureModules();
      (await import('./words/languages.mjs')).words(args);
      break;
    case 'schemas':
      await ensureModules();
      await writeSchemas();
      break;
    default:
      say(USAGE);
      process.exitCode = command === '' || command === 'help' || command === '--help' ? 0 : 2;
  }
}

try {
  await run();
} catch (error) {
  if (!(error instanceof Stop)) throw error;
  say(`\n${error.message}`);
  process.exitCode = 1;
}
