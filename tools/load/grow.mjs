import mysql from 'mysql2/promise';

/** Rounds of one copy lie so many days before those of the copy before it. */
const DAYS_APART = 7;
/** Clubs in all: the demo’s, and others as large. */
const CLUBS = 10;
/** Copies of every round that are written in one statement. */
const AT_ONCE = 8;
/** What a club needs before it has rounds, in the order of its references. */
const KIT = ['court', 'machine', 'player', 'ladder', 'rung', 'outing'];

/** An id of a copy: its time stays, the last group says which copy it is, and its version that it is one. @param {string} column @param {string} which a number, in SQL */
const idOf = (column, which) =>
  `CONCAT(LEFT(t.\`${column}\`, 14), '8', SUBSTRING(t.\`${column}\`, 16, 9), LPAD(HEX(${which}), 4, '0'), RIGHT(t.\`${column}\`, 8))`;

/**
 * Years of results in bulk, the same every time: the demo's rounds again and again, week before week, in its own club and in nine more.
 * @param {string} url of the database @param {number} results of all clubs together @param {(share: number) => void} told
 */
export async function grow(url, results, told) {
  const db = await mysql.createConnection({ uri: url, timezone: 'Z' });
  /** @param {string} sql @param {unknown[]} [values] @returns {Promise<any[]>} */
  const query = async (sql, values = []) => /** @type {any} */ ((await db.query(sql, values))[0]);
  /** @param {string} table @param {string} from @param {Record<string, string>} changed columns that are not copied as they are */
  async function copy(table, from, changed) {
    const names = (
      await query('SELECT column_name AS name FROM information_schema.columns WHERE table_schema = DATABASE() AND table_name = ?', [table])
    ).map(({ name }) => String(name));
    const columns = names.map((name) => `\`${name}\``).join(', ');
    await query(
      `INSERT INTO \`${table}\` (${columns}) SELECT ${names.map((name) => changed[name] ?? `t.\`${name}\``).join(', ')} FROM ${from}`,
    );
  }
  try {
    // what is copied fits as it did, and every id is new
    await query('SET unique_checks = 0, foreign_key_checks = 0');
    const [{ clubId }] = await query('SELECT club_id AS clubId FROM round GROUP BY club_id ORDER BY COUNT(*) DESC LIMIT 1');
    const [{ had }] = await query('SELECT COUNT(*) AS had FROM result WHERE club_id = ?', [clubId]);
    const copies = Math.max(0, Math.round(results / CLUBS / had) - 1);
    for (const table of ['round', 'result']) {
      await query(`DROP TABLE IF EXISTS base_${table}`);
      await query(`CREATE TABLE base_${table} AS SELECT * FROM ${table} WHERE club_id = ?`, [clubId]);
    }
    for (let c = 0; c < (copies > 0 ? CLUBS : 1); c++) {
      const club = c === 0 ? `'${clubId}'` : `CONCAT(LEFT('${clubId}', 24), LPAD(HEX(${c}), 4, '0'), RIGHT('${clubId}', 8))`;
      const of = (/** @type {string} */ column) => (c === 0 ? `t.\`${column}\`` : idOf(column, String(c)));
      if (c > 0) {
        await copy('club', `club t WHERE t.id = '${clubId}'`, { id: club, name: `CONCAT(t.name, ' ${c}')` });
        for (const table of KIT)
          await copy(table, `\`${table}\` t WHERE t.club_id = '${clubId}'`, { id: of('id'), club_id: club, ladder_id: of('ladder_id') });
      }
      for (let first = c === 0 ? 1 : 0; first <= copies; first += AT_ONCE) {
        const copied = `JOIN seq_${first}_to_${Math.min(copies, first + AT_ONCE - 1)} n`;
        const which = `(n.seq * 16 + ${c})`;
        const earlier = (/** @type {string} */ column) => `t.\`${column}\` - INTERVAL ${DAYS_APART} * n.seq DAY`;
        await copy('round', `base_round t ${copied}`, {
          id: idOf('id', which),
          club_id: club,
          ...Object.fromEntries(['outing_id', 'rung_id', 'player_id', 'machine_id', 'court_id'].map((column) => [column, of(column)])),
          ...Object.fromEntries(['started_at', 'finished_at', 'created_at'].map((column) => [column, earlier(column)])),
        });
        await copy('result', `base_result t ${copied}`, { id: idOf('id', which), club_id: club, round_id: idOf('round_id', which) });
        told((c + (first + AT_ONCE) / (copies + 1)) / CLUBS);
      }
    }
    for (const table of ['round', 'result']) {
      await query(`DROP TABLE base_${table}`);
      await query(`ANALYZE TABLE ${table}`);
    }
    const [counted] = await query(
      'SELECT (SELECT COUNT(*) FROM result) AS results, (SELECT COUNT(*) FROM result WHERE club_id = ?) AS own',
      [clubId],
    );
    return { clubId: String(clubId), results: Number(counted.results), own: Number(counted.own) };
  } finally {
    await db.end();
  }
}
