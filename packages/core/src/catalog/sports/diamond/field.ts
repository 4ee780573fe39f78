import { ftToM, inToM } from '../../../quantity/index.ts';
import { line } from '../../court.ts';
import type { CourtPlan, FieldPosition, Hand, ZoneRule } from '../../record.ts';
import type { Sourced } from '../../types.ts';
import type { Sport } from '../names.ts';

/** Half the width of home plate, and the y of its front edge (Official Baseball Rules 2.02; quoted from memory). */
export const PLATE = { halfWidthM: inToM(8.5), frontY_m: inToM(17) } as const;

/** Of a player whose height nobody has typed, m: a grown one’s (common practice, no source). */
export const USUAL_HEIGHT_M = 1.75;

/** Middle of the strike zone of a batter of the usual height, m: a first aim. */
export const MIDDLE_OF_ZONE_M = 0.7;

/**
 * Bottom and top as shares of the batter's height. Of grown players mid-torso to the hollow of the knee, here the automated-zone proportion; of the
 * young the top of the knees to the armpits (both quoted from memory).
 */
const ZONES: Record<ZoneRule, readonly [bottom: number, top: number]> = { 'rule book': [0.27, 0.535], youth: [0.285, 0.75] };

/** Strike zone from the batter's height, m. */
export function strikeZone(heightM: number, rule: ZoneRule = 'rule book'): { bottomM: number; topM: number } {
  const [bottom, top] = ZONES[rule];
  return { bottomM: bottom * heightM, topM: top * heightM };
}

/** To which side of the line from plate to rubber an arm throws from: x grows toward first base, and a right-hander faces the plate. */
export const armSide = (hand: Hand): 1 | -1 => (hand === 'right' ? -1 : 1);

/** A machine that stands in for a pitcher is about so far off the middle, m. */
export const ARM_SIDE_M = 0.5;

const SIDES = ['third-base side', 'first-base side'] as const;

const pitchersPlate = (yM: number) => line('rubber', 'pitcher’s plate', -inToM(12), yM, inToM(12), yM);
const BOX = { near: -ftToM(3) + inToM(8.5), far: ftToM(3) + inToM(8.5), inside: inToM(14.5), outside: inToM(62.5) };
const REAR_TIP = { id: 'plate', name: 'rear tip of the plate', axis: 'y', at: 0 } as const;
const rubber = (at: number) => ({ id: 'rubber', name: 'pitcher’s plate', axis: 'y', at }) as const;

/** Plate, boxes and pitcher's plate. @param rubberM from the rear tip of the plate; `machineFt` where a machine stands first */
export const plateCourt = (sport: Sport, rubberM: number, machineFt: number, source: Sourced): CourtPlan => ({
  sport,
  view: { x1: -3.2, x2: 3.2, y1: -1.6, y2: rubberM + ftToM(3.5) },
  inPlay: { x1: -PLATE.halfWidthM, x2: PLATE.halfWidthM, y1: 0, y2: PLATE.frontY_m },
  net: null,
  lines: [
    pitchersPlate(rubberM),
    line('left-box-inside', 'left batter’s box, inside', -BOX.inside, BOX.near, -BOX.inside, BOX.far, true),
    line('left-box-outside', 'left batter’s box, outside', -BOX.outside, BOX.near, -BOX.outside, BOX.far, true),
    line('right-box-inside', 'right batter’s box, inside', BOX.inside, BOX.near, BOX.inside, BOX.far, true),
    line('right-box-outside', 'right batter’s box, outside', BOX.outside, BOX.near, BOX.outside, BOX.far, true),
  ],
  references: [REAR_TIP, rubber(rubberM), { id: 'centre', name: 'centre line', axis: 'x', at: 0 }],
  player: { x: -0.75, y: PLATE.frontY_m },
  // on the side of a right-hander's arm
  machine: { x: -ARM_SIDE_M, y: ftToM(machineFt) },
  landing: { x: 0, y: PLATE.frontY_m },
  sides: SIDES,
  source,
});

/** The whole field. @param foulM length of a foul line; `fielder` who is aimed at first, `landing` where a ball goes first */
export function wholeField(
  sport: Sport,
  {
    basesFt,
    rubberM,
    foulM,
    fielderFt,
    landing,
  }: { basesFt: number; rubberM: number; foulM: number; fielderFt: number; landing: { x: number; y: number } },
  source: Sourced,
): CourtPlan {
  const bases = ftToM(basesFt) / Math.SQRT2;
  const foul = foulM / Math.SQRT2;
  const deep = fielderFt / 315;
  return {
    sport,
    view: { x1: -66 * deep, x2: 66 * deep, y1: -8, y2: 124 * deep },
    inPlay: { x1: -66 * deep, x2: 66 * deep, y1: 0, y2: 120 * deep },
    net: null,
    lines: [
      line('left-foul', 'left foul line', 0, 0, -foul, foul),
      line('right-foul', 'right foul line', 0, 0, foul, foul),
      line('first-second', 'first to second base', bases, bases, 0, 2 * bases),
      line('second-third', 'second to third base', 0, 2 * bases, -bases, bases),
      pitchersPlate(rubberM),
    ],
    references: [
      REAR_TIP,
      rubber(rubberM),
      { id: 'second', name: 'second base', axis: 'y', at: 2 * bases },
      { id: 'centre', name: 'line from home to second', axis: 'x', at: 0 },
    ],
    player: { x: 0, y: ftToM(fielderFt) },
    machine: { x: 2, y: 2 },
    landing,
    nearOnLeft: true,
    sides: SIDES,
    source,
  };
}

const NAMES = ['Pitcher', 'Catcher', 'First base', 'Second base', 'Third base', 'Shortstop', 'Left field', 'Centre field', 'Right field'];
const SHORT = ['P', 'C', '1B', '2B', '3B', 'SS', 'LF', 'CF', 'RF'];

/** The nine in the order of the scorebook, from feet off the line to second and from the rear tip of the plate (usual depths; common practice, no source). */
export const positions = (feet: readonly (readonly [x: number, y: number])[]): FieldPosition[] =>
  feet.map(([x, y], i) => ({ name: NAMES[i]!, short: SHORT[i]!, x: ftToM(x), y: ftToM(y) }));
