import type { AgeBand } from '../../record.ts';
import { band } from '../diamond/pitches.ts';

/** Share of a fastball's spin that is across its travel (common practice, no source). */
export const FASTBALL_ACTIVE = 0.9;

/**
 * Young pitchers let go at 0.75 of their age's height, and their fastballs spin 23.5 rpm for each mph (common practice, no source).
 * @param heightM usual height of the age
 */
const young = (heightM: number, mph: number) => ({ release: { z: 0.75 * heightM, fastballRpm: 23.5 * mph * FASTBALL_ACTIVE } });
/** Youngest first. */
export const bands: readonly AgeBand[] = [
  band('8-and-under', '8 and under', 'Starting', 38, [[44, 40]], { slug: '8u', ...young(1.27, 38) }),
  band('9-10', '9–10', 'Starting', 48, [[46, 42]], { ofDrills: true, ...young(1.38, 48) }),
  band(
    '11-12',
    '11–12',
    'Building',
    58,
    [
      [46, 42],
      [50, 45.5],
    ],
    young(1.5, 58),
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
    { ofDrills: true, ...young(1.63, 68) },
  ),
  band('high-school', 'High school', 'Competing', 80, [[60.5, 55]], { grown: true, ofDrills: true }),
  band('college', 'College', 'Advanced', 89, [[60.5, 55]], { grown: true, ofDrills: true }),
  band('professional', 'Professional', 'Advanced', 94, [[60.5, 54]], { grown: true }),
];
