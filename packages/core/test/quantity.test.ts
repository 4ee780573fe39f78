import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  type Dimension,
  parseQuantity,
  printCount,
  printLength,
  printShare,
  printSpeed,
  printTemperature,
  type UnitSystem,
} from '../src/index.ts';

const read = (text: string, dimension: Dimension, system: UnitSystem = 'imperial'): number => {
  const parsed = parseQuantity(text, dimension, system);
  if (!parsed.ok) throw new Error(parsed.problem);
  return parsed.value;
};

describe('what people type', () => {
  test.each<[string, Dimension, number]>([
    [`5'6"`, 'length', 1.6764],
    ['5 ft 6', 'length', 1.6764],
    ['5ft6in', 'length', 1.6764],
    ['5’6”', 'length', 1.6764],
    ['66 in', 'length', 1.6764],
    ['1.7 m', 'length', 1.7],
    ['1,7 m', 'length', 1.7],
    ['170cm', 'length', 1.7],
    ['12', 'length', 3.6576],
    ['-4 ft', 'length', -1.2192],
    ['−4 ft', 'length', -1.2192],
    ['2 1/2 ft', 'length', 0.762],
    ['2½ ft', 'length', 0.762],
    ['5 ft 6 1/2 in', 'length', 1.6891],
    ['62mph', 'speed', 27.71648],
    ['62', 'speed', 27.71648],
    ['100 km/h', 'speed', 27.7777778],
    ['28 m/s', 'speed', 28],
    ['1,200 rpm', 'spin', 1200],
    ['-600', 'spin', -600],
    ['4.5', 'time', 4.5],
    ['450 ms', 'time', 0.45],
    ['18°', 'angle', 18],
    ['18 deg', 'angle', 18],
    ['75 °F', 'temperature', 23.8888889],
    ['24c', 'temperature', 24],
    ['50', 'temperature', 10],
    ['10', 'count', 10],
  ])('%s as %s', (text, dimension, value) => {
    expect(read(text, dimension)).toBeCloseTo(value, 6);
  });
  test('a bare number is in the person’s own unit', () => {
    expect(read('2', 'length', 'metric')).toBe(2);
    expect(read('100', 'speed', 'metric')).toBeCloseTo(27.7778, 3);
    expect(read('24', 'temperature', 'metric')).toBe(24);
  });
  test.each<[string, Dimension]>([
    ['', 'length'],
    ['abc', 'length'],
    ['5 mph', 'length'],
    ['5 ft 6 m', 'length'],
    ['5 6', 'length'],
    ['ten', 'speed'],
    ['4 rpm', 'time'],
    ['2.5', 'count'],
    ['1/0 ft', 'length'],
    ['hot', 'temperature'],
  ])('“%s” as %s is refused with an example of what would be right', (text, dimension) => {
    const parsed = parseQuantity(text, dimension, 'imperial');
    expect(parsed.ok).toBe(false);
    expect(parsed.ok ? '' : parsed.problem).toMatch(/Type /);
  });
});

describe('what is shown', () => {
  test('lengths, speeds, shares', () => {
    expect(printLength(0.9652, 'imperial')).toBe('3 ft 2 in');
    expect(printLength(1.8288, 'imperial')).toBe('6 ft');
    expect(printLength(0.1778, 'imperial')).toBe('7 in');
    expect(printLength(-0.9652, 'imperial')).toBe('−3 ft 2 in');
    expect(printLength(3.6449, 'imperial')).toBe('12 ft'); // 11 ft 11½ rounds up to the foot
    expect(printLength(0.9652, 'metric')).toBe('0.97 m');
    expect(printSpeed(27.7, 'imperial')).toBe('62 mph');
    expect(printSpeed(27.7, 'metric')).toBe('100 km/h');
    expect(printShare(0.741)).toBe('74 %');
    // as ECMA-402 formats numbers for English
    for (const count of [0, 7, 999, 1000, 2950, 65_536, 1_234_567]) expect(printCount(count)).toBe(count.toLocaleString('en'));
    expect(printTemperature(24, 'imperial')).toBe('75 °F');
  });
  test('a printed length reads back to within half its last digit', () => {
    fc.assert(
      fc.property(fc.double({ min: -60, max: 60, noNaN: true }), fc.constantFrom<UnitSystem>('imperial', 'metric'), (metres, system) => {
        const back = read(printLength(metres, system), 'length', system);
        expect(Math.abs(back - metres)).toBeLessThanOrEqual(system === 'imperial' ? 0.0127 + 1e-9 : 0.005 + 1e-9);
      }),
      { seed: 5, numRuns: 300 },
    );
  });
});
