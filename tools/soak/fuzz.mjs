import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { v7 as uuidv7 } from 'uuid';
import { WEB } from '../lib/paths.mjs';
import { badFiles } from './files.mjs';

const JUNK = [
  null,
  true,
  -1,
  0,
  1e308,
  1.5,
  '',
  'x'.repeat(3000),
  '\ud800',
  'a\nb',
  '{}',
  [],
  {},
  [null],
  '2026-13-45',
  '0000-01-01T00:00:00Z',
  '9999-12-31T23:59:59.999Z',
  "'; DROP TABLE result; --",
  '0190f3a0-0000-7000-8000-000000000000',
];

/** A copy with one or two things wrong. @param {unknown} document @param {() => number} random @returns {unknown} */
function spoilt(document, random) {
  const copy = structuredClone(document);
  /** @type {[any, string | number][]} */
  const places = [];
  (function walk(/** @type {any} */ value) {
    if (typeof value !== 'object' || value === null) return;
    for (const key of Object.keys(value)) {
      places.push([value, Array.isArray(value) ? Number(key) : key]);
      walk(value[key]);
    }
  })(copy);
  for (let times = random() < 0.7 ? 1 : 2; times > 0 && places.length > 0; times--) {
    const [holder, key] = places[Math.floor(random() * places.length)] ?? [{}, ''];
    const how = random();
    if (how < 0.2 && !Array.isArray(holder)) delete holder[key];
    else if (how < 0.3 && !Array.isArray(holder)) holder[`extra${Math.floor(random() * 9)}`] = 1;
    else holder[key] = structuredClone(JUNK[Math.floor(random() * JUNK.length)]);
  }
  return copy;
}

/** Whether a refusal says which field, and what would be right. @param {string} text */
function isClear(text) {
  try {
    const { title, errors } = JSON.parse(text);
    return (
      typeof title === 'string' &&
      title.length > 5 &&
      errors.every((/** @type {any} */ each) => typeof each.pointer === 'string' && each.detail.length > 5)
    );
  } catch {
    return false;
  }
}

/**
 * Endpoints that take a document and have no line here: those of the application, by their own files.
 * @param {readonly (readonly [string, string, ...unknown[]])[]} lines
 */
