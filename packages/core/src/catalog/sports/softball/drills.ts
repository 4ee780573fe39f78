import type { Drill } from '../../drill.ts';
import { diamondDrills } from '../diamond/drills/index.ts';
import { positions } from './positions.ts';

export const drills: readonly Drill[] = diamondDrills({
  sport: 'softball',
  positions,
  machineFt: 36,
  nearFt: [28, 31],
  bends: { name: 'Drop', slug: 'drop' },
  second: { name: 'Change-up', slug: 'change-up' },
});
