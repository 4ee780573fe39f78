import Papa from 'papaparse';
import { CONTACTS, STROKES } from '../../catalog/index.ts';
import { type Feed, feedSchema, freeFeedId } from '../../drill/index.ts';
import { readCell, SAFE_CELLS } from '../cells.ts';
import type { Format } from '../format.ts';
import { type ReadResult, refused } from '../read.ts';

/** Columns of a ball list, in order; SI and degrees, signs as in the physics notes. */
const COLUMNS = [
  'id',
  'name',
  'on',
  'target',
  'target_x_m',
  'target_y_m',
  'target_z_m',
  'from_x_m',
  'from_y_m',
  'from_z_m',
  'speed_mps',
  'elevation_deg',
  'bearing_deg',
  'topspin_rpm',
  'sidespin_rpm',
  'gyro_rpm',
  'stroke',
  'game_ball',
  'then_s',
  'counts',
  'cue',
  'hit_to_x_m',
  'hit_to_y_m',
  'meet_x_m',
  'meet_y_m',
  'marker_x_m',
  'marker_y_m',
  'positions',
  'machine_id',
  'let_go',
  'hold',
  'hold_value',
  'arc',
  'contact',
] as const;
type Column = (typeof COLUMNS)[number];
const OPTIONAL: readonly Column[] = [
  'id',
  'target_z_m',
  'gyro_rpm',
  'game_ball',
  'then_s',
  'counts',
  'cue',
  'on',
  'hit_to_x_m',
  'hit_to_y_m',
  'meet_x_m',
  'meet_y_m',
  'marker_x_m',
  'marker_y_m',
  'positions',
  'machine_id',
  'let_go',
  'hold',
  'hold_value',
  'arc',
  'contact',
];
/** What was held, as the column says it. */
const HOLDS = { elevation_deg: 'elevationDeg', speed_mps: 'speedMps', clearance_m: 'netClearanceM', time_s: 'flightTimeS' } as const;
const MOST_ROWS = 24;

/** The balls of a rung as CSV, a row each. A cell that does not apply is empty. */
export const writeBallList = (feeds: readonly Feed[]): string =>
  `${Papa.unparse(
    {
      fields: [...COLUMNS],
      data: feeds.map(
        ({
          id,
          name,
          on,
          target,
          launch,
          stroke,
          gameBallId,
          thenS,
          counts,
          cue,
          targetAt,
          meet,
          marker,
          positions,
          machineId,
          letGo,
          hold,
          arc,
          contact,
        }) => [
          id,
          name,
          on ? 'yes' : 'no',
          target.kind,
          target.x,
          target.kind === 'landing' ? target.y : target.planeY,
          target.kind === 'plane' ? target.z : '',
          launch.x,
          launch.y,
          launch.z,
          launch.speedMps,
          launch.elevationDeg,
          launch.bearingDeg,
          launch.topspinRpm,
          launch.sidespinRpm,
          launch.gyroRpm,
          stroke,
          gameBallId ?? '',
          thenS ?? '',
          counts === false ? 'no' : 'yes',
          cue,
          ...[targetAt, meet, marker].flatMap((spot) => [spot?.x ?? '', spot?.y ?? '']),
          positions?.join(' ') ?? '',
          machineId ?? '',
          letGo ? 'yes' : 'no',
          ...(hold
            ? Object.entries(HOLDS).flatMap(([column, key]) => (key in hold ? [column, (hold as Record<string, number>)[key]!] : []))
            : ['', '']),
          arc ?? '',
          contact ?? '',
        ],
      ),
    },
    // a cell that a spreadsheet would take for a formula is kept as text
    SAFE_CELLS,
  )}\n`;

/**
 * Reads a ball list. Every bad row is named with its line; nothing is taken unless all of it fits.
 */
export function readBallList(text: string): ReadResult<Feed[]> {
  if (text.length > 64 * 1024) return refused('Too long for a ball list: at most 64 kB.');
  const { data, meta, errors } = Papa.parse<Partial<Record<Column, string>>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (header) => header.trim().toLowerCase(),
  });
  const missing = COLUMNS.filter((column) => !OPTIONAL.includes(column) && !meta.fields?.includes(column));
  if (missing.length > 0) return refused(`The first line must name the columns; missing: ${missing.join(', ')}.`);
  if (data.length === 0) return refused('There is no ball in this list.');
  if (data.length > MOST_ROWS) return refused(`A rung has at most ${MOST_ROWS} balls; this list has ${data.length}.`);
  const problems: { pointer: string; detail: string }[] = errors.flatMap(({ row, message, type }) =>
    type === 'Delimiter' ? [] : [{ pointer: '', detail: `Line ${(row ?? 0) + 2}: ${message}.` }],
  );
  const ids = idsOf(data);
  const feeds = data.flatMap((row, i): Feed[] => {
    const parsed = feedSchema.safeParse({ ...fromRow(row), id: ids[i] });
    if (parsed.success) return [parsed.data];
    for (const { path, message } of parsed.error.issues)
      problems.push({ pointer: '', detail: `Line ${i + 2}, ${columnOf(path)}: ${sayIssue(message, row, columnOf(path))}` });
    return [];
  });
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: feeds };
}

