/**
 * Units at the edge. Everything inside the core is SI; a unit is named here once with its factor.
 * Factors are exact by definition (international foot and inch 1959: 1 in = 25.4 mm; mile = 1609.344 m).
 */

/** What a number measures. */
export type Dimension = 'length' | 'speed' | 'spin' | 'time' | 'angle' | 'temperature' | 'count' | 'number';

/** SI value of one of each unit, by dimension (temperature is affine and handled in `parse`/`print`). */
export const FACTORS = {
  length: { m: 1, cm: 0.01, mm: 0.001, in: 0.0254, ft: 0.3048, yd: 0.9144 },
  speed: { 'm/s': 1, mph: 0.44704, 'km/h': 1 / 3.6, 'ft/s': 0.3048 },
  spin: { rpm: 1, 'rad/s': 60 / (2 * Math.PI), rps: 60 },
  time: { s: 1, ms: 0.001, min: 60 },
  angle: { '°': 1, rad: 180 / Math.PI },
} as const;

/** The two unit families a person chooses between; both can be typed at any time. */
export type UnitSystem = 'imperial' | 'metric';

/** The unit a bare number is read in and a value is printed in. */
export const UNIT_OF: Record<UnitSystem, { length: 'ft' | 'm'; speed: 'mph' | 'km/h'; temperature: '°F' | '°C' }> = {
  imperial: { length: 'ft', speed: 'mph', temperature: '°F' },
  metric: { length: 'm', speed: 'km/h', temperature: '°C' },
};

/** Miles an hour as metres a second: 0.44704 exactly. */
export const mphToMps = (mph: number): number => mph * FACTORS.speed.mph;
/** Metres a second as miles an hour. */
export const mpsToMph = (mps: number): number => mps / FACTORS.speed.mph;
/** Feet as metres: 0.3048 exactly. */
export const ftToM = (ft: number): number => ft * FACTORS.length.ft;
/** Metres as feet. */
export const mToFt = (m: number): number => m / FACTORS.length.ft;
/** Inches as metres: 0.0254 exactly. */
export const inToM = (inch: number): number => inch * FACTORS.length.in;
/** Revolutions per minute → radians per second. */
export const rpmToRadPerS = (rpm: number): number => (rpm * 2 * Math.PI) / 60;
/** Radians per second → revolutions per minute. */
export const radPerSToRpm = (radPerS: number): number => (radPerS * 60) / (2 * Math.PI);
/** Degrees as radians. */
export const degToRad = (deg: number): number => (deg * Math.PI) / 180;
/** Radians as degrees. */
export const radToDeg = (rad: number): number => (rad * 180) / Math.PI;

/** The same direction, from 0 up to 360. */
export const wrapDeg = (deg: number): number => ((deg % 360) + 360) % 360;

/** The same turn by the shorter way round, from −180 to 180°. */
/** The value, or the nearest end of the range it is outside of. */
export const within = (value: number, [lo, hi]: readonly [lo: number, hi: number]): number => Math.min(hi, Math.max(lo, value));

/** The shorter way round between two directions, −180° to 180°. */
export const shortTurnDeg = (deg: number): number => deg - 360 * Math.round(deg / 360);
