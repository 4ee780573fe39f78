import {
  buildLadder,
  type DrillId,
  fitDrill,
  gameBallById,
  type LadderId,
  LIBRARY,
  type MachineProfile,
  type PlanDocument,
  type RungDocument,
  SPORT_RECORDS,
  type Sport,
  type SurfaceId,
} from '@good-arc/core';
import { ALTITUDE_M } from './demo-centre.ts';

interface At {
  id: string;
  sport: Sport;
  surfaceId: SurfaceId;
  ceilingM: number | null;
}
interface On {
  id: string;
  profile: MachineProfile;
}

const weather = { temperatureC: 22, altitudeM: ALTITUDE_M, relativeHumidity: 0.5, windXMps: 0, windYMps: 0 };

/** A ladder built to the rally drive of a competing player. */
export function builtLadder(at: At, on: On): RungDocument[] {
  return buildLadder({
    sport: 'tennis',
    court: at,
    machine: on,
    ballId: 'tennis-standard',
    level: 'Competing',
    weather,
    gameBall: gameBallById('tennis-rally-drive-competing')!,
    hand: 'left',
    wing: 'forehand',
    heightM: 1.74,
    focalPoint: 'Split as it leaves.',
    minutes: 30,
    hopperBalls: 120,
    approach: 'sweet-spot',
    wanted: 'working',
  }).rungs;
}

/** A built-in drill on the club’s machines. */
export function drillLadder(drillId: DrillId, at: At, on: On, second?: On): RungDocument[] {
  const drill = LIBRARY.find(({ id }) => id === drillId)!;
  const ballId = SPORT_RECORDS[at.sport].balls[0]!.id;
  const { rungs } = fitDrill(drill, {
    sport: at.sport,
    court: at,
    machine: on,
    ballId,
    level: drill.level,
    weather,
    hand: 'right',
    heightM: 1.8,
    approach: 'earn-it',
    ...(second && { second }),
  });
  return rungs;
}

/** A planned outing of a squad, two days on. */
export const planFor = (ladderId: LadderId, playerIds: string[], day: string): PlanDocument => ({
  name: 'Orchard four: two lines',
  ladderId,
  startsAt: `${day}T17:30`,
  playerIds,
  absentIds: playerIds.slice(3),
  lines: 2,
  stations: ['picking up'],
  rotateBy: { kind: 'balls', balls: 20 },
  capBalls: 40,
  notes: 'Balls are in the shed by the orchard gate.',
});