/** A ball keeps its id; one without, or with one that was given already, as in a row that was copied, gets another. */
function idsOf(rows: readonly Partial<Record<Column, string>>[]): string[] {
  const said = rows.map(({ id = '' }) => id.trim());
  const taken: { id: string }[] = said.map((id) => ({ id }));
  return said.map((id, i) => {
    if (id !== '' && said.indexOf(id) === i) return id;
    const free = freeFeedId(taken);
    taken.push({ id: free });
    return free;
  });
}

function fromRow(row: Partial<Record<Column, string>>): object {
  const text = (column: Column): string => readCell(row[column]);
  const number = (column: Column): number | undefined => (text(column) === '' ? undefined : Number(text(column).replace('−', '-')));
  const yes = (column: Column): boolean | string =>
    /^(yes|true|1|)$/i.test(text(column)) ? true : /^(no|false|0)$/i.test(text(column)) ? false : text(column);
  const spot = (key: 'targetAt' | 'meet' | 'marker', x: Column, y: Column) =>
    text(x) === '' && text(y) === '' ? {} : { [key]: { x: number(x), y: number(y) } };
  const plane = text('target') === 'plane';
  return {
    name: text('name'),
    on: yes('on'),
    target: plane
      ? { kind: 'plane', x: number('target_x_m'), planeY: number('target_y_m'), z: number('target_z_m') }
      : { kind: text('target'), x: number('target_x_m'), y: number('target_y_m') },
    launch: {
      x: number('from_x_m'),
      y: number('from_y_m'),
      z: number('from_z_m'),
      speedMps: number('speed_mps'),
      elevationDeg: number('elevation_deg'),
      bearingDeg: number('bearing_deg'),
      topspinRpm: number('topspin_rpm'),
      sidespinRpm: number('sidespin_rpm'),
      gyroRpm: number('gyro_rpm') ?? 0,
    },
    stroke: text('stroke'),
    gameBallId: text('game_ball') || null,
    ...(text('then_s') !== '' && { thenS: number('then_s') }),
    ...(yes('counts') === true ? {} : { counts: yes('counts') }),
    cue: text('cue'),
    ...spot('targetAt', 'hit_to_x_m', 'hit_to_y_m'),
    ...spot('meet', 'meet_x_m', 'meet_y_m'),
    ...spot('marker', 'marker_x_m', 'marker_y_m'),
    ...(text('positions') !== '' && { positions: text('positions').split(/[\s,;]+/) }),
    ...(text('machine_id') !== '' && { machineId: text('machine_id') }),
    ...(text('let_go') !== '' && yes('let_go') !== false && { letGo: yes('let_go') }),
    ...(text('hold') !== '' && { hold: { [HOLDS[text('hold') as keyof typeof HOLDS] ?? text('hold')]: number('hold_value') } }),
    ...(text('arc') !== '' && { arc: text('arc') }),
    ...(text('contact') !== '' && { contact: text('contact') }),
  };
}

const PLACES: Record<string, Column> = {
  'target.kind': 'target',
  'target.x': 'target_x_m',
  'target.y': 'target_y_m',
  'target.planeY': 'target_y_m',
  'target.z': 'target_z_m',
  'launch.x': 'from_x_m',
  'launch.y': 'from_y_m',
  'launch.z': 'from_z_m',
  'launch.speedMps': 'speed_mps',
  'launch.elevationDeg': 'elevation_deg',
  'launch.bearingDeg': 'bearing_deg',
  'launch.topspinRpm': 'topspin_rpm',
  'launch.sidespinRpm': 'sidespin_rpm',
  'launch.gyroRpm': 'gyro_rpm',
  gameBallId: 'game_ball',
  thenS: 'then_s',
  'targetAt.x': 'hit_to_x_m',
  'targetAt.y': 'hit_to_y_m',
  'meet.x': 'meet_x_m',
  'meet.y': 'meet_y_m',
  'marker.x': 'marker_x_m',
  'marker.y': 'marker_y_m',
  machineId: 'machine_id',
  letGo: 'let_go',
  hold: 'hold',
};
const columnOf = (path: readonly PropertyKey[]): string => PLACES[path.join('.')] ?? String(path[0]);

function sayIssue(message: string, row: Partial<Record<Column, string>>, column: string): string {
  const given = row[column as Column]?.trim() ?? '';
  if (column === 'stroke') return `“${given}” is none of ${STROKES.join(', ')}.`;
  if (column === 'contact') return `“${given}” is none of ${CONTACTS.join(', ')}.`;
  if (column === 'target') return `“${given}” is neither landing nor plane.`;
  if (column === 'hold') return `“${given}” with its hold_value is none of ${Object.keys(HOLDS).join(', ')} within its bounds.`;
  if (column === 'arc') return `“${given}” is neither low nor high.`;
  if (column === 'on' || column === 'counts' || column === 'let_go') return `“${given}” is neither yes nor no.`;
  return given === '' ? 'must not be empty.' : `“${given}”: ${message}.`;
}

export const format: Format<'balls'> = {
  what: 'balls',
  name: 'ball list',
  suffix: '.csv',
  mediaType: 'text/csv',
  // the only one of balls so far: what is none of it is told so
  isIt: () => true,
  read: readBallList,
};
