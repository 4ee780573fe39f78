import { aim, airDensity, ballById, fly, SPORT_RECORDS, surfaceById, WIDEST_LIMITS } from '@good-arc/core';

const conditions = {
  ball: ballById('tennis-standard'),
  airDensityKgM3: airDensity({ temperatureC: 22, altitudeM: 900, relativeHumidity: 0.5 }),
  wind: { xMps: 0, yMps: 0 },
  ground: surfaceById('tennis-acrylic-medium'),
};
const from = { x: 0.6, y: 6.7, z: 0.55 };
const spin = { topspinRpm: 600, sidespinRpm: 0, gyroRpm: 0 };
const target = { kind: 'landing', x: 1.2, y: -8.4 } as const;

/** The launch that lands a ball 8.4 m past the net, thrown at 18°; speeds in m/s, angles in degrees, places in metres. */
export const [solution] = aim(
  { conditions, from, spin, target, limits: WIDEST_LIMITS, net: SPORT_RECORDS.tennis.court.net },
  { elevationDeg: 18 },
).solutions;

const { speedMps, elevationDeg, bearingDeg } = solution!;
/** Flown again, it comes down within a millimetre of the spot. */
export const landing = fly(conditions, { ...from, ...spin, speedMps, elevationDeg, bearingDeg }, { maxBounces: 0 }).bounces[0]!;
