import Papa from 'papaparse';
import type { RungDocument } from '../drill/index.ts';
import { readCell, SAFE_CELLS } from '../format/cells.ts';
import type { PlayerId, RungId } from '../ids.ts';
import { type Outcome, outcomesByNumber } from '../progress/index.ts';

/** Columns of a sheet of results, a round a row. `time`, `ladder`, `near` and `notes` may be missing; columns of other names are passed over. */
export const SHEET_COLUMNS = ['day', 'time', 'player', 'ladder', 'rung', 'hits', 'balls', 'near', 'notes'] as const;
type Column = (typeof SHEET_COLUMNS)[number];
const OPTIONAL: readonly Column[] = ['time', 'ladder', 'near', 'notes'];
/** What people call them besides. */
const ALSO: Readonly<Record<string, Column>> = { date: 'day', name: 'player', drill: 'rung', in: 'hits', of: 'balls', note: 'notes' };
const MOST_BALLS = 200;
const LONGEST_NOTE = 1000;
/** Without a time a round was in the middle of the day. */
const NOON = '12:00';

/** What names in a sheet may mean. */
export interface SheetNames {
  players: readonly { id: PlayerId; name: string }[];
  rungs: readonly { id: RungId; name: string; ladderName: string; document: Pick<RungDocument, 'feeds'> }[];
}

/** A round as a row of a sheet says it. */
export interface SheetRound {
  /** Of the file, from 1; the names of the columns are line 1. */
  line: number;
  /** `2026-11-24` and `16:30`, local. */
  day: string;
  time: string;
  playerId: PlayerId;
  rungId: RungId;
  hits: number;
  balls: number;
  outcomes: Outcome[];
  notes: string;
}

/** What is wrong with a row: its line, the column, and what would be right. */
export interface SheetFault {
  line: number;
  column: string;
  detail: string;
}

/** What a sheet holds: the rows that are right, and every fault of the others. */
export interface Sheet {
  rounds: SheetRound[];
  faults: SheetFault[];
}

const plain = (text: string): string => text.trim().toLowerCase().replace(/\s+/g, ' ');

/** Outcomes of a round of which only numbers are known, mixed so that no run is claimed that is longer than it must have been. */
export function outcomesOf(hits: number, near: number, balls: number): Outcome[] {
  let left = near;
  return outcomesByNumber(hits, balls).map((outcome) => (outcome === 'out' && left-- > 0 ? 'near' : outcome));
}

/** Which of day and month comes first in `3/4/2026`: told by a row where it can only be one; null when none tells. */
function dayFirst(days: readonly string[]): boolean | null {
  for (const text of days) {
    const [, a, b] = /^(\d{1,2})\/(\d{1,2})\/\d{4}$/.exec(text) ?? [];
    if (Number(a) > 12) return true;
    if (Number(b) > 12) return false;
  }
  return null;
}

/** `2026-11-24`, or why it is none. */
function readDay(text: string, slashDayFirst: boolean | null): { day: string } | { fault: string } {
  const wanted = 'write the day as 2026-11-24.';
  const dotted = /^(\d{1,2})\.\s?(\d{1,2})\.\s?(\d{4})$/.exec(text);
  const slashed = /^(\d{1,2})\/(\d{1,2})\/(\d{4})$/.exec(text);
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(text);
  if (slashed && slashDayFirst === null) return { fault: `“${text}” could be two days, and no other row tells which: ${wanted}` };
  const [year, month, day] = iso
    ? [iso[1], iso[2], iso[3]]
    : dotted
      ? [dotted[3], dotted[2], dotted[1]]
      : slashed
        ? slashDayFirst
          ? [slashed[3], slashed[2], slashed[1]]
          : [slashed[3], slashed[1], slashed[2]]
        : [];
  if (!year || !month || !day) return { fault: `“${text}” is no day: ${wanted}` };
  const [y, m, d] = [Number(year), Number(month), Number(day)];
  if (m < 1 || m > 12 || d < 1 || d > daysIn(y, m)) return { fault: `“${text}” is no day of the calendar.` };
  return { day: `${year}-${String(m).padStart(2, '0')}-${String(d).padStart(2, '0')}` };
}

/** Days of a month, of the calendar in use since 1582. */
function daysIn(year: number, month: number): number {
  if (month === 2) return year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0) ? 29 : 28;
  return [4, 6, 9, 11].includes(month) ? 30 : 31;
}

const whole = (text: string): number | null => (/^\d{1,4}$/.test(text) ? Number(text) : null);

/**
 * Reads rounds from a spreadsheet, saved as CSV. Every fault is named by its line and column; names are compared without regard to capitals.
 * @param today `2026-11-24`: no round is later @param mostRows rows that are taken at once
 */
