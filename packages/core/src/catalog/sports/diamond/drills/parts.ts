import { ftToM } from '../../../../quantity/index.ts';
import type { DrillBall, DrillRung } from '../../../drill.ts';
import type { FieldPosition } from '../../../record.ts';
import type { Sport } from '../../names.ts';
import { ARM_SIDE_M } from '../field.ts';

/** What a sport of the diamond puts into its drills. */
export interface DiamondDrills {
  sport: Sport;
  positions: readonly FieldPosition[];
  /** Where a machine stands, and nearer by for the youngest (first and later), ft from the plate. */
  machineFt: number;
  nearFt: readonly [number, number];
  /** The ball that bends, and what the second of two machines throws: their names, and their slugs in the game book. */
  bends: { name: string; slug: string };
  second: { name: string; slug: string };
}

/** In the right-hand box; the ball is met in front of the plate. */
const BOX = { x: -0.75, y: ftToM(17 / 12) };
export const HELMETS = 'Helmet on the hitter, and on whoever feeds without a screen.';
export const SCREEN = 'Screen in front of the feeder, close to the machine: too far in front it makes ricochets.';
export const MANUAL = 'Nobody forward of the muzzle while it is armed.';

export const pitch = (name: string, game: string, share: number, part: Partial<DrillBall> = {}): DrillBall => ({
  name,
  cue: 'Loaded as it is let go',
  game,
  share,
  x: 0,
  stroke: 'swing',
  ...part,
});
/** The words in which the drills of a diamond are written, for one of its sports. */
export function partsOf({ positions, machineFt, second }: DiamondDrills) {
  const at = (feet: number, x = -ARM_SIDE_M) => ({ x, y: ftToM(feet) });
  const rung = (name: string, focalPoint: string, balls: readonly DrillBall[], part: Partial<DrillRung> = {}): DrillRung => ({
    name,
    focalPoint,
    balls,
    from: at(machineFt),
    start: BOX,
    recover: null,
    intervalS: 8,
    perRound: 6,
    rounds: 4,
    ...part,
  });
  const spotOf = (short: string) => {
    const { x, y } = positions.find((each) => each.short === short)!;
    return { x, y };
  };
  const middle = (a: string, b: string, deeperM = 0) => ({
    x: (spotOf(a).x + spotOf(b).x) / 2,
    y: (spotOf(a).y + spotOf(b).y) / 2 + deeperM,
  });
  const fly = (name: string, to: readonly string[], spot: { x: number; y: number }, elevationDeg: number): DrillBall => ({
    name,
    cue: `${to.join(' or ')}: call it`,
    share: 1,
    x: 0,
    elevationDeg,
    stroke: 'volley',
    field: { to, spot },
  });
  const ground = (to: string, mph: number, elevationDeg = -2): DrillBall => ({
    name: `Ground ball to ${to}`,
    cue: `${to}: feet first`,
    share: 1,
    x: 0,
    elevationDeg,
    stroke: 'volley',
    field: { to: [to], spot: spotOf(to), groundMph: mph },
  });
  const field = (name: string, focalPoint: string, balls: readonly DrillBall[], part: Partial<DrillRung> = {}): DrillRung =>
    rung(name, focalPoint, balls, {
      from: { x: 2, y: 2 },
      start: { x: 0, y: (spotOf('CF').y * 140) / 315 },
      intervalS: 6,
      perRound: 12,
      rounds: 2,
      targetTimes: 1,
      ...part,
    });

  function twoMachines(share: number): DrillBall[] {
    return [
      pitch('Fastball, first machine', 'fastball', share, { cue: 'First machine throws, second shows' }),
      pitch(`${second.name}, second machine`, second.slug, share, {
        cue: 'Second machine throws, first shows',
        second: at(machineFt, ARM_SIDE_M),
      }),
    ];
  }

  function gaps(elevationDeg: number): DrillBall[] {
    return [
      fly('Between short and left', ['SS', 'LF'], middle('SS', 'LF', -4), elevationDeg),
      fly('Between second and centre', ['2B', 'CF'], middle('2B', 'CF', -12), elevationDeg),
      fly('Between second and right', ['2B', 'RF'], middle('2B', 'RF', -4), elevationDeg),
      fly('Behind third', ['3B', 'LF'], middle('3B', 'LF', -6), elevationDeg),
    ];
  }

  function flies(deeperM: number): DrillBall[] {
    return ['LF', 'CF', 'RF'].map((short) => {
      const spot = spotOf(short);
      const scale = 1 + (deeperM - 8) / Math.hypot(spot.x, spot.y);
      return fly(
        `${deeperM < 0 ? 'Short fly' : deeperM > 0 ? 'Deep fly' : 'Fly'} to ${short}`,
        [short],
        { x: spot.x * scale, y: spot.y * scale },
        38,
      );
    });
  }

  function grounders(mph: number): DrillBall[] {
    return ['3B', 'SS', '2B', '1B'].map((to) => ground(to, mph));
  }

  return { at, rung, spotOf, fly, ground, field, twoMachines, gaps, flies, grounders };
}
