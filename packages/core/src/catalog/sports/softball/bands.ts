import type { AgeBand } from '../../record.ts';
import { band } from '../diamond/pitches.ts';

/** Youngest first. */
export const bands: readonly AgeBand[] = [
  band('8-and-under', '8 and under', 'Starting', 35, [[35, 33]], { slug: '8u' }),
  band('9-10', '9–10', 'Starting', 42, [[35, 31]], { ofDrills: true }),
  band('11-12', '11–12', 'Building', 50, [[40, 35.5]]),
  band(
    '13-14',
    '13–14',
    'Building',
    55,
    [
      [40, 35.5],
      [43, 37.5],
    ],
    { ofDrills: true },
  ),
  band('high-school', 'High school', 'Competing', 60, [[43, 37.5]], { grown: true, ofDrills: true }),
  band('college', 'College', 'Advanced', 66, [[43, 37]], { grown: true, ofDrills: true }),
  // speed: our assumption, no source
  band('professional', 'Professional', 'Advanced', 68, [[43, 37]], { grown: true }),
];
