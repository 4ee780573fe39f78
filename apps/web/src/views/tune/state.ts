import {
  BALLS,
  type Dial,
  type DialPlace,
  firstReadings,
  MARK_SIGMA_M,
  type MachineProfile,
  placeOfDial,
  SPORT_RECORDS,
  type Sport,
  type TestBall,
  type TuneUp,
  tuneUpSchema,
  within,
} from '@good-arc/core';
import type { CourtRow, Kit, MachineRow } from '../../api/rows.ts';
import { device } from '../../device/store.ts';

/** A tune-up under way, kept on the device until it is kept for good. */
export interface TuneState {
  document: TuneUp;
  /** Where the dial stands now. */
  reading: number;
  /** Balls to see before the dial is moved. */
  each: number;
}

const keyOf = (machineId: string, dialId: string): string => `tune:${machineId}:${dialId}`;

/** A tune-up to begin with: as the last one stood, or as such machines stand. */
export function firstTune(kit: Kit, machine: MachineRow, dial: Dial, last: TuneUp | null, altitudeM: number): TuneState {
  const court = kit.courts.find(({ id }) => id === last?.courtId) ?? courtFor(kit.courts, machine.profile);
  const stock = kit.balls.find(({ id }) => id === last?.ballStockId) ?? kit.balls.find(({ ballId }) => isOf(ballId, court.sport));
  const [sport, plan] = [court.sport, SPORT_RECORDS[court.sport].court];
  const document: TuneUp = {
    dialId: dial.id,
    dialName: dial.name,
    courtId: court.id,
    ballId: last?.ballId ?? stock?.ballId ?? BALLS.find((ball) => ball.sport === sport)!.id,
    ballStockId: stock?.id ?? null,
    surfaceId: court.surfaceId,
    weather: last?.weather ?? { temperatureC: 20, altitudeM, relativeHumidity: 0.5, windXMps: 0, windYMps: 0 },
    from: last?.from ?? { x: 0, y: plan.machine.y, z: machine.profile.releaseHeightM },
    elevationDeg: last?.elevationDeg ?? within(SPORT_RECORDS[sport].tuneUpDeg, machine.profile.elevationDeg),
    elevationKnown: last?.elevationKnown ?? 'level',
    bearingDeg: last?.bearingDeg ?? 180,
    battery: machine.profile.power === 'battery' ? 'full' : 'mains',
    fitDrag: false,
    balls: [],
  };
  return { document, reading: firstReadings(dial.scale)[0]!, each: 3 };
}

const isOf = (ballId: string, sport: Sport): boolean => BALLS.find(({ id }) => id === ballId)?.sport === sport;
const courtFor = (courts: readonly CourtRow[], { sports }: MachineProfile): CourtRow => courts.find(({ sport }) => sports.includes(sport))!;

/** What was begun on this device; known once the device is ready. */
export function savedTune(machineId: string, dial: Dial): TuneState | null {
  try {
    const kept = JSON.parse(device().getItem(keyOf(machineId, dial.id)) ?? 'null') as TuneState | null;
    const parsed = tuneUpSchema.safeParse(kept?.document);
    return kept && parsed.success ? { ...kept, document: parsed.data } : null;
  } catch {
    return null;
  }
}

export function saveTune(machineId: string, dialId: string, state: TuneState | null): void {
  if (state) device().setItem(keyOf(machineId, dialId), JSON.stringify(state));
  else device().removeItem(keyOf(machineId, dialId));
}

export const newBall = (id: string, reading: number, part: Partial<TestBall> = {}): TestBall => ({
  id,
  reading,
  mark: null,
  timeS: null,
  radarMps: null,
  direct: null,
  leftOut: false,
  ...part,
});

/**
 * Puts something seen to the ball it belongs to: the oldest at this reading that has not been seen that way, or a new one.
 * @param make an id for a new ball
 */
export function withSeen(
  balls: readonly TestBall[],
  reading: number,
  part: Pick<TestBall, 'mark'> | Pick<TestBall, 'timeS'> | Pick<TestBall, 'radarMps'> | Pick<TestBall, 'direct'>,
  make: () => string,
): TestBall[] {
  const key = Object.keys(part)[0] as 'mark' | 'timeS' | 'radarMps' | 'direct';
  const waiting = balls.find((ball) => ball.reading === reading && ball[key] === null && !ball.leftOut);
  if (waiting) return balls.map((ball) => (ball === waiting ? { ...ball, ...part } : ball));
  return [...balls, newBall(make(), reading, part)];
}

/** A spot that was tapped: no better than an eye. */
export const tapped = (spot: { x: number; y: number }): TestBall['mark'] => ({
  x: Math.round(spot.x * 100) / 100,
  y: Math.round(spot.y * 100) / 100,
  sigmaM: MARK_SIGMA_M.eye,
  sideways: true,
});

/** Where the dial stands, for the simulation; all wheels alike when it drives one. */
export function placesOf(dial: Dial, reading: number, profile: MachineProfile): DialPlace[] {
  const place = placeOfDial(dial, reading, profile);
  return dial.moves === 'wheel' ? profile.wheelsDeg.map(() => place) : [place];
}
