import { describe, expect, test } from 'vitest';
import {
  bandOf,
  bandsOf,
  comfortOf,
  diamondOf,
  gameBallById,
  gameTimeS,
  hitterIntervalEase,
  hitterTime,
  LEVELS,
  mphToMps,
  SPORTS,
  type Sport,
} from '../src/index.ts';

const band = (id: string, sport: Sport = 'baseball') => bandsOf(sport).find((each) => each.id === id)!;
const DIAMONDS = SPORTS.filter((sport) => diamondOf(sport));

describe('a hitter is judged by the game of the age band (common practice, no source)', () => {
  test.each([
    ['8-and-under', 0, 0.72],
    ['9-10', 0, 0.6],
    ['11-12', 0, 0.5],
    ['11-12', 1, 0.55],
    ['13-14', 0, 0.51],
    ['13-14', 1, 0.56],
    ['high-school', 0, 0.48],
    ['college', 0, 0.43],
    ['professional', 0, 0.4],
  ])('the fastball of %s, field %s, is at the plate after about %s s', (id, field, timeS) => {
    expect(Math.abs(gameTimeS('baseball', band(id), field) - timeS)).toBeLessThan(0.012);
  });
  test.each([
    ['11-12', 0.34, 'too quick'],
    ['11-12', 0.42, 'too quick'],
    ['11-12', 0.44, 'rushed'],
    ['11-12', 0.5, 'working'],
    ['11-12', 0.58, 'calm'],
    ['high-school', 0.34, 'too quick'],
    // from high school on a little more is a challenge still
    ['high-school', 0.395, 'rushed'],
    ['13-14', 0.41, 'too quick'],
    ['college', 0.43, 'working'],
  ])('%s, %s s to the plate: %s', (id, timeS, word) => {
    const time = hitterTime('baseball', band(id), timeS);
    expect(time.word).toBe(word);
    expect(time.tooQuick).toBe(word === 'too quick');
  });
  test('softball has bands of its own: 60 mph from 37.5 ft is there about as soon as 80 mph from 55 ft (common practice, no source)', () => {
    const [softball, baseball] = [gameTimeS('softball', band('high-school', 'softball')), gameTimeS('baseball', band('high-school'))];
    // without drag: 11.0 m at 60 mph
    expect(softball).toBeGreaterThan(11 / mphToMps(60));
    expect(Math.abs(softball - baseball)).toBeLessThan(0.06);
    expect(() => bandsOf('tennis')).toThrow('no age bands');
  });
  test('more time is never harder, and the words come in their order', () => {
    for (const [sport, each] of DIAMONDS.flatMap((of) => bandsOf(of).map((one) => [of, one] as const))) {
      const eases = Array.from({ length: 60 }, (_, i) => hitterTime(sport, each, 0.2 + i * 0.015).ease);
      expect(eases).toEqual([...eases].sort((a, b) => a - b));
    }
  });
  test('6 s between balls is calm, 5 working, 3.5 survival pace, less too quick', () => {
    expect([6, 5, 4.9, 3.5, 3.4].map((s) => comfortOf(hitterIntervalEase(s)))).toEqual([
      'calm',
      'working',
      'rushed',
      'rushed',
      'too quick',
    ]);
  });
  test('a bolder game ball never makes a ball kinder: of another level, the youngest of one’s own counts', () => {
    expect(bandOf('baseball', 'Building', gameBallById('baseball-fastball-13-14')).id).toBe('13-14');
    expect(bandOf('baseball', 'Building', gameBallById('baseball-fastball-professional')).id).toBe('11-12');
    expect(bandOf('baseball', 'Starting', null).id).toBe('8-and-under');
    for (const sport of DIAMONDS)
      for (const level of LEVELS) expect(bandsOf(sport).filter((each) => each.level === level && each.ofDrills)).toHaveLength(1);
  });
});
