import type { Drill } from '../../../drill.ts';
import { NET_AND_SERVE } from './net-and-serve.ts';
import { STROKES } from './strokes.ts';

export const drills: readonly Drill[] = [...STROKES, ...NET_AND_SERVE];
