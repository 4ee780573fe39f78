import { SEAMED } from '../../../flight/laws.ts';
import type { Ball } from '../../record.ts';

export const balls: readonly Ball[] = [
  {
    id: 'baseball',
    name: 'Baseball',
    sport: 'baseball',
    massKg: 0.1453,
    radiusM: 0.0366,
    inertiaShare: 0.4,
    aero: SEAMED,
    dragFactor: 1,
    hard: true,
    confidence: 'good',
    sources: [
      { what: 'drag and lift', source: 'A. Nathan’s published trajectory-calculator fit; quoted from memory' },
      { what: 'mass and size', source: 'Official Baseball Rules 3.01 (5–5¼ oz, 9–9¼ in); quoted from memory' },
    ],
  },
];
