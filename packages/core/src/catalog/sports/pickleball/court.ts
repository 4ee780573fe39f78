import { ftToM, inToM } from '../../../quantity/index.ts';
import { line } from '../../court.ts';
import type { CourtPlan } from '../../record.ts';

const P = { half: ftToM(22), side: ftToM(10), nvz: ftToM(7) };
export const NON_VOLLEY_LINE_M = P.nvz;

export const court: CourtPlan = {
  sport: 'pickleball',
  view: { x1: -P.side - 1.2, x2: P.side + 1.2, y1: -P.half - 2.2, y2: P.half + 1.4 },
  inPlay: { x1: -P.side, x2: P.side, y1: -P.half, y2: P.half },
  net: { centreHeightM: inToM(34), edgeHeightM: inToM(36), edgeX_m: P.side },
  lines: [
    line('far-baseline', 'far baseline', -P.side, P.half, P.side, P.half, true),
    line('near-baseline', 'near baseline', -P.side, -P.half, P.side, -P.half, true),
    line('left-side', 'left sideline', -P.side, -P.half, -P.side, P.half, true),
    line('right-side', 'right sideline', P.side, -P.half, P.side, P.half, true),
    line('far-nvz', 'far non-volley line', -P.side, P.nvz, P.side, P.nvz),
    line('near-nvz', 'near non-volley line', -P.side, -P.nvz, P.side, -P.nvz),
    line('far-centre', 'far centre line', 0, P.nvz, 0, P.half),
    line('near-centre', 'near centre line', 0, -P.half, 0, -P.nvz),
  ],
  references: [
    { id: 'far-baseline', name: 'far baseline', axis: 'y', at: P.half },
    { id: 'far-nvz', name: 'far non-volley line', axis: 'y', at: P.nvz },
    { id: 'net', name: 'net', axis: 'y', at: 0 },
    { id: 'near-nvz', name: 'near non-volley line', axis: 'y', at: -P.nvz },
    { id: 'near-baseline', name: 'near baseline', axis: 'y', at: -P.half },
    { id: 'centre', name: 'centre line', axis: 'x', at: 0 },
    { id: 'left-side', name: 'left sideline', axis: 'x', at: -P.side },
    { id: 'right-side', name: 'right sideline', axis: 'x', at: P.side },
  ],
  player: { x: 0.8, y: -P.half - 0.3 },
  machine: { x: 0.3, y: P.half - 0.6 },
  landing: { x: 0.6, y: -5.2 },
  source: {
    what: 'court and net',
    source: 'USA Pickleball rulebook, section 2 (44 × 20 ft, non-volley line 7 ft, net 34 to 36 in); quoted from memory',
  },
};
