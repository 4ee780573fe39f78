import { spawnSync } from 'node:child_process';
import mysql from 'mysql2/promise';
import { isUp } from '../lib/ask.mjs';
import { sleep } from '../soak/rig.mjs';

/** A statement that reads more than so many rows for each that it returns is looked at. */
const MOST_FOR_ONE = 20;

/** Rows and entries of indexes that a connection has looked at, those that the engine passed over among them. */
const LOOKED_AT = `SHOW SESSION STATUS WHERE Variable_name LIKE 'Handler_read_%' OR Variable_name = 'Handler_icp_attempts'`;

/** What a statement says, whoever it is about. @param {string} text */
const shapeOf = (text) =>
  text
    .replace(/'(?:[^'\\]|\\.|'')*'/g, '?')
    .replace(/\b\d+(?:\.\d+)?\b/g, '?')
    .replace(/(?:\?\s*,\s*)+\?/g, '?')
    .replace(/\s+/g, ' ')
    .trim();

/**
 * The statements of each page that look at more rows than they return × 20, each once, as it looked at most. They are listened to in the log of the database
 * while a server that knows nothing yet draws each page, and again after a ball was judged; then each is asked alone, and what it looked at is counted.
 * @param {Pick<import('../soak/rig.mjs').Rig, 'url' | 'origin' | 'server'>} rig @param {Record<string, string>} pages by name @param {() => Promise<void>} ball
 * @returns {Promise<{ page: string, shape: string, looked: number, returned: number }[]>} most first
 */
export async function plansOf(rig, pages, ball) {
  const socket = new URL(rig.url).searchParams.get('socketPath') ?? '';
  const granted = spawnSync('mariadb', ['--no-defaults', `--socket=${socket}`, '-e', "GRANT ALL ON *.* TO 'goodarc'@'localhost'"]);
  if (granted.status !== 0) throw new Error(`the log of the database cannot be had: ${granted.stderr}`);
  const own = await mysql.createConnection({ uri: rig.url, timezone: 'Z' });
  try {
    /** @param {string} text @returns {Promise<Record<string, any>[]>} */
    const ask = async (text) => /** @type {any} */ ((await own.query(text))[0]);
    await ask("SET GLOBAL log_output = 'TABLE'");
    await ask('SET GLOBAL general_log = 1');
    // one that prepares its statements from now on: only then does the log say what their values are
    const { child } = rig.server;
    child.child.kill('SIGTERM');
    await child.ended;
    while (!(await isUp(rig.origin))) await sleep(100);
    for (const turn of ['first', 'then']) {
      await ball();
      for (const [name, path] of Object.entries(pages)) {
        await ask(`SELECT 'page', '${name}'`);
        const { status } = await fetch(`${rig.origin}${path}`);
        if (status !== 200) throw new Error(`${name}, ${turn}: ${status}`);
      }
    }
    await ask('SET GLOBAL general_log = 0');
    const log = await ask("SELECT argument AS text FROM mysql.general_log WHERE command_type IN ('Query', 'Execute') ORDER BY event_time");
    /** @type {Map<string, string>} statement, and the page that asked it first */
    const statements = new Map();
    let page = '';
    for (const { text } of log) {
      const begun = /^SELECT 'page', '(.*)'$/.exec(String(text));
      if (begun) page = begun[1] ?? '';
      else if (page !== '' && /^select\b/i.test(String(text)) && !statements.has(String(text))) statements.set(String(text), page);
    }
    const looked = async () => (await ask(LOOKED_AT)).reduce((sum, { Value }) => sum + Number(Value), 0);
    await looked();
    const [before, after] = [await looked(), await looked()];
    const itself = after - before;
    /** @type {Map<string, { page: string, shape: string, looked: number, returned: number }>} */
    const worst = new Map();
    for (const [text, from] of statements) {
      const begin = await looked();
      const { length: returned } = await ask(text);
      const now = { page: from, shape: shapeOf(text), looked: (await looked()) - begin - itself, returned };
      if (now.looked > MOST_FOR_ONE * Math.max(1, returned) && now.looked > (worst.get(now.shape)?.looked ?? 0)) worst.set(now.shape, now);
    }
    return [...worst.values()].sort((a, b) => b.looked - a.looked);
  } finally {
    await own.end();
  }
}
