import { ftToM } from '../../../quantity/index.ts';
import { line } from '../../court.ts';
import type { CourtPlan } from '../../record.ts';

const T = { half: ftToM(39), singles: ftToM(13.5), doubles: ftToM(18), service: ftToM(21), post: ftToM(3) };
export const SERVICE_LINE_M = T.service;

export const court: CourtPlan = {
  sport: 'tennis',
  view: { x1: -T.doubles - 1.2, x2: T.doubles + 1.2, y1: -T.half - 3.2, y2: T.half + 1.6 },
  inPlay: { x1: -T.singles, x2: T.singles, y1: -T.half, y2: T.half },
  net: { centreHeightM: ftToM(3), edgeHeightM: ftToM(3.5), edgeX_m: T.doubles + T.post },
  lines: [
    line('far-baseline', 'far baseline', -T.doubles, T.half, T.doubles, T.half, true),
    line('near-baseline', 'near baseline', -T.doubles, -T.half, T.doubles, -T.half, true),
    line('left-tramline', 'left tramline', -T.doubles, -T.half, -T.doubles, T.half, true),
    line('right-tramline', 'right tramline', T.doubles, -T.half, T.doubles, T.half, true),
    line('left-singles', 'left singles sideline', -T.singles, -T.half, -T.singles, T.half, true),
    line('right-singles', 'right singles sideline', T.singles, -T.half, T.singles, T.half, true),
    line('far-service', 'far service line', -T.singles, T.service, T.singles, T.service),
    line('near-service', 'near service line', -T.singles, -T.service, T.singles, -T.service),
    line('centre-service', 'centre service line', 0, -T.service, 0, T.service),
  ],
  references: [
    { id: 'far-baseline', name: 'far baseline', axis: 'y', at: T.half },
    { id: 'far-service', name: 'far service line', axis: 'y', at: T.service },
    { id: 'net', name: 'net', axis: 'y', at: 0 },
    { id: 'near-service', name: 'near service line', axis: 'y', at: -T.service },
    { id: 'near-baseline', name: 'near baseline', axis: 'y', at: -T.half },
    { id: 'centre', name: 'centre line', axis: 'x', at: 0 },
    { id: 'left-singles', name: 'left singles sideline', axis: 'x', at: -T.singles },
    { id: 'right-singles', name: 'right singles sideline', axis: 'x', at: T.singles },
  ],
  player: { x: 1.5, y: -T.half - 0.4 },
  machine: { x: 0.6, y: T.service + 0.3 },
  landing: { x: 1.2, y: -8.4 },
  source: {
    what: 'court and net',
    source: 'ITF Rules of Tennis, rules 1–2 and Appendix (78 × 27/36 ft, net 3 ft to 3 ft 6 in); quoted from memory',
  },
};
