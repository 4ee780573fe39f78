import { ftToM, inToM } from '../quantity/index.ts';
import type { Sourced, Sport } from './types.ts';

/** Net height as the rules give it: lowest at the centre, straight up to `edgeHeightM` at `edgeX_m`. */
export interface Net {
  centreHeightM: number;
  edgeHeightM: number;
  edgeX_m: number;
}

/** A named line of the court: a segment in metres, in the frame of the physics. */
export interface CourtLine {
  name: string;
  x1: number;
  y1: number;
  x2: number;
  y2: number;
}

/** A named line to measure from: `axis` y means a distance along the court. */
export interface Reference {
  id: string;
  name: string;
  axis: 'x' | 'y';
  at: number;
}

export interface CourtPlan {
  sport: Sport;
  /** The rectangle that is drawn: play area plus run-off. */
  view: { x1: number; x2: number; y1: number; y2: number };
  /** In play, for a ball that must land in. */
  inPlay: { x1: number; x2: number; y1: number; y2: number };
  net: Net | null;
  lines: readonly CourtLine[];
  references: readonly Reference[];
  /** Where the player stands unless moved, and the y of the plane in which they meet the ball. */
  player: { x: number; y: number };
  /** Where a machine stands and a ball goes when nothing has been chosen yet. */
  machine: { x: number; y: number };
  landing: { x: number; y: number };
  source: Sourced;
  /** Drawn with the near end on the left: a field that is played away from home. */
  nearOnLeft?: boolean;
}

const line = (name: string, x1: number, y1: number, x2: number, y2: number): CourtLine => ({ name, x1, y1, x2, y2 });

const T = { half: ftToM(39), singles: ftToM(13.5), doubles: ftToM(18), service: ftToM(21), post: ftToM(3) };
const P = { half: ftToM(22), side: ftToM(10), nvz: ftToM(7) };