function withoutLine(lines) {
  const folder = join(WEB, 'src/pages/api');
  return readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.ts'))
    .flatMap((file) => {
      const text = readFileSync(join(folder, file), 'utf8');
      const path = `/api/${file.replace(/\.ts$/, '').replace(/(^|\/)index$/, '')}`.replace(/\/$/, '');
      const form = new RegExp(`^${path.replace(/\[\w+\]/g, '[^/]+')}$`);
      return [...text.matchAll(/export const (PUT|POST|PATCH)(?!.*endpoint\(z\.strictObject\(\{\}\))/g)]
        .map(([, method = '']) => method)
        .filter((method) => !lines.some(([own, at]) => own === method && form.test(at.replace(/\?.*/, ''))))
        .map((method) => `${method} ${path}`);
    });
}

/**
 * Seeded bad documents over every endpoint that takes one, and every verb of `calc`.
 * @param {import('./rig.mjs').Rig} rig @param {number} count @param {() => number} random @param {{ calcFile: string, verbs: Record<string, unknown>, filesToRead: typeof import('./phone.ts').filesToRead }} others
 */
export async function fuzz(rig, count, random, { calcFile, verbs, filesToRead }) {
  const { document } = rig.rung;
  const one = async (/** @type {string} */ sql) => (await rig.query(sql))[0] ?? {};
  const read = (/** @type {unknown} */ value) => (typeof value === 'string' ? JSON.parse(value) : /** @type {any} */ (value)).document;
  const { profile } = await one('SELECT profile FROM machine LIMIT 1');
  const { tune } = await one('SELECT document AS tune FROM tune_up LIMIT 1');
  const gameBall = {
    kind: 'shaped',
    sport: 'tennis',
    level: 'Building',
    from: { y: 11, z: 1 },
    topspinRpm: 900,
    landsPastM: 9,
    clearsByM: 1,
  };
  // not the ladder that the rest of the soak runs on
  const { id: otherId = uuidv7() } = (await rig.query('SELECT id FROM ladder WHERE id <> ? LIMIT 1', [rig.rung.ladderId]))[0] ?? {};
  const { plan } = await one('SELECT document AS plan FROM plan LIMIT 1');
  const head = { name: 'Climb', sport: 'tennis', level: 'Building', approach: 'earn-it' };
  const round = {
    outingId: uuidv7(),
    rungId: rig.rung.id,
    playerId: rig.playerId,
    startedAt: new Date().toISOString(),
    weather: document.weather,
  };
  const [{ id: roundId } = { id: uuidv7() }] = await rig.query('SELECT id FROM round LIMIT 1');
  /** @type {[string, string, unknown, string | null][]} method, path (ID: a new one), a body that fits, table of what it makes */
  const endpoints = [
    ['PUT', '/api/kit/players/ID', { name: 'A', level: 'Building', hand: 'left', heightM: 1.7, goals: '', avoid: '', notes: '' }, 'player'],
    ['PUT', '/api/kit/squads/ID', { name: 'A', playerIds: [rig.playerId], notes: '' }, 'squad'],
    ['PUT', '/api/kit/courts/ID', { name: 'A', sport: 'tennis', surfaceId: 'tennis-clay', indoor: false, notes: '' }, 'court'],
    [
      'PUT',
      '/api/kit/balls/ID',
      { name: 'A', ballId: 'tennis-standard', count: 20, condition: 'new', openedOn: '2026-01-01', notes: '' },
      'ball_stock',
    ],
    ['PUT', '/api/kit/machines/ID', { name: 'A', profile: read(profile), linkAddress: '', notes: '' }, 'machine'],
    ['PUT', '/api/ladders/ID', head, 'ladder'],
    ['POST', '/api/ladders/ID/import', { ladder: head, rungs: [{ id: uuidv7(), document }] }, 'ladder'],
    ['PUT', '/api/rungs/ID', { ladderId: rig.rung.ladderId, document }, 'rung'],
    ['PUT', '/api/rounds/ID', { ...round, card: document }, 'round'],
    [
      'PUT',
      `/api/rounds/${roundId}/results/ID`,
      { seq: 900, outcome: 'in', speedMps: 17, elevationDeg: 8, bearingDeg: 180, radarMps: null },
      'result',
    ],
    [
      'POST',
      '/api/rounds',
      {
        rounds: [
          {
            id: uuidv7(),
            outingId: uuidv7(),
            rungId: rig.rung.id,
            playerId: rig.playerId,
            startedAt: new Date().toISOString(),
            notes: '',
            source: 'paper',
            outcomes: ['in', null, 'out'],
          },
        ],
      },
      null,
    ],
    ['PATCH', `/api/rounds/${roundId}`, { notes: 'a', playerId: rig.playerId }, null],
    ['PUT', '/api/kit/gameBalls/ID', { name: 'A', document: gameBall, notes: '' }, 'game_ball'],
    ['PUT', `/api/ladders/${otherId}/whole`, { version: 1, ladder: head, rungs: [{ id: uuidv7(), document }] }, null],
    ['POST', `/api/ladders/${otherId}/duplicate`, { newId: uuidv7(), rungIds: [{ from: uuidv7(), to: uuidv7() }] }, null],
    [
      'PUT',
      `/api/rounds/${roundId}/live`,
      {
        rungName: 'A',
        courtName: 'B',
        machines: [{ name: 'C', lineOf: rig.machineId }],
        players: ['D'],
        scores: [{ hits: 1, balls: 2 }],
        thrown: 2,
        of: 10,
        streak: 1,
        last: 'in',
        state: 'feeding',
        everyS: 4,
        nextInS: 2.5,
        whose: '',
        kinds: [{ index: 0, name: 'E' }],
        coming: [{ index: 0, machine: 0 }],
      },
      null,
    ],
    ['POST', `/api/rounds/${roundId}/wish`, { id: uuidv7(), change: { kind: 'next', index: 0 } }, null],
    ['PATCH', '/api/club', { name: 'A', altitudeM: 1200 }, null],
    ['PUT', '/api/people/ID', { name: 'A', role: 'helper' }, 'person'],
    ['POST', '/api/sign-out', { everywhere: false }, null],
    ['POST', `/api/rounds/${roundId}/finish`, { finishedAt: new Date().toISOString() }, null],
    ['PUT', '/api/outings/ID/checks', { startedAt: new Date().toISOString(), checks: { before: ['a'], after: [] } }, 'outing'],
    ['PUT', '/api/checklist', { before: ['a'], after: ['b'] }, null],
    ['PATCH', '/api/me', { units: 'metric', favourite: { id: 'x', kept: true } }, null],
    ['POST', `/api/machines/${rig.machineId}/command?page=fuzz`, { do: 'arm', rungId: rig.rung.id, document }, null],
  ];
  if (tune)
    endpoints.push([
      'PUT',
      '/api/tune-ups/ID',
      { machineId: rig.machineId, tunedAt: new Date().toISOString(), document: read(tune) },
      'tune_up',
    ]);
  if (plan) endpoints.push(['PUT', '/api/plans/ID', read(plan), 'plan']);
  let failed = 0;
  let unclear = 0;
  let refused = 0;
  /** @type {Map<string, string[]>} */
  const gone = new Map();
  /** @type {string[]} */
  const examples = [];
  for (let i = 0; i < count; i++) {
    const [method, path, body, table] = endpoints[i % endpoints.length] ?? ['PUT', '/', {}, null];
    const id = random() < 0.03 ? 'no-id' : uuidv7();
    const raw = random() < 0.02 ? '{"half":' : JSON.stringify(spoilt(body, random));
    const { status, text } = await rig.ask(method, path.replace('ID', id), undefined, { raw });
    if (status >= 500) {
      failed++;
      examples.push(`${status} ${method} ${path}: ${raw.slice(0, 300)}`);
    }
    if (status < 400) continue;
    refused++;
    if (!isClear(text)) {
      unclear++;
      examples.push(`unclear ${method} ${path}: ${text.slice(0, 200)}`);
    }
    if (table && id !== 'no-id') gone.set(table, [...(gone.get(table) ?? []), id]);
  }
  let half = 0;
  for (const [table, ids] of gone) {
    half += (await rig.query(`SELECT id FROM ${table} WHERE id IN (?)`, [ids])).length;
  }
  // an import that was refused leaves none of its rungs behind
  half += (await rig.query('SELECT r.id FROM rung r LEFT JOIN ladder l ON l.id = r.ladder_id WHERE l.id IS NULL')).length;
  const forgotten = withoutLine(endpoints);
  const told = calcOf(verbs, Math.ceil(count / 20), random, calcFile);
  const files = badFiles(filesToRead(document, read(profile)), Math.ceil(count / 10), random);
  const crashed = failed + told.crashed + files.crashed;
  const notClear = unclear + told.unclear + files.unclear;
  return {
    what: 'bad documents over every endpoint, file and verb of calc',
    figures: `${count} to endpoints, ${files.asked} as files, ${told.asked} to calc · refused ${refused + files.refused + told.refused} · 5xx ${crashed} · half saved ${half} · unclear ${notClear} · endpoints forgotten ${forgotten.length}`,
    isGood: forgotten.length + crashed + half + notClear === 0,
    examples: [...forgotten, ...examples, ...files.examples, ...told.examples].slice(0, 12),
  };
}

/** @param {Record<string, unknown>} verbs each with a document that fits @param {number} each @param {() => number} random @param {string} file */
function calcOf(verbs, each, random, file) {
  const sum = { asked: 0, refused: 0, crashed: 0, unclear: 0, examples: /** @type {string[]} */ ([]) };
  for (const [verb, document] of Object.entries(verbs)) {
    const lines = Array.from({ length: each }, () => JSON.stringify(spoilt(document, random)));
    const { stdout, stderr, signal } = spawnSync(process.execPath, [file, verb, '--lines'], {
      input: lines.join('\n'),
      encoding: 'utf8',
      maxBuffer: 1 << 28,
      timeout: 120_000,
    });
    const [answers, problems] = [stdout, stderr].map((text) => text.split('\n').filter((line) => line.trim() !== ''));
    sum.asked += each;
    sum.refused += problems?.length ?? 0;
    const bad = problems?.filter((line) => !isClear(line)) ?? [];
    sum.unclear += bad.length;
    sum.examples.push(...bad.map((line) => `unclear calc ${verb}: ${line.slice(0, 200)}`));
    // every line is answered or refused
    if (signal || (answers?.length ?? 0) + (problems?.length ?? 0) < each) {
      sum.crashed++;
      sum.examples.push(`calc ${verb} ended early: ${stderr.slice(-300)}`);
    }
  }
  return sum;
}
