import { describe, expect, test } from 'vitest';
import {
  kindsOf,
  LIBRARY,
  outcomesByKind,
  outcomesOf,
  type PlayerId,
  type RungDocument,
  type RungId,
  readSheet,
  scoreRound,
  writeSheet,
} from '../src/index.ts';
import { drillOn } from './support/club.ts';

const player = (id: string, name: string) => ({ id: id as PlayerId, name });
const rung = (id: string, name: string, ladderName: string, letGo = false) => ({
  id: id as RungId,
  name,
  ladderName,
  document: { feeds: [{ letGo }] as unknown as RungDocument['feeds'] },
});
const NAMES = {
  players: [player('p1', 'Ines Vallone'), player('p2', 'Tom'), player('p3', 'tom')],
  rungs: [rung('r1', 'Deep cross', 'Baseline'), rung('r2', 'Deep cross', 'Rally'), rung('r3', 'Strike or chase', 'Eye', true)],
};
const read = (rows: string, head = 'day,player,ladder,rung,hits,balls,near,notes') =>
  readSheet(`${head}\n${rows}`, NAMES, '2026-11-26', 100);

describe('a sheet of results', () => {
  test('names are compared without regard to capitals, and near balls are misses that were near', () => {
    const { rounds, faults } = read('2026-11-24,ines  VALLONE,baseline,deep cross,6,10,3,"Late, then fine"');
    expect(faults).toEqual([]);
    expect(rounds).toMatchObject([{ line: 2, day: '2026-11-24', time: '12:00', playerId: 'p1', rungId: 'r1', notes: 'Late, then fine' }]);
    const of = (wanted: string) => rounds[0]!.outcomes.filter((each) => each === wanted).length;
    expect([of('in'), of('near'), of('out')]).toEqual([6, 3, 1]);
  });
  test.each([
    ['2026-02-30,Ines Vallone,Baseline,Deep cross,6,10,,', 'day', 'no day of the calendar'],
    ['2026-11-27,Ines Vallone,Baseline,Deep cross,6,10,,', 'day', 'still to come'],
    ['3/4/2026,Ines Vallone,Baseline,Deep cross,6,10,,', 'day', 'could be two days'],
    ['soon,Ines Vallone,Baseline,Deep cross,6,10,,', 'day', 'write the day as 2026-11-24'],
    ['2026-11-24,Nobody,Baseline,Deep cross,6,10,,', 'player', 'no player of the club'],
    ['2026-11-24,Tom,Baseline,Deep cross,6,10,,', 'player', '2 players are called'],
    ['2026-11-24,Ines Vallone,,Deep cross,6,10,,', 'rung', 'say the ladder'],
    ['2026-11-24,Ines Vallone,Baseline,Lob,6,10,,', 'rung', 'no rung “Lob” on a ladder “Baseline”'],
    ['2026-11-24,Ines Vallone,,Strike or chase,6,10,,', 'rung', 'each ball counts by itself'],
    ['2026-11-24,Ines Vallone,Baseline,Deep cross,11,10,,', 'hits', 'from 0 to 10'],
    ['2026-11-24,Ines Vallone,Baseline,Deep cross,6,ten,,', 'balls', 'from 1 to 200'],
    ['2026-11-24,Ines Vallone,Baseline,Deep cross,6,10,5,', 'near', 'from 0 to 4'],
  ])('%s: the fault names its line and column', (row, column, detail) => {
    const { rounds, faults } = read(`2026-11-24,Ines Vallone,Rally,Deep cross,5,10,,\n${row}`);
    expect(rounds.map(({ line }) => line)).toEqual([2]);
    expect(faults).toEqual([{ line: 3, column, detail: expect.stringContaining(detail) }]);
  });
  test('the other rows of the file tell whether day or month comes first', () => {
    const days = (rows: string[]) =>
      read(rows.map((day) => `${day},Ines Vallone,Rally,Deep cross,5,10,,`).join('\n')).rounds.map(({ day }) => day);
    expect(days(['3/4/2026', '25/4/2026'])).toEqual(['2026-04-03', '2026-04-25']);
    expect(days(['3/4/2026', '4/25/2026'])).toEqual(['2026-03-04', '2026-04-25']);
    expect(days(['3. 4. 2026'])).toEqual(['2026-04-03']);
    expect(days(['29.2.2024', '29.2.2026'])).toEqual(['2024-02-29']);
  });
  test('a sheet without its columns, without rows, or too long is said so at once', () => {
    expect(read('a,b', 'day,player').faults[0]!.detail).toContain('missing: rung, hits, balls');
    expect(read('').faults[0]!.detail).toContain('no round');
    const long = Array.from({ length: 101 }, () => '2026-11-24,Ines Vallone,Rally,Deep cross,5,10,,').join('\n');
    expect(read(long)).toEqual({ rounds: [], faults: [{ line: 1, column: 'day', detail: expect.stringContaining('has 101') }] });
  });
  test('what is written is read as the same, with semicolons and with other names for the columns, too', () => {
    const line = {
      day: '2026-11-24',
      time: '16:30',
      player: 'Ines Vallone',
      ladder: 'Rally',
      rung: 'Deep cross',
      hits: 7,
      balls: 10,
      near: 1,
      notes: '=1+1',
    };
    const beside = { court: '', machine: '', speed_mps: 17, elevation_deg: 12, topspin_rpm: 0, interval_s: 4 };
    const more = { target_width_m: 2, target_depth_m: 3, wind_x_mps: 0, wind_y_mps: 0, temperature_c: 20 };
    const text = writeSheet([{ ...line, ...beside, ...more }]);
    const back = readSheet(text, NAMES, '2026-11-26', 100);
    expect(back.faults).toEqual([]);
    expect(back.rounds).toMatchObject([{ day: line.day, time: '16:30', hits: 7, balls: 10, notes: '=1+1', rungId: 'r2' }]);
    const semicolons = readSheet('date;name;drill;in;of\n24.11.2026;Ines Vallone;strike or chase;1;2', NAMES, '2026-11-26', 100);
    expect(semicolons.faults.map(({ column }) => column)).toEqual(['rung']);
  });
});