const tennis: CourtPlan = {
  sport: 'tennis',
  view: { x1: -T.doubles - 1.2, x2: T.doubles + 1.2, y1: -T.half - 3.2, y2: T.half + 1.6 },
  inPlay: { x1: -T.singles, x2: T.singles, y1: -T.half, y2: T.half },
  net: { centreHeightM: ftToM(3), edgeHeightM: ftToM(3.5), edgeX_m: T.doubles + T.post },
  lines: [
    line('far baseline', -T.doubles, T.half, T.doubles, T.half),
    line('near baseline', -T.doubles, -T.half, T.doubles, -T.half),
    line('left tramline', -T.doubles, -T.half, -T.doubles, T.half),
    line('right tramline', T.doubles, -T.half, T.doubles, T.half),
    line('left singles sideline', -T.singles, -T.half, -T.singles, T.half),
    line('right singles sideline', T.singles, -T.half, T.singles, T.half),
    line('far service line', -T.singles, T.service, T.singles, T.service),
    line('near service line', -T.singles, -T.service, T.singles, -T.service),
    line('centre service line', 0, -T.service, 0, T.service),
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

const pickleball: CourtPlan = {
  sport: 'pickleball',
  view: { x1: -P.side - 1.2, x2: P.side + 1.2, y1: -P.half - 2.2, y2: P.half + 1.4 },
  inPlay: { x1: -P.side, x2: P.side, y1: -P.half, y2: P.half },
  net: { centreHeightM: inToM(34), edgeHeightM: inToM(36), edgeX_m: P.side },
  lines: [
    line('far baseline', -P.side, P.half, P.side, P.half),
    line('near baseline', -P.side, -P.half, P.side, -P.half),
    line('left sideline', -P.side, -P.half, -P.side, P.half),
    line('right sideline', P.side, -P.half, P.side, P.half),
    line('far non-volley line', -P.side, P.nvz, P.side, P.nvz),
    line('near non-volley line', -P.side, -P.nvz, P.side, -P.nvz),
    line('far centre line', 0, P.nvz, 0, P.half),
    line('near centre line', 0, -P.half, 0, -P.nvz),
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

/** Half the width of home plate, and the y of its front edge (Official Baseball Rules 2.02; quoted from memory). */
export const PLATE = { halfWidthM: inToM(8.5), frontY_m: inToM(17) } as const;
/** Rubber to the rear tip of the plate (Official Baseball Rules 2.01; quoted from memory). */
export const PITCHERS_PLATE_Y_M = ftToM(60.5);

const baseball: CourtPlan = {
  sport: 'baseball',
  view: { x1: -3.2, x2: 3.2, y1: -1.6, y2: ftToM(64) },
  inPlay: { x1: -PLATE.halfWidthM, x2: PLATE.halfWidthM, y1: 0, y2: PLATE.frontY_m },
  net: null,
  lines: [
    line('pitcher’s plate', -inToM(12), PITCHERS_PLATE_Y_M, inToM(12), PITCHERS_PLATE_Y_M),
    line('left batter’s box, inside', -inToM(14.5), -ftToM(3) + inToM(8.5), -inToM(14.5), ftToM(3) + inToM(8.5)),
    line('left batter’s box, outside', -inToM(62.5), -ftToM(3) + inToM(8.5), -inToM(62.5), ftToM(3) + inToM(8.5)),
    line('right batter’s box, inside', inToM(14.5), -ftToM(3) + inToM(8.5), inToM(14.5), ftToM(3) + inToM(8.5)),
    line('right batter’s box, outside', inToM(62.5), -ftToM(3) + inToM(8.5), inToM(62.5), ftToM(3) + inToM(8.5)),
  ],
  references: [
    { id: 'plate', name: 'rear tip of the plate', axis: 'y', at: 0 },
    { id: 'rubber', name: 'pitcher’s plate', axis: 'y', at: PITCHERS_PLATE_Y_M },
    { id: 'centre', name: 'centre line', axis: 'x', at: 0 },
  ],
  player: { x: -0.75, y: PLATE.frontY_m },
  machine: { x: 0.5, y: ftToM(46) },
  landing: { x: 0, y: PLATE.frontY_m },
  source: { what: 'field', source: 'Official Baseball Rules 2.01–2.02 (plate 17 in, pitcher’s plate 60 ft 6 in); quoted from memory' },
};

const bases = ftToM(90) / Math.SQRT2;
const foul = 92;
/** The whole field, for balls thrown or hit to fielders. */
export const FIELD_PLAN: CourtPlan = {
  sport: 'baseball',
  view: { x1: -66, x2: 66, y1: -8, y2: 124 },
  inPlay: { x1: -66, x2: 66, y1: 0, y2: 120 },
  net: null,
  lines: [
    line('left foul line', 0, 0, -foul / Math.SQRT2, foul / Math.SQRT2),
    line('right foul line', 0, 0, foul / Math.SQRT2, foul / Math.SQRT2),
    line('first to second base', bases, bases, 0, 2 * bases),
    line('second to third base', 0, 2 * bases, -bases, bases),
    line('pitcher’s plate', -inToM(12), PITCHERS_PLATE_Y_M, inToM(12), PITCHERS_PLATE_Y_M),
  ],
  references: [
    { id: 'plate', name: 'rear tip of the plate', axis: 'y', at: 0 },
    { id: 'rubber', name: 'pitcher’s plate', axis: 'y', at: PITCHERS_PLATE_Y_M },
    { id: 'second', name: 'second base', axis: 'y', at: 2 * bases },
    { id: 'centre', name: 'line from home to second', axis: 'x', at: 0 },
  ],
  player: { x: 0, y: ftToM(315) },
  machine: { x: 2, y: 2 },
  landing: { x: -8, y: 78 },
  nearOnLeft: true,
  source: { what: 'field', source: 'Official Baseball Rules 2.01 (bases 90 ft); fences differ from field to field; quoted from memory' },
};

export const COURT_PLANS: Readonly<Record<Sport, CourtPlan>> = { tennis, pickleball, baseball };

/** The sport's net, when it stands between two places along the court; null where there is none on the way. */
export const netBetween = (sport: Sport, fromY: number, toY: number): Net | null => (fromY > 0 !== toY > 0 ? COURT_PLANS[sport].net : null);

/** Top of the net at x, in metres; straight between the heights at centre and edge, level beyond the edge. */
export function netHeightAt(net: Net, x: number): number {
  const share = Math.min(1, Math.abs(x) / net.edgeX_m);
  return net.centreHeightM + (net.edgeHeightM - net.centreHeightM) * share;
}

/**
 * Strike zone from the batter's height: top 53.5 %, bottom 27 % of it (the automated-zone proportion; quoted from memory).
 * The rule book defines it as mid-torso to the hollow of the knee.
 */
export const strikeZone = (heightM: number): { bottomM: number; topM: number } => ({ bottomM: 0.27 * heightM, topM: 0.535 * heightM });

/** Middle of the strike zone of an adult batter of 1.75 m, m: a first aim. */
export const MIDDLE_OF_ZONE_M = 0.7;
