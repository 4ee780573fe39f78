import { FELT } from '../../../flight/laws.ts';
import type { Ball } from '../../record.ts';
import type { Sourced } from '../../types.ts';

const STEPANEK: Sourced = {
  what: 'drag and lift',
  source: 'A. Štěpánek, “The aerodynamics of tennis balls: the topspin lob”, Am. J. Phys. 56 (1988) 138; quoted from memory',
};
const ITF: Sourced = { what: 'mass and size', source: 'ITF Rules of Tennis, Appendix I; quoted from memory' };

const DROP: Sourced = {
  what: 'bounce',
  source:
    'Dropped from 254 cm onto concrete: 135–147 cm, green 120–135, orange 105–120, red 90–105 (ITF approval of tennis balls; quoted from memory); the middle of each, with drag',
};

const ball = (id: string, name: string, massKg: number, radiusM: number, dropRestitution: number, forStarters = false): Ball => ({
  id: `tennis-${id}`,
  name: `Tennis, ${name}`,
  sport: 'tennis',
  massKg,
  radiusM,
  inertiaShare: 0.55,
  aero: FELT,
  dragFactor: 1,
  dropRestitution,
  hard: false,
  ...(forStarters && { forStarters }),
  confidence: 'good',
  sources: [STEPANEK, ITF, DROP],
});

export const balls: readonly Ball[] = [
  ball('standard', 'standard', 0.0577, 0.033, 0.772),
  ball('stage1-green', 'green (stage 1)', 0.0492, 0.033, 0.738, true),
  ball('stage2-orange', 'orange (stage 2)', 0.0415, 0.0325, 0.696),
  ball('stage3-red', 'red (stage 3)', 0.0425, 0.0375, 0.655),
];
