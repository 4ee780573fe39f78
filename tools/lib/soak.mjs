import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { numberOf } from './args.mjs';
import { buildAll, buildCalc, buildPhone } from './build.mjs';
import { ROOT } from './paths.mjs';
import { say, step } from './say.mjs';
import { ensureModules, ensurePrograms } from './setup.mjs';

/** @typedef {{ what: string, figures: string, isGood: boolean, examples?: string[] }} Row */

/** Documents of calc that fit, by verb: the examples of its schemas. */
function calcExamples() {
  const text = readFileSync(join(ROOT, 'docs/calc.md'), 'utf8');
  /** @type {Record<string, unknown>} */
  const examples = {};
  for (const [, document, verb] of text.matchAll(/echo '([^']+)' \| \.\/arc calc (\w+)/g))
    if (verb && document) examples[verb] = JSON.parse(document);
  return examples;
}

/**
 * Kills, dead lines, phones without a network and bad documents, on servers and data of its own; one table, exit 1 when a line of it falls short.
 * @param {string[]} args
 */
export async function soak(args) {
  if (args.includes('--cluster')) return soakCluster(numberOf(args, '--seed', 1));
  const minutes = numberOf(args, '--minutes', 15);
  const seed = numberOf(args, '--seed', 1);
  await ensurePrograms({ database: true });
  await ensureModules();
  await buildAll();
  const rows = await soaked(minutes, seed);
  const short = rows.filter(({ isGood }) => !isGood).length;
  process.stdout.write(`${rows.length - short} good, ${short} short (seed ${seed}, ${minutes} min)\n`);
  if (short > 0) process.exitCode = 1;
}

/** Each kind of process of a cluster is killed so often. */
const KILLS_EACH = 3;

/** Every kind of process of a cluster killed in turn, under load. @param {number} seed */
async function soakCluster(seed) {
  const [{ endWithUs, prepared, startCluster }, { clusterTrials }] = await Promise.all([
    import('../cluster/cluster.mjs'),
    import('../soak/cluster.mjs'),
  ]);
  await prepared();
  const { seededRandom } = await import(await buildPhone());
  const cluster = await startCluster();
  endWithUs(cluster);
  try {
    const rows = await step('killing each kind of process in turn', () => clusterTrials(cluster, KILLS_EACH, seededRandom(seed)));
    const short = told(rows);
    process.stdout.write(`${rows.length - short} good, ${short} short (seed ${seed})\n`);
    if (short > 0) process.exitCode = 1;
  } finally {
    await cluster.end();
  }
}

/** The table. @param {Row[]} rows @returns {number} how many fall short */
function told(rows) {
  const width = Math.max(...rows.map(({ what }) => what.length));
  for (const { what, figures, isGood, examples = [] } of rows) {
    process.stdout.write(`${isGood ? 'good ' : 'SHORT'}  ${what.padEnd(width)}  ${figures}\n`);
    for (const example of examples) say(`       ${example}`);
  }
  return rows.filter(({ isGood }) => !isGood).length;
}

/** Less than a minute of it, in every run of the tests: what it counts must be nought; how long it took is for the long one. */
export const SHORT_MINUTES = 0.5;

/**
 * The trials, one after the other, and their table. What is built must be there.
 * @param {number} minutes @param {number} seed @returns {Promise<Row[]>}
 */
export async function soaked(minutes, seed) {
  const isShort = minutes <= SHORT_MINUTES;
  const [calcFile, phoneFile] = [await buildCalc(), await buildPhone()];
  const [{ aRig }, { kills }, { offline }, { stops }, { holds }, { fuzz }, { promises }, phone] = await Promise.all([
    import('../soak/rig.mjs'),
    import('../soak/kills.mjs'),
    import('../soak/offline.mjs'),
    import('../soak/stops.mjs'),
    import('../soak/holds.mjs'),
    import('../soak/fuzz.mjs'),
    import('../soak/promises.mjs'),
    import(phoneFile),
  ]);
  const random = phone.seededRandom(seed);
  // what of the time goes where: a stop takes some four seconds, a hold two, a bad document four milliseconds
  const ms = minutes * 60_000;
  const times = {
    stops: Math.max(isShort ? 1 : 2, Math.round((0.35 * ms) / 6 / 5000)),
    holds: Math.max(isShort ? 2 : 4, Math.round((0.15 * ms) / 2 / 2200)),
  };
  const documents = Math.min(10_000, Math.max(300, Math.round((0.1 * ms) / 5)));
  const rig = await step('starting a database, a server and a machine', () => aRig(seed));
  /** @type {Row[]} */
  const rows = [];
  const trials = /** @type {const} */ ([
    ['phones without a network', () => offline(rig, phone, isShort ? 2 : 6)],
    ['a machine whose driver dies', () => stops(rig, times.stops, !isShort)],
    ['hold, while others load pages', () => holds(rig, times.holds, !isShort)],
    ['bad documents', () => fuzz(rig, documents, random, { calcFile, verbs: calcExamples(), filesToRead: phone.filesToRead })],
    ['kills while devices write', () => kills(rig, Math.max(16_000, 0.4 * ms), random)],
    // in a run of the tests these run by themselves
    ...(isShort ? [] : /** @type {const} */ ([['promises', () => promises(rig)]])),
  ]);
  try {
    for (const [name, trial] of trials) rows.push(...[await step(name, () => /** @type {Promise<Row | Row[]>} */ (trial()))].flat());
  } finally {
    await rig.end();
  }
  told(rows);
  return rows;
}
