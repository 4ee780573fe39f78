import { type DialPlace, seededRandom } from '@good-arc/core';

/** What a simulated machine’s dials really do: its own, and known to nobody but it. */
export interface DialLaw {
  /** What a dial gives at a place, in the unit of what it moves. */
  value: (place: DialPlace) => number;
  /** How far the elevation lies off what its scale says, °. */
  zeroDeg: number;
}

/** A law of its own for every machine: a little off at both ends, bent up or down, an elevation scale that is not quite true. */
export function dialLaw(seed: number): DialLaw {
  const random = seededRandom(seed);
  const [low, high, bend, zeroDeg] = [0.95 + 0.25 * random(), 0.86 + 0.12 * random(), 1.2 * (random() - 0.5), 0.4 * (random() - 0.5)];
  return {
    value({ share, expected: [lo, hi] }) {
      const [from, to] = [lo * low, hi * high];
      return from + (to - from) * (Math.abs(bend) < 1e-6 ? share : Math.expm1(bend * share) / Math.expm1(bend));
    },
    zeroDeg,
  };
}

/** A seed that stays with a name, whatever else is there (the 32-bit hash of Fowler, Noll and Vo). */
export function seedOfName(name: string): number {
  let hash = 0x811c9dc5;
  for (const letter of name) hash = Math.imul(hash ^ letter.codePointAt(0)!, 0x01000193);
  return hash >>> 0;
}
