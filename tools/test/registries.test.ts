import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { LIBRARY, MACHINE_KINDS, SPORT_RECORDS, SPORTS } from '@good-arc/core';
import { describe, expect, test } from 'vitest';
import { registries, writeRegistries } from '../lib/registries.mjs';

const CORE = fileURLToPath(new URL('../../packages/core/src/', import.meta.url));

describe('what is added as a file is listed', () => {
  test('every registry is up to date, and says so', () => {
    expect(writeRegistries()).toEqual([]);
    for (const path of Object.keys(registries())) expect(readFileSync(CORE + path, 'utf8')).toContain('Written by ./arc');
  });
  test('a sport is its folder: the name of the folder is its id, and each has drills', () => {
    for (const sport of SPORTS) {
      expect(SPORT_RECORDS[sport].id).toBe(sport);
      expect(LIBRARY.some((drill) => drill.sport === sport)).toBe(true);
    }
    expect(SPORTS.map((sport) => SPORT_RECORDS[sport].place)).toEqual(SPORTS.map((_, i) => i + 1));
  });
  test('machine kinds come lightest first, and no two have one name', () => {
    const masses = MACHINE_KINDS.map(({ massKg }) => massKg);
    expect(masses).toEqual([...masses].sort((a, b) => a - b));
    expect(new Set(MACHINE_KINDS.map(({ kind }) => kind)).size).toBe(MACHINE_KINDS.length);
  });
});
