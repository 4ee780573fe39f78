import { type MeetHold, type Meeting, type MeetSolution, meetBall, spinAt } from '../aim/index.ts';
import { diamondOf } from '../catalog/index.ts';
import { fly } from '../flight/index.ts';
import { questionFor, type Thrower } from '../machine/index.ts';
import { type Arrangement, launchOf } from './arrange.ts';
import { placeQuestion } from './setup.ts';
import type { Setup } from './setup-schema.ts';

/** A ball is aimed no lower than this at the body, m: it would be in the ground. */
const LOWEST_M = 0.1;

/**
 * The set-up whose ball meets the player at another height, where they stand: what was held stays held if it can, else the elevation gives way.
 * @param heightM of the ball's centre at the meeting
 * @returns null for a pitch, for a machine with steps, and where no ball comes so
 */
export function setupToMeet(setup: Setup, machine: Thrower, { thrown, solution }: Arrangement, heightM: number): Setup | null {
  if (diamondOf(setup.sport) || machine.speedSteps?.length || machine.elevationSteps?.length) return null;
  const place = placeQuestion(setup);
  const asked = questionFor(machine, place, setup);
  const x = thrown?.arrival?.x ?? setup.target.x;
  const ways: readonly Meeting[] = thrown?.arrival?.leg === 0 ? ['volley'] : ['fall', 'rise'];
  const nowDeg = solution?.elevationDeg ?? 15;
  const held: MeetHold = 'speedMps' in setup.hold ? { speedMps: setup.hold.speedMps } : { elevationDeg: nowDeg };
  const solve = (hold: MeetHold | null): MeetSolution[] =>
    ways.flatMap((on) => {
      const meet = { x, y: setup.player.y, z: Math.max(LOWEST_M, heightM), on };
      return meetBall({ ...asked, meet }, hold, hold ? undefined : FREE).solutions;
    });
  const inHeld = solve(held);
  const all = inHeld.length > 0 ? inHeld : solve(null);
  const off = ({ elevationDeg, landing }: MeetSolution): number =>
    Math.abs(elevationDeg - nowDeg) + (landing && setup.target.kind === 'landing' ? Math.abs(landing.y - setup.target.y) : 0);
  const [best] = all.sort((a, b) => off(a) - off(b));
  if (!best) return null;
  const launch = { ...setup.from, ...spinAt(asked, best.speedMps), ...launchOf(best) };
  const landing = best.landing ?? fly(place.conditions, launch, { maxBounces: 0 }).bounces[0];
  if (!landing) return null;
  const hold = inHeld.length > 0 && 'speedMps' in held ? setup.hold : { elevationDeg: best.elevationDeg };
  return {
    ...setup,
    target: { kind: 'landing', x: landing.x, y: landing.y },
    hold,
    ...('speedMps' in hold && { arc: best.elevationDeg > STEEP_DEG ? 'high' : 'low' }),
  };
}

/** Arcs that are looked at when what was held has to give way. */
const FREE = 24;
/** The low arc of a feed is flatter than this, the high one steeper. */
const STEEP_DEG = 45;
