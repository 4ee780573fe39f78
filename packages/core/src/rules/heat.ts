import { saturationPressurePa } from '../flight/index.ts';
import type { Found, Rule } from './subject/subject.ts';

/** `wbgtC`: wet-bulb globe temperature in the sun; from `mostC` on nobody plays. */
export type Hazard = Found<'heat' | 'heat-stop', { wbgtC: number; mostC: number }>;

/**
 * From there on shorter rounds and more rest, and from there on none, °C of wet-bulb globe temperature (the bounds of high and extreme risk in the sports
 * medicine literature, 28 and 32.2 °C, quoted from memory).
 */
const HOT_C = 28;
const TOO_HOT_C = 32.2;
/** A child takes up heat sooner: so much less (our judgement). */
const CHILD_YEARS = 14;
const CHILD_LESS_C = 2;

/**
 * Wet-bulb globe temperature off air and humidity, °C: 0.567 t + 0.393 e + 3.94 with the vapour pressure e in hPa (the usual approximation for moderate sun
 * and light wind, published by the Australian weather service; quoted from memory).
 */
const wbgtOf = (temperatureC: number, relativeHumidity: number): number =>
  0.567 * temperatureC + 0.393 * ((relativeHumidity * saturationPressurePa(temperatureC)) / 100) + 3.94;

/** Heat that asks for rest, or ends it. */
export const rule: Rule<Hazard> = ({ weather: { temperatureC, relativeHumidity }, around: { ageYears = null } }) => {
  const wbgtC = wbgtOf(temperatureC, relativeHumidity);
  const less = ageYears !== null && ageYears < CHILD_YEARS ? CHILD_LESS_C : 0;
  const mostC = TOO_HOT_C - less;
  if (wbgtC >= mostC) return { code: 'heat-stop', weight: 'grave', figures: { wbgtC, mostC } };
  return wbgtC >= HOT_C - less ? { code: 'heat', weight: 'note', figures: { wbgtC, mostC } } : null;
};
