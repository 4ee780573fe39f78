import type { AgeBand } from '../../record.ts';
import { band } from '../diamond/pitches.ts';

/** Youngest first. */
export const bands: readonly AgeBand[] = [
  band('8-and-under', '8 and under', 'Starting', 38, [[44, 40]], { slug: '8u' }),
  band('9-10', '9–10', 'Starting', 48, [[46, 42]], { ofDrills: true }),
  band('11-12', '11–12', 'Building', 58, [
    [46, 42],
    [50, 45.5],
  ]),
  band(
    '13-14',
    '13–14',
    'Building',
    68,
    [
      [54, 49],
      [60.5, 55],
    ],
    { ofDrills: true },
  ),
  band('high-school', 'High school', 'Competing', 80, [[60.5, 55]], { grown: true, ofDrills: true }),
  band('college', 'College', 'Advanced', 89, [[60.5, 55]], { grown: true, ofDrills: true }),
  band('professional', 'Professional', 'Advanced', 94, [[60.5, 54]], { grown: true }),
];
