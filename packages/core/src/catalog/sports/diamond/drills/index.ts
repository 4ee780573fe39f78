import type { Drill } from '../../../drill.ts';
import { fielding } from './fielding.ts';
import { hitting } from './hitting.ts';
import type { DiamondDrills } from './parts.ts';

/** Every drill of a diamond, for one of its sports. */
export const diamondDrills = (kit: DiamondDrills): readonly Drill[] => [...hitting(kit), ...fielding(kit)];
