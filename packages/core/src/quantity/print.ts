import { FACTORS, UNIT_OF, type UnitSystem } from './units.ts';

const fixed = (value: number, digits: number): string => {
  const text = value.toFixed(digits);
  return Number(text) === 0 ? (0).toFixed(digits) : text.replace('-', '−');
};

/** A length as people say it: `3 ft 2 in` (to the inch, `7 in` under a foot) or `0.97 m`. */
export function printLength(lengthM: number, system: UnitSystem): string {
  if (system === 'metric') return `${fixed(lengthM, 2)} m`;
  const inches = Math.round(Math.abs(lengthM) / FACTORS.length.in);
  const sign = lengthM < 0 && inches > 0 ? '−' : '';
  const feet = Math.floor(inches / 12);
  const rest = inches % 12;
  if (feet === 0) return `${sign}${rest} in`;
  return rest === 0 ? `${sign}${feet} ft` : `${sign}${feet} ft ${rest} in`;
}

/** How far a ball breaks, as people say it whatever its size: `18 in` or `46 cm`. */
export const printBreak = (lengthM: number, system: UnitSystem): string =>
  system === 'metric' ? `${fixed(lengthM / FACTORS.length.cm, 0)} cm` : `${fixed(lengthM / FACTORS.length.in, 0)} in`;

/** A speed to the whole unit (`62 mph`, `100 km/h`), or with `digits` decimals. */
export function printSpeed(speedMps: number, system: UnitSystem, digits = 0): string {
  const unit = UNIT_OF[system].speed;
  return `${fixed(speedMps / FACTORS.speed[unit], digits)} ${unit}`;
}

/** Degrees with their sign: `12°`, `−3.5°`. */
export const printAngle = (deg: number, digits = 0): string => `${fixed(deg, digits)}°`;
/** Turns a minute: `1200 rpm`. */
export const printSpin = (rpm: number): string => `${fixed(Math.round(rpm / 10) * 10, 0)} rpm`;
/** Seconds: `3.5 s`. */
export const printTime = (seconds: number, digits = 2): string => `${fixed(seconds, digits)} s`;

/** A count in groups of three: `2,950`. The browser's own way to do so takes a cheap phone 0.15 s the first time. */
export const printCount = (count: number): string => fixed(count, 0).replace(/\B(?=(?:\d{3})+$)/g, ',');

/** A share as whole per cent: 0.741 → `74 %`. */
export const printShare = (share: number): string => `${fixed(share * 100, 0)} %`;

/** Degrees Celsius or Fahrenheit, by the system. */
export function printTemperature(celsius: number, system: UnitSystem): string {
  return system === 'imperial' ? `${fixed(celsius * 1.8 + 32, 0)} °F` : `${fixed(celsius, 0)} °C`;
}