export function readSheet(text: string, { players, rungs }: SheetNames, today: string, mostRows: number): Sheet {
  const none = (line: number, column: string, detail: string): Sheet => ({ rounds: [], faults: [{ line, column, detail }] });
  const { data, meta, errors } = Papa.parse<Partial<Record<Column, string>>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: false,
    transformHeader: (header) => ALSO[plain(header)] ?? plain(header),
  });
  const missing = SHEET_COLUMNS.filter((column) => !OPTIONAL.includes(column) && !meta.fields?.includes(column));
  if (missing.length > 0) return none(1, missing[0]!, `the first line must name the columns; missing: ${missing.join(', ')}.`);
  const rows = data
    .map((row, i) => ({ row, line: i + 2 }))
    .filter(({ row }) => Object.values(row).some((cell) => String(cell).trim() !== ''));
  if (rows.length === 0) return none(2, 'day', 'there is no round in this sheet.');
  if (rows.length > mostRows) return none(1, 'day', `at most ${mostRows} rounds at once; this sheet has ${rows.length}. Read it in parts.`);
  const slashDayFirst = dayFirst(rows.map(({ row }) => readCell(row.day)));
  const faults: SheetFault[] = errors.flatMap(({ row, message, type }) =>
    type === 'Quotes' ? [{ line: (row ?? 0) + 2, column: 'day', detail: `${message}.` }] : [],
  );
  const rounds = rows.flatMap(({ row, line }): SheetRound[] => {
    const cell = (column: Column): string => readCell(row[column]);
    const found: SheetFault[] = [];
    const wrong = (column: Column, detail: string): void => {
      found.push({ line, column, detail });
    };
    const read = readDay(cell('day'), slashDayFirst);
    if ('fault' in read) wrong('day', read.fault);
    else if (read.day > today) wrong('day', `“${cell('day')}” is still to come.`);
    const time = cell('time') || NOON;
    if (!/^([01]?\d|2[0-3]):[0-5]\d$/.test(time)) wrong('time', `“${time}” is no time: write it as 16:30.`);
    const who = players.filter(({ name }) => plain(name) === plain(cell('player')));
    if (who.length === 0) wrong('player', `“${cell('player')}” is no player of the club.`);
    if (who.length > 1) wrong('player', `${who.length} players are called “${cell('player')}”.`);
    const of = rungs.filter(
      ({ name, ladderName }) =>
        plain(name) === plain(cell('rung')) && (cell('ladder') === '' || plain(ladderName) === plain(cell('ladder'))),
    );
    if (of.length === 0)
      wrong('rung', `there is no rung “${cell('rung')}”${cell('ladder') === '' ? '' : ` on a ladder “${cell('ladder')}”`}.`);
    if (of.length > 1) wrong('rung', `${of.length} rungs are called “${cell('rung')}”: say the ladder, too.`);
    if (of.length === 1 && of[0]!.document.feeds.some(({ letGo }) => letGo))
      wrong('rung', 'of this rung each ball counts by itself; a number does not tell which were rightly let go.');
    const [balls, hits] = [whole(cell('balls')), whole(cell('hits'))];
    const near = cell('near') === '' ? 0 : whole(cell('near'));
    if (balls === null || balls < 1 || balls > MOST_BALLS)
      wrong('balls', `“${cell('balls')}” is no number of balls: a whole number from 1 to ${MOST_BALLS}.`);
    else if (hits === null || hits > balls) wrong('hits', `“${cell('hits')}” is no number of hits: a whole number from 0 to ${balls}.`);
    else if (near === null || near > balls - hits)
      wrong('near', `“${cell('near')}” is no number of balls: a whole number from 0 to ${balls - hits}.`);
    if (cell('notes').length > LONGEST_NOTE) wrong('notes', `at most ${LONGEST_NOTE} characters.`);
    faults.push(...found);
    if (found.length > 0 || 'fault' in read || balls === null || hits === null || near === null) return [];
    return [
      {
        line,
        day: read.day,
        time: time.padStart(5, '0'),
        playerId: who[0]!.id,
        rungId: of[0]!.id,
        hits,
        balls,
        outcomes: outcomesOf(hits, near, balls),
        notes: cell('notes'),
      },
    ];
  });
  return { rounds, faults: faults.sort((a, b) => a.line - b.line) };
}

/** Columns that a written sheet has besides; they are passed over when it is read. */
const BESIDES = [
  'court',
  'machine',
  'speed_mps',
  'elevation_deg',
  'topspin_rpm',
  'interval_s',
  'target_width_m',
  'target_depth_m',
  'wind_x_mps',
  'wind_y_mps',
  'temperature_c',
] as const;

/** A row of a sheet that is written: by the names of its columns. */
export type SheetLine = Record<Column, string | number> & Record<(typeof BESIDES)[number], string | number>;

/** Rounds as a sheet of results that `readSheet` reads. @param isFirst with the names of the columns */
export const writeSheet = (lines: readonly SheetLine[], isFirst = true): string => {
  const fields = [...SHEET_COLUMNS, ...BESIDES];
  return `${Papa.unparse({ fields, data: lines.map((line) => fields.map((field) => line[field])) }, { ...SAFE_CELLS, header: isFirst })}\n`;
};
