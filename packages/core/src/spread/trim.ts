import type { Solution, Target } from '../aim/index.ts';
import type { Launch } from '../flight/index.ts';
import { aimMachine, type PlaceQuestion, type Thrower } from '../machine/index.ts';

/** How far from the target a ball went, m: to +x, and along +y (up, in a plane). */
export interface Miss {
  xM: number;
  alongM: number;
}

/** What to turn. Degrees (turn: clockwise from above is to the right of the throw), m/s. */
export interface Correction {
  by: 'elevation' | 'speed';
  elevationDeg: number;
  speedMps: number;
  turnDeg: number;
  /** The settings it leads to. */
  to: { speedMps: number; elevationDeg: number; bearingDeg: number };
}

/** Larger turns of the elevation are no trim any more, °. */
const SMALL_DEG = 12;

/**
 * The smallest correction for a ball that missed: aims as far to the other side of the target. Elevation comes before speed, since a dial of
 * speed also moves the spin and the player's time.
 * @returns first the one to use; the other as an alternative; empty when the machine can do neither
 */
export function trim(
  machine: Thrower,
  question: PlaceQuestion,
  wanted: { topspinRpm: number; sidespinRpm: number },
  launch: Pick<Launch, 'speedMps' | 'elevationDeg' | 'bearingDeg'>,
  miss: Miss,
): Correction[] {
  const { target } = question;
  const mirrored: Target =
    target.kind === 'landing'
      ? { ...target, x: target.x - miss.xM, y: target.y - miss.alongM }
      : { ...target, x: target.x - miss.xM, z: target.z - miss.alongM };
  const aside = { ...question, target: mirrored };
  const solve = (hold: { speedMps: number } | { elevationDeg: number }): Solution | undefined =>
    aimMachine(machine, aside, wanted, hold).solutions.sort(
      (a, b) => Math.abs(a.elevationDeg - launch.elevationDeg) - Math.abs(b.elevationDeg - launch.elevationDeg),
    )[0];
  const correction = (by: Correction['by'], s: Solution | undefined): Correction[] => {
    if (!s) return [];
    let turnDeg = s.bearingDeg - launch.bearingDeg;
    turnDeg -= 360 * Math.round(turnDeg / 360);
    const { speedMps, elevationDeg, bearingDeg } = s;
    return [
      {
        by,
        elevationDeg: elevationDeg - launch.elevationDeg,
        speedMps: speedMps - launch.speedMps,
        turnDeg,
        to: { speedMps, elevationDeg, bearingDeg },
      },
    ];
  };
  const elevation = correction('elevation', solve({ speedMps: launch.speedMps }));
  const speed = correction('speed', solve({ elevationDeg: launch.elevationDeg }));
  return [...elevation.filter((c) => Math.abs(c.elevationDeg) <= SMALL_DEG), ...speed];
}
