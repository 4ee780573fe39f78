import { SEAMED } from '../../../flight/laws.ts';
import { inToM } from '../../../quantity/index.ts';
import type { Ball } from '../../record.ts';
import type { Sourced } from '../../types.ts';

const KG_PER_OZ = 0.0283495;
const AERO: Sourced = {
  what: 'drag and lift',
  source: 'The fit for raised seams of the smaller ball; little is published for this one: our assumption',
  assumption: true,
};
const DIMPLED: Sourced = {
  what: 'drag',
  source: 'Dimples instead of seams: drag taken a tenth less; our assumption, no source',
  assumption: true,
};

const ball = (id: string, name: string, aroundIn: number, massOz: number, rules: string, dimpled = false): Ball => ({
  id: `softball-${id}`,
  name: `Softball, ${name}`,
  sport: 'softball',
  massKg: massOz * KG_PER_OZ,
  radiusM: inToM(aroundIn / (2 * Math.PI)),
  inertiaShare: 0.4,
  aero: SEAMED,
  dragFactor: dimpled ? 0.9 : 1,
  hard: true,
  confidence: 'low',
  sources: [AERO, ...(dimpled ? [DIMPLED] : []), { what: 'mass and size', source: `${rules}; common practice, from memory` }],
});

const TWELVE = 'Circumference 12 in, 6¼–7 oz';
const ELEVEN = 'Circumference 11 in, 5.9–6.1 oz';

export const balls: readonly Ball[] = [
  ball('12', '12 inch', 12, 6.6, TWELVE),
  ball('11', '11 inch', 11, 6.0, ELEVEN),
  ball('12-dimpled', '12 inch, dimpled for machines', 12, 6.6, TWELVE, true),
  ball('11-dimpled', '11 inch, dimpled for machines', 11, 6.0, ELEVEN, true),
];
