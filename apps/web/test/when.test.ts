import { describe, expect, test } from 'vitest';
import { localMoment, mayBegin, printMoment, sayDay } from '../src/ui/when.ts';

/** In the viewer's own time, wherever that is. */
const at = (...parts: [year: number, month: number, day: number, hour: number, minute: number]) => new Date(...parts).toISOString();

describe('moments and days', () => {
  test('are said in the viewer’s own time, with the hours of a day', () => {
    expect(printMoment(at(2026, 10, 3, 16, 40))).toBe('Tue 3 Nov, 16:40');
    expect(printMoment(at(2026, 8, 20, 0, 5))).toBe('Sun 20 Sep, 00:05');
    expect(sayDay(at(2026, 10, 3, 0, 0))).toBe('3 Nov');
  });
  test('and as a field for day and time takes them, summer and winter', () => {
    expect(localMoment(at(2026, 10, 3, 6, 4))).toBe('2026-11-03T06:04');
    expect(localMoment(at(2026, 6, 31, 23, 59))).toBe('2026-07-31T23:59');
  });
  test('an outing begins in the afternoon; later on at the next half hour, and never on another day', () => {
    const begins = (hour: number, minute: number) => mayBegin(new Date(2026, 10, 3, hour, minute));
    expect(begins(8, 15)).toBe('2026-11-03T16:00');
    expect(begins(16, 0)).toBe('2026-11-03T16:00');
    expect(begins(16, 1)).toBe('2026-11-03T16:30');
    expect(begins(18, 45)).toBe('2026-11-03T19:00');
    expect(begins(23, 50)).toBe('2026-11-03T23:30');
  });
});
