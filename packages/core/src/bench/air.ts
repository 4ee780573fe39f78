import { SPORT_RECORDS } from '../catalog/index.ts';
import { airDensity, type Launch } from '../flight/index.ts';
import { endpointOf } from '../spread/index.ts';
import type { Setup } from './setup-schema.ts';
import { conditionsOf } from './throw.ts';

/** The air that the effect of another is told against: 20 °C, sea level, half humid, still. */
export const USUAL_AIR = { temperatureC: 20, altitudeM: 0, relativeHumidity: 0.5, windXMps: 0, windYMps: 0 } as const;

/** What the air of the place does to a ball, against still air at sea level. */
export interface AirEffect {
  densityKgM3: number;
  usualDensityKgM3: number;
  /** The same launch, here less in the usual air: farther along its way (higher, in a plane), to the right of its way, later. */
  fartherM: number;
  rightM: number;
  laterS: number;
  /** The same for the air alone, without the wind. */
  airFartherM: number;
}

/** What today's air and wind do to this very ball. @returns null when it never gets there in one of them */
export function airEffect(setup: Setup, launch: Launch): AirEffect | null {
  const { target } = setup;
  const { net } = SPORT_RECORDS[setup.sport].court;
  const here = endpointOf(conditionsOf(setup), launch, target, net);
  const usual = endpointOf(conditionsOf({ ...setup, weather: USUAL_AIR }), launch, target, net);
  const still = endpointOf(conditionsOf({ ...setup, weather: { ...setup.weather, windXMps: 0, windYMps: 0 } }), launch, target, net);
  if (!here || !usual || !still) return null;
  const toY = target.kind === 'landing' ? target.y : target.planeY;
  const length = Math.hypot(target.x - launch.x, toY - launch.y);
  const [ux, uy] = [(target.x - launch.x) / length, (toY - launch.y) / length];
  const plane = target.kind === 'plane';
  const farther = (a: typeof here, b: typeof here): number => (plane ? a.along - b.along : (a.x - b.x) * ux + (a.along - b.along) * uy);
  return {
    densityKgM3: airDensity(setup.weather),
    usualDensityKgM3: airDensity(USUAL_AIR),
    fartherM: farther(here, usual),
    rightM: plane ? (here.x - usual.x) * Math.sign(uy) : (here.x - usual.x) * uy - (here.along - usual.along) * ux,
    laterS: here.timeS - usual.timeS,
    airFartherM: farther(still, usual),
  };
}
