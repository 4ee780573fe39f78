import { LEVELS, SPORTS } from '@good-arc/core';
import { expect, test } from 'vitest';
import { levelChoices, levelLabel, sayLevel } from '../src/words/level.ts';

test('on a diamond a level is said by its age bands, over a net by its name; every level of every sport has a word of its own', () => {
  expect(LEVELS.map((level) => sayLevel('baseball', level))).toEqual([
    '8 and under, 9–10',
    '11–12, 13–14',
    'High school',
    'College, Professional',
  ]);
  expect(LEVELS.map((level) => sayLevel('tennis', level))).toEqual([...LEVELS]);
  expect([levelLabel('softball'), levelLabel('pickleball')]).toEqual(['Age', 'Level']);
  for (const sport of SPORTS) {
    expect(levelChoices(sport).map(([level]) => level)).toEqual([...LEVELS]);
    expect(new Set(levelChoices(sport).map(([, words]) => words)).size).toBe(LEVELS.length);
  }
});
