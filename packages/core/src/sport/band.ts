import type { Level } from './types.ts';

/**
 * An age band of baseball and its own game: fastball, and where the pitcher lets go of it, from the rear tip of the plate, on the fields it plays on,
 * the usual first (common practice, no source).
 */
export interface AgeBand {
  id: string;
  /** As game balls name it. */
  name: string;
  level: Level;
  fastballMph: number;
  fields: readonly { rubberFt: number; releaseFt: number }[];
  /** From high school on a little more speed is a challenge still. */
  grown: boolean;
}

const band = (
  id: string,
  name: string,
  level: Level,
  fastballMph: number,
  fields: readonly (readonly [rubberFt: number, releaseFt: number])[],
  grown = false,
): AgeBand => ({ id, name, level, fastballMph, grown, fields: fields.map(([rubberFt, releaseFt]) => ({ rubberFt, releaseFt })) });

/** Youngest first. */
export const AGE_BANDS: readonly AgeBand[] = [
  band('8-and-under', '8 and under', 'Starting', 38, [[44, 40]]),
  band('9-10', '9–10', 'Starting', 48, [[46, 42]]),
  band('11-12', '11–12', 'Building', 58, [
    [46, 42],
    [50, 45.5],
  ]),
  band('13-14', '13–14', 'Building', 68, [
    [54, 49],
    [60.5, 55],
  ]),
  band('high-school', 'High school', 'Competing', 80, [[60.5, 55]], true),
  band('college', 'College', 'Advanced', 89, [[60.5, 55]], true),
  band('professional', 'Professional', 'Advanced', 94, [[60.5, 54]], true),
];
