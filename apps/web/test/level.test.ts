import { diamondOf, LEVELS, SPORTS } from '@good-arc/core';
import { expect, test } from 'vitest';
import { levelChoices, levelLabel, sayLevel } from '../src/words/level.ts';

test('on a diamond a level is said by its ages, over a net by its name; every level of every sport has a word of its own', () => {
  expect(LEVELS.map((level) => sayLevel('baseball', level))).toEqual(['Up to 10', '11–14', 'High school', 'College and up']);
  expect(LEVELS.map((level) => sayLevel('tennis', level))).toEqual([...LEVELS]);
  expect([levelLabel('softball'), levelLabel('pickleball')]).toEqual(['Age', 'Level']);
  for (const sport of SPORTS) {
    expect(levelChoices(sport).map(([level]) => level)).toEqual([...LEVELS]);
    expect(new Set(levelChoices(sport).map(([, words]) => words)).size).toBe(LEVELS.length);
  }
});

test('the ages of a level are those of its bands', () => {
  const bands = diamondOf('baseball')!.bands;
  // the youngest and the oldest year of a band are in its name
  const years = (level: (typeof LEVELS)[number]) =>
    bands.filter((band) => band.level === level).flatMap(({ id }) => id.match(/\d+/g)?.map(Number) ?? []);
  expect([Math.max(...years('Starting')), Math.min(...years('Building')), Math.max(...years('Building'))]).toEqual([10, 11, 14]);
  expect(bands.filter(({ level }) => level === 'Competing').map(({ name }) => name)).toEqual(['High school']);
  expect(bands.filter(({ level }) => level === 'Advanced').map(({ name }) => name)).toEqual(['College', 'Professional']);
});
