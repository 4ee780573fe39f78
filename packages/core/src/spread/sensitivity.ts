import type { Target } from '../aim/index.ts';
import type { Net } from '../catalog/index.ts';
import type { Conditions, Launch } from '../flight/index.ts';
import { type Endpoint, endpointOf } from './endpoint.ts';

/** What of a launch is turned, one at a time. */
export const KNOBS = ['speedMps', 'elevationDeg', 'bearingDeg', 'topspinRpm', 'sidespinRpm', 'gyroRpm', 'windXMps', 'windYMps'] as const;
/** A value that can be a little off: of the launch, or of the wind. */
export type Knob = (typeof KNOBS)[number];

/** Change of the outcome for one unit of a knob: m, s per m/s, °, rpm. `netClearanceM` is 0 where there is no net. */
export type Effect = { [K in keyof Endpoint]: number };
/** How far the landing moves for each knob. */
export type Sensitivity = Record<Knob, Effect>;

/** Half the step of each central difference: small against the bend of the flight, large against its error of a tenth of a millimetre. */
const STEP: Record<Knob, number> = {
  speedMps: 0.05,
  elevationDeg: 0.1,
  bearingDeg: 0.1,
  topspinRpm: 40,
  sidespinRpm: 40,
  gyroRpm: 40,
  windXMps: 0.2,
  windYMps: 0.2,
};

function turned(conditions: Conditions, launch: Launch, knob: Knob, by: number): [Conditions, Launch] {
  if (knob === 'windXMps') return [{ ...conditions, wind: { ...conditions.wind, xMps: conditions.wind.xMps + by } }, launch];
  if (knob === 'windYMps') return [{ ...conditions, wind: { ...conditions.wind, yMps: conditions.wind.yMps + by } }, launch];
  return [conditions, { ...launch, [knob]: launch[knob] + by }];
}

/**
 * How the outcome of a solved flight answers to each knob, by central differences.
 * @returns null when one of the neighbouring balls never reaches the plane of the target
 */
export function sensitivity(conditions: Conditions, launch: Launch, target: Target, net: Net | null): Sensitivity | null {
  const effects = {} as Sensitivity;
  for (const knob of KNOBS) {
    const by = STEP[knob];
    const more = endpointOf(...turned(conditions, launch, knob, by), target, net);
    const less = endpointOf(...turned(conditions, launch, knob, -by), target, net);
    if (!more || !less) return null;
    effects[knob] = {
      x: (more.x - less.x) / (2 * by),
      along: (more.along - less.along) / (2 * by),
      timeS: (more.timeS - less.timeS) / (2 * by),
      netClearanceM: ((more.netClearanceM ?? 0) - (less.netClearanceM ?? 0)) / (2 * by),
    };
  }
  return effects;
}
