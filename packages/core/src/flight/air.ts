/** Air as the ball meets it. Give the station pressure or the altitude; a density overrides both. */
export interface Air {
  temperatureC: number;
  altitudeM?: number | undefined;
  pressureHpa?: number | undefined;
  /** 0 to 1. */
  relativeHumidity: number;
  densityKgM3?: number | undefined;
}

/** Heights above the sea that are asked for, m: from the shore of the Dead Sea to the highest places where people live. */
export const ALTITUDE_M = [-450, 6000] as const;

/** Saturation vapour pressure over water, Pa (Buck 1981; quoted from memory). @param t °C */
export const saturationPressurePa = (t: number): number => 611.21 * Math.exp(((18.678 - t / 234.5) * t) / (257.14 + t));

/** Station pressure at an altitude in the International Standard Atmosphere (ISO 2533; quoted from memory), Pa. */
export const isaPressurePa = (altitudeM: number): number => 101325 * (1 - 2.25577e-5 * altitudeM) ** 5.25588;

/**
 * Density of moist air as two ideal gases, kg/m³ (gas constants 287.058 and 461.495 J/(kg K)).
 * Checks: 1.2250 dry at 15 °C and sea level, 1.2041 at 20 °C.
 */
export function airDensity(air: Air): number {
  if (air.densityKgM3 !== undefined) return air.densityKgM3;
  const kelvin = air.temperatureC + 273.15;
  const pressure = air.pressureHpa !== undefined ? air.pressureHpa * 100 : isaPressurePa(air.altitudeM ?? 0);
  const vapour = air.relativeHumidity * saturationPressurePa(air.temperatureC);
  return (pressure - vapour) / (287.058 * kelvin) + vapour / (461.495 * kelvin);
}
