import type { AgeBand } from '../../record.ts';
import { band, HEIGHT_M } from '../diamond/pitches.ts';

/** Share of a fastball's spin that is across its travel (common practice, no source). */
export const FASTBALL_ACTIVE = 0.9;

/**
 * Young pitchers let go at 0.75 of their age's height, and their fastballs spin 23.5 rpm for each mph (common practice, no source).
 */
const young = (age: keyof typeof HEIGHT_M, mph: number) => ({
  release: { z: 0.75 * HEIGHT_M[age], fastballRpm: 23.5 * mph * FASTBALL_ACTIVE },
});
/** Youngest first. */
export const bands: readonly AgeBand[] = [
  band('8-and-under', '8 and under', 'Starting', 38, [[44, 40]], { slug: '8u', ...young('8-and-under', 38) }),
  band('9-10', '9–10', 'Starting', 48, [[46, 42]], { ofDrills: true, ...young('9-10', 48) }),
  band(
    '11-12',
    '11–12',
    'Building',
    58,
    [
      [46, 42],
      [50, 45.5],
    ],
    young('11-12', 58),
  ),
  band(
    '13-14',
    '13–14',
    'Building',
    68,
    [
      [54, 49],
      [60.5, 55],
    ],
    { ofDrills: true, ...young('13-14', 68) },
  ),
  band('high-school', 'High school', 'Competing', 80, [[60.5, 55]], { grown: true, ofDrills: true }),
  band('college', 'College', 'Advanced', 89, [[60.5, 55]], { grown: true, ofDrills: true }),
  band('professional', 'Professional', 'Advanced', 94, [[60.5, 54]], { grown: true }),
];
