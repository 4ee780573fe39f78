import { createServer } from 'node:http';
import mysql from 'mysql2/promise';

/** Rows that are put into a page, of the database's own making. */
const ROWS = 100;
/** Rows of the table that is worked on: a millisecond's work for what Node does all day. */
const WORKED = 200;
/** A page is so long, characters. */
const LENGTH = 20_000;

/** A table written as JSON, read, sorted, gathered and put out as markup. @returns {string} */
function work() {
  let x = 1;
  const table = Array.from({ length: WORKED }, (_, i) => {
    x = (x * 16_807) % 2_147_483_647;
    const tags = [`a${x % 7}`, `b${x % 11}`];
    return { id: `row-${x}`, name: `name ${x % 977}`, at: x, share: x / 2_147_483_647, tags, of: { a: i, b: null } };
  });
  /** @type {typeof table} */
  const read = JSON.parse(JSON.stringify(table));
  const sorted = read.filter(({ share }) => share > 0.1).sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : a.at - b.at));
  /** @type {Map<string, typeof table>} */
  const groups = new Map();
  for (const row of sorted) groups.set(row.tags[0] ?? '', [...(groups.get(row.tags[0] ?? '') ?? []), row]);
  const line = (/** @type {(typeof table)[number]} */ { id, name, share, tags }) =>
    `<p id="${id}">${name.replaceAll('&', '&amp;')}: ${share.toFixed(3)} ${tags.join(', ')}</p>`;
  return [...groups].map(([tag, rows]) => `<section><h2>${tag}</h2>${rows.map(line).join('')}</section>`).join('\n');
}

const pool = mysql.createPool({ uri: process.env.DATABASE_URL ?? '', connectionLimit: 2 });
const server = createServer((_, response) => {
  void (async () => {
    await pool.query('SELECT 1');
    const [rows] = await pool.query(`SELECT seq, SHA1(seq) AS sum FROM seq_1_to_${ROWS}`);
    response.setHeader('content-type', 'text/html');
    response.end(`${work()}${/** @type {unknown[]} */ (rows).length}`.padEnd(LENGTH).slice(0, LENGTH));
  })().catch((error) => {
    process.stderr.write(`${error}\n`);
    response.writeHead(503).end();
  });
});
server.listen(Number(process.env.PORT), '127.0.0.1');
