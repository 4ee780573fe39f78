import { FELT } from '../../../flight/laws.ts';
import type { Ball } from '../../record.ts';
import type { Sourced } from '../../types.ts';

const STEPANEK: Sourced = {
  what: 'drag and lift',
  source: 'A. Štěpánek, “The aerodynamics of tennis balls: the topspin lob”, Am. J. Phys. 56 (1988) 138; quoted from memory',
};
const ITF: Sourced = { what: 'mass and size', source: 'ITF Rules of Tennis, Appendix I; quoted from memory' };

const ball = (id: string, name: string, massKg: number, radiusM: number, forStarters = false): Ball => ({
  id: `tennis-${id}`,
  name: `Tennis, ${name}`,
  sport: 'tennis',
  massKg,
  radiusM,
  inertiaShare: 0.55,
  aero: FELT,
  dragFactor: 1,
  hard: false,
  ...(forStarters && { forStarters }),
  confidence: 'good',
  sources: [STEPANEK, ITF],
});

export const balls: readonly Ball[] = [
  ball('standard', 'standard', 0.0577, 0.033),
  ball('stage1-green', 'green (stage 1)', 0.0492, 0.033, true),
  ball('stage2-orange', 'orange (stage 2)', 0.0415, 0.0325),
  ball('stage3-red', 'red (stage 3)', 0.0425, 0.0375),
];
