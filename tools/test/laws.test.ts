import jStat from 'jstat';
import { describe, expect, test } from 'vitest';
import { jStatWith, lawsInUse } from '../lib/laws.mjs';

const FAMILIES = ['normal', 'studentt', 'beta', 'chisquare'] as const;

/** A module out of its text. */
const loaded = async (text: string): Promise<typeof jStat> =>
  (await import(/* @vite-ignore */ `data:text/javascript,${encodeURIComponent(text)}`)).default;

describe('what a page loads of jStat', () => {
  test('is what the core says it uses, and comes to the same figures', async () => {
    const laws = await loaded(jStatWith(lawsInUse()));
    expect(Object.keys(laws).filter((name) => FAMILIES.some((family) => family === name))).toHaveLength(FAMILIES.length);
    for (const p of [0.025, 0.3, 0.5, 0.9, 0.999]) {
      expect(laws.normal.inv(p, 0, 1)).toBe(jStat.normal.inv(p, 0, 1));
      expect(laws.studentt.inv(p, 5)).toBe(jStat.studentt.inv(p, 5));
      expect(laws.beta.inv(p, 4.5, 0.5)).toBe(jStat.beta.inv(p, 4.5, 0.5));
      expect(laws.normal.cdf(4 * p - 2, 0, 1)).toBe(jStat.normal.cdf(4 * p - 2, 0, 1));
      expect(laws.chisquare.cdf(12 * p, 4)).toBe(jStat.chisquare.cdf(12 * p, 4));
    }
  });
  test('a law that it does not have is refused when the app is built', () => {
    expect(() => jStatWith(['normal.cfd'])).toThrow('jStat has no normal.cfd.');
  });
});
