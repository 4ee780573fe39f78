import {
  type CourtId,
  type Dial,
  expectedRange,
  fly,
  isFlown,
  type MachineProfile,
  normals,
  readingsOf,
  seededRandom,
  shareOf,
  standOf,
  type TestBall,
  type TuneUp,
} from '@good-arc/core';
import { dialLaw, seedOfName } from '@good-arc/simulator';

/** How the demo machine stood on the day its dials were tuned. */
const DAY: Omit<TuneUp, 'dialId' | 'dialName' | 'courtId' | 'ballStockId' | 'balls' | 'from'> = {
  ballId: 'tennis-standard',
  surfaceId: 'tennis-acrylic-medium',
  weather: { temperatureC: 19, altitudeM: 900, relativeHumidity: 0.5, windXMps: 0, windYMps: 0 },
  elevationDeg: 20,
  elevationKnown: 'level',
  bearingDeg: 180,
  battery: 'full',
  fitDrag: false,
};

/** Test balls of one dial as somebody would have marked them: five at each of three readings, or three measured directly. */
export function demoTuneUp(
  machine: { name: string; profile: MachineProfile },
  dial: Dial,
  { courtId, ballStockId }: { courtId: CourtId; ballStockId: string },
): TuneUp {
  const { profile } = machine;
  const law = dialLaw(seedOfName(machine.name));
  const normal = normals(seededRandom(seedOfName(dial.id)));
  const expected = expectedRange(profile, dial.moves);
  const document = {
    ...DAY,
    dialId: dial.id,
    dialName: dial.name,
    courtId,
    ballStockId,
    from: { x: 0, y: 11.2, z: profile.releaseHeightM },
  };
  const all = readingsOf(dial.scale);
  const at = [0.3, 0.5, 0.8].map((share) => all[Math.round(share * (all.length - 1))]!);
  const valueAt = (reading: number): number => {
    const share = shareOf(dial.scale, reading);
    return law.value({ moves: dial.moves, share: dial.falling ? 1 - share : share, expected });
  };
  const ballOf = (reading: number, i: number, part: Partial<TestBall>): TestBall => ({
    id: `${reading}-${i}`,
    reading,
    mark: null,
    timeS: null,
    radarMps: null,
    direct: null,
    leftOut: false,
    ...part,
  });
  if (!isFlown(dial)) {
    const sigma = dial.moves === 'elevation' ? 0.2 : dial.moves === 'interval' ? 0.1 : 60;
    const balls = at.flatMap((reading) =>
      [0, 1].map((i) => ballOf(reading, i, { direct: { value: round2(valueAt(reading) + sigma * normal()), sigma } })),
    );
    return { ...document, balls };
  }
  const stand = standOf({ ...document }, profile);
  const { speedPct, elevationDeg, bearingDeg } = profile.repeatability;
  const balls = at.flatMap((reading) =>
    [0, 1, 2, 3, 4].map((i) => {
      const speedMps = valueAt(reading) * (1 + (speedPct / 100) * normal());
      const launch = {
        ...stand.from,
        speedMps,
        elevationDeg: stand.elevationDeg + elevationDeg * normal(),
        bearingDeg: stand.bearingDeg + bearingDeg * normal(),
        ...stand.spin(speedMps),
      };
      const [touch] = fly(stand.conditions, launch, { maxBounces: 0 }).bounces;
      // one of them clipped the net cord
      const clipped = reading === at[1] && i === 2;
      const y = clipped ? touch!.y + 0.3 * Math.abs(touch!.y - stand.from.y) : touch!.y;
      return ballOf(reading, i, {
        mark: { x: round2(touch!.x + 0.2 * normal()), y: round2(y + 0.2 * normal()), sigmaM: 0.3, sideways: true },
        radarMps: i < 2 ? round2(speedMps + 0.2 * normal()) : null,
        leftOut: clipped,
      });
    }),
  );
  return { ...document, balls };
}

const round2 = (value: number): number => Math.round(value * 100) / 100;
