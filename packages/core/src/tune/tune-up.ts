import { ballById, groundOf, surfaceById } from '../catalog/index.ts';
import type { Dial, DialCurve } from '../dial/index.ts';
import { airDensity } from '../flight/index.ts';
import { expectedRange, type MachineProfile, spinFor } from '../machine/index.ts';
import type { TuneUp } from './ball.ts';
import { type Fit, fitDial } from './fit.ts';
import { ELEVATION_SIGMA_DEG } from './sigmas.ts';
import type { FitQuestion } from './solve.ts';
import type { Stand } from './watch.ts';

/** Dials whose effect is seen in the flight; the others are measured directly. */
export const isFlown = ({ moves }: Pick<Dial, 'moves'>): boolean => moves === 'speed' || moves === 'wheel';

/** How the machine stood for a tune-up: spin off where it can be chosen, all wheels alike. @param dragShare of the balls in use */
export function standOf(tuneUp: Omit<TuneUp, 'balls'>, { spin }: Pick<MachineProfile, 'spin'>, dragShare = 1): Stand {
  const { ballId, surfaceId, weather, from, elevationDeg, bearingDeg } = tuneUp;
  const ball = ballById(ballId);
  return {
    conditions: {
      ball: { ...ball, dragFactor: ball.dragFactor * dragShare },
      airDensityKgM3: airDensity(weather),
      wind: { xMps: weather.windXMps, yMps: weather.windYMps },
      ground: groundOf(surfaceById(surfaceId), ball),
    },
    from,
    elevationDeg,
    bearingDeg,
    spin: (speedMps) => spinFor(spin, { topspinRpm: 0, sidespinRpm: 0 }, speedMps),
  };
}

/** A tune-up as a question to the fit. */
export function questionOf(tuneUp: TuneUp, dial: Dial, profile: MachineProfile, dragShare = 1): FitQuestion {
  return {
    scale: dial.scale,
    falling: dial.falling,
    expected: expectedRange(profile, dial.moves),
    balls: tuneUp.balls,
    stand: isFlown(dial) ? standOf(tuneUp, profile, dragShare) : null,
    elevationSigmaDeg: ELEVATION_SIGMA_DEG[tuneUp.elevationKnown],
    repeatability: profile.repeatability,
    fitDrag: tuneUp.fitDrag,
  };
}

/** Fits a tune-up's balls. @returns null while there is nothing to fit */
export const fitTuneUp = (tuneUp: TuneUp, dial: Dial, profile: MachineProfile, dragShare = 1): Fit | null =>
  fitDial(questionOf(tuneUp, dial, profile, dragShare));

const rounded = (value: number): number => Number(value.toPrecision(9));

/** A fit as the curve that is kept with the dial. @param tunedAt ISO moment */
export const curveFrom = (fit: Fit, { ballId, weather }: Pick<TuneUp, 'ballId' | 'weather'>, tunedAt: string): DialCurve => ({
  params: fit.params.map(rounded),
  covariance: fit.covariance.map((row) => row.map(rounded)),
  df: fit.df,
  falling: fit.falling,
  tunedAt,
  balls: fit.used,
  ballId,
  temperatureC: weather.temperatureC,
});