describe('a round of which numbers are known', () => {
  const card = LIBRARY.filter(({ sport }) => sport === 'tennis')
    .flatMap(({ id }) => drillOn(id, 'Two-wheel portable'))
    .find(({ feeds }) => feeds.filter(({ on }) => on).length > 1)!;

  test('each kind has its own hits, in the places where the card deals it', () => {
    const kinds = kindsOf(card);
    expect(kinds.reduce((sum, { balls }) => sum + balls, 0)).toBeLessThanOrEqual(card.ballsPerRound);
    const [first] = kinds;
    const outcomes = outcomesByKind(card, [{ index: first!.index, hits: first!.balls, balls: first!.balls }]);
    const results = outcomes.flatMap((outcome, i) => (outcome ? [{ seq: i + 1, outcome }] : []));
    expect(scoreRound(card, results)).toMatchObject({ hits: first!.balls, balls: first!.balls });
    expect(outcomes).toHaveLength(card.ballsPerRound);
  });
  test('more balls of a kind than are dealt is no count', () => {
    const [{ index, balls }] = kindsOf(card) as [{ index: number; balls: number }];
    expect(() => outcomesByKind(card, [{ index, hits: 0, balls: balls + 1 }])).toThrow(RangeError);
  });
  test('of a ball to be let go, those that were are right', () => {
    const own = { ...card, feeds: card.feeds.map((feed) => ({ ...feed, letGo: true })) };
    const counts = kindsOf(own).map(({ index, balls }) => ({ index, hits: balls - 1, balls }));
    const results = outcomesByKind(own, counts).flatMap((outcome, i) => (outcome ? [{ seq: i + 1, outcome }] : []));
    const dealt = counts.reduce((sum, { balls }) => sum + balls, 0);
    expect(scoreRound(own, results)).toMatchObject({ hits: dealt - counts.length, balls: dealt });
  });
  test('no run is claimed that is longer than it must have been', () => {
    expect(outcomesOf(5, 2, 10).join(' ')).not.toContain('in in');
  });
});
