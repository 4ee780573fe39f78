import type { Drill } from '../../../drill.ts';
import { AT_THE_LINE } from './at-the-line.ts';
import { FROM_THE_BACK } from './from-the-back.ts';

export const drills: readonly Drill[] = [...FROM_THE_BACK, ...AT_THE_LINE];
