import type { Drill } from '../../drill.ts';
import { diamondDrills } from '../diamond/drills/index.ts';
import { positions } from './positions.ts';

export const drills: readonly Drill[] = diamondDrills({
  sport: 'baseball',
  positions,
  machineFt: 46,
  nearFt: [38, 42],
  bends: { name: 'Curve', slug: 'curve' },
  second: { name: 'Slider', slug: 'slider' },
});
