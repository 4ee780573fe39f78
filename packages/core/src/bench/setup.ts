import {
  contactBand,
  diamondOf,
  type FieldingBall,
  firstGameBall,
  type Level,
  MIDDLE_OF_ZONE_M,
  PLATE,
  SPORT_RECORDS,
  type Sport,
} from '../catalog/index.ts';
import { landingZone } from '../drill/index.ts';
import { fly } from '../flight/index.ts';
import type { SurfaceId } from '../ids.ts';
import { aimMachine, type MachineProfile, type PlaceQuestion, spinFor } from '../machine/index.ts';
import { mphToMps, radToDeg, within, wrapDeg } from '../quantity/index.ts';
import type { Setup } from './setup-schema.ts';
import { conditionsOf } from './throw.ts';

/** A machine that throws no faster than this, m/s, cannot cross the net from where others stand: it begins near the net, on the player’s side. */
const SLOW_MPS = 10;
const NEAR_NET = { machine: { x: 0.4, y: -1.2 }, landing: { x: -0.3, y: -4.9 }, player: { x: -0.3, y: -6.6 } } as const;

/** A set-up to start from: the machine where such machines stand, a ball a player of this level can play. */
export function firstSetup(
  court: { id: string; sport: Sport; surfaceId: SurfaceId; ceilingM?: number | null },
  machine: { id: string; profile: MachineProfile },
  level: Level,
  altitudeM: number,
): Setup {
  const pitched = diamondOf(court.sport) !== null;
  const slow = !pitched && machine.profile.speedMps[1] < SLOW_MPS;
  const plan = slow ? NEAR_NET : SPORT_RECORDS[court.sport].court;
  const ballId = SPORT_RECORDS[court.sport].balls[0]!.id;
  const { speedSteps, elevationSteps } = machine.profile;
  const elevation = Math.min(machine.profile.elevationDeg[1], Math.max(machine.profile.elevationDeg[0], slow ? 40 : 18));
  const oneSpeed = machine.profile.speedMps[0] === machine.profile.speedMps[1];
  const middle = speedSteps?.[Math.floor(speedSteps.length / 2)] ?? (machine.profile.speedMps[0] + machine.profile.speedMps[1]) / 2;
  const setup: Setup = {
    sport: court.sport,
    courtId: court.id,
    machineId: machine.id,
    surfaceId: court.surfaceId,
    ballId,
    level,
    weather: { temperatureC: 22, altitudeM, relativeHumidity: 0.5, windXMps: 0, windYMps: 0 },
    from: { ...plan.machine, z: machine.profile.releaseHeightM },
    target: pitched ? { kind: 'plane', planeY: PLATE.frontY_m, x: 0, z: MIDDLE_OF_ZONE_M } : { kind: 'landing', ...plan.landing },
    landingZone: landingZone(court.sport, pitched ? 'plane' : 'landing'),
    hold: pitched || oneSpeed ? { speedMps: middle } : { elevationDeg: elevation },
    arc: 'low',
    topspinRpm: pitched ? -1500 : 600,
    sidespinRpm: 0,
    player: plan.player,
    gameBallId: firstGameBall(court.sport, level, 'gameBall').id,
    intervalS: Math.max(4, machine.profile.intervalS[0]),
    ...(court.ceilingM != null && { ceilingM: court.ceilingM }),
  };
  return standing(elevationSteps?.length && oneSpeed ? whereItLands(setup, Math.max(...elevationSteps)) : setup, machine.profile);
}

/** How far the player of a first set-up is moved, m, and in what steps. */
const MOVED_M = 5;
const MOVE_M = 0.2;

/** The player stands where the ball comes to the middle of the level's band, as near to the usual place as that goes. */
function standing(setup: Setup, profile: MachineProfile): Setup {
  const band = diamondOf(setup.sport) ? null : contactBand('groundstroke', setup.level);
  if (!band) return setup;
  const { solutions, spin } = aimMachine(profile, placeQuestion(setup), setup, setup.hold, setup.arc);
  const solution = solutions.find(({ arc }) => arc === setup.arc) ?? solutions[0];
  if (!solution) return setup;
  const { speedMps, elevationDeg, bearingDeg } = solution;
  const launch = { ...setup.from, ...spin, speedMps, elevationDeg, bearingDeg };
  const steps = Math.round(MOVED_M / MOVE_M);
  const ys = Array.from({ length: 2 * steps + 1 }, (_, i) => setup.player.y + (i - steps) * MOVE_M);
  const { crossings } = fly(conditionsOf(setup), launch, { planesY: ys, maxBounces: 1 });
  const middle = (band[0] + band[1]) / 2;
  const good = crossings.filter(({ leg, z, descentDeg }) => leg === 1 && descentDeg >= 0 && z > band[0] && z < band[1]);
  const off = ({ planeY, z }: (typeof good)[number]): number => Math.abs(planeY - setup.player.y) / MOVED_M + Math.abs(z - middle) * 4;
  const best = good.sort((a, b) => off(a) - off(b))[0];
  return best ? { ...setup, player: { ...setup.player, y: best.planeY } } : setup;
}

/** A machine with one speed and a few heights lands where it lands: the target goes there. */
function whereItLands(setup: Setup, elevationDeg: number): Setup {
  if (!('speedMps' in setup.hold) || setup.target.kind !== 'landing') return setup;
  const { x, y } = setup.from;
  const bearingDeg = wrapDeg(radToDeg(Math.atan2(setup.target.x - x, setup.target.y - y)));
  const launch = { ...setup.from, speedMps: setup.hold.speedMps, elevationDeg, bearingDeg, topspinRpm: 0, sidespinRpm: 0, gyroRpm: 0 };
  const [spot] = fly(conditionsOf(setup), launch, { maxBounces: 0 }).bounces;
  return { ...setup, arc: 'high', target: { kind: 'landing', x: spot!.x, y: spot!.y }, topspinRpm: 0 };
}

/** A set-up of a diamond for fielders, from a machine at home: the ball goes where that elevation and speed carry it, toward the fielder. */
export function fieldingSetup(setup: Setup, machine: MachineProfile, ball: FieldingBall): Setup {
  const { positions, field } = diamondOf(setup.sport)!;
  const fielder = positions.find(({ short }) => short === ball.to)!;
  const from = { ...field.machine, z: setup.from.z };
  const speedMps = within(mphToMps(ball.mph), machine.speedMps);
  const elevationDeg = within(ball.elevationDeg, machine.elevationDeg);
  const bearingDeg = wrapDeg(radToDeg(Math.atan2(fielder.x - from.x, fielder.y - from.y)));
  const topspinRpm = ball.elevationDeg < 10 ? 500 : -1200;
  const spin = spinFor(machine.spin, { topspinRpm, sidespinRpm: 0 }, speedMps);
  const [spot] = fly(conditionsOf(setup), { ...from, speedMps, elevationDeg, bearingDeg, ...spin }, { maxBounces: 0 }).bounces;
  return {
    ...setup,
    from,
    target: { kind: 'landing', x: spot!.x, y: spot!.y },
    landingZone: landingZone(setup.sport, 'landing'),
    hold: { elevationDeg },
    arc: 'low',
    topspinRpm,
    sidespinRpm: 0,
    player: { x: fielder.x, y: fielder.y },
    gameBallId: '',
  };
}

/** Where the ball goes, as a question to the aim. */
export const placeQuestion = (setup: Setup): PlaceQuestion => ({
  conditions: conditionsOf(setup),
  from: setup.from,
  target: setup.target,
  net: SPORT_RECORDS[setup.sport].court.net,
  ceilingM: setup.ceilingM ?? null,
});
