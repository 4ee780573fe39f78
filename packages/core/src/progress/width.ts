/// <reference path="../jstat.d.ts" />
import jStat from 'jstat';

/** Chance that a normal error stays within ±z(p) is p: z(p) = Φ⁻¹((1+p)/2). @param p 0 to 1, both excluded */
const halfWidthFor = (p: number): number => jStat.normal.inv((1 + p) / 2, 0, 1);

/** A rate that is never quite 0 or 1, so that a width follows from any round: (k + ½)/(n + 1). */
const tempered = (hits: number, balls: number): number => (hits + 0.5) / (balls + 1);

/** A width, m, and the scatter of the player it follows from. */
export interface Width {
  widthM: number;
  /** 1 σ of the player’s error across the target. */
  sigmaM: number;
}

/**
 * The width of a gate that would be hit at the wanted rate, from what was hit at this one: errors across it are taken as normal.
 * Check: 9 of 10 at 3 m gives 1.36 m for one in two.
 * @param wantedRate 0 to 1, both excluded
 * @throws RangeError for no balls, a count that is none, or a rate outside
 */
export function widthFor(widthM: number, hits: number, balls: number, wantedRate: number): Width {
  checkCount(hits, balls);
  checkRate(wantedRate);
  const sigmaM = widthM / (2 * halfWidthFor(tempered(hits, balls)));
  return { widthM: 2 * sigmaM * halfWidthFor(wantedRate), sigmaM };
}

/** A width for one in two, with how sure it is. */
export interface WidthAdvice {
  widthM: number;
  /** Chance that it will really be hit at 40 to 60 %. */
  sure: number;
}

const ADVISED = { rate: 0.5, from: 0.4, to: 0.6 } as const;
const POINTS = 400;
/** From there on a width is worth advising; below it more balls are asked for (our judgement). */
export const SURE_WIDTH = 0.6;

/**
 * The width that would be hit one time in two, and the chance that this is so: over all true rates that the count leaves open (Jeffreys’ prior).
 * Check: by 9 of 10 the chance is about one in two; by 90 of 100 it is nearly sure.
 * @throws RangeError for no balls, or a count that is none
 */
export function widthAdvice(widthM: number, hits: number, balls: number): WidthAdvice {
  const advised = widthFor(widthM, hits, balls, ADVISED.rate).widthM;
  let [total, within] = [0, 0];
  for (let i = 0; i < POINTS; i++) {
    const rate = (i + 0.5) / POINTS;
    // against the largest, so that a long history does not run out of digits
    const weight = Math.exp(
      (hits - 0.5) * Math.log(rate / tempered(hits, balls)) + (balls - hits - 0.5) * Math.log((1 - rate) / (1 - tempered(hits, balls))),
    );
    const there = rateAt(widthM / (2 * halfWidthFor(rate)), advised);
    total += weight;
    if (there >= ADVISED.from && there <= ADVISED.to) within += weight;
  }
  return { widthM: advised, sure: within / total };
}

/** As `widthFor` for a round target, whose misses follow Rayleigh’s law: chance = 1 − exp(−r²/2σ²). */
export function roundWidthFor(widthM: number, hits: number, balls: number, wantedRate: number): Width {
  checkCount(hits, balls);
  checkRate(wantedRate);
  const radii = (p: number): number => Math.sqrt(-2 * Math.log(1 - p));
  const sigmaM = widthM / 2 / radii(tempered(hits, balls));
  return { widthM: 2 * sigmaM * radii(wantedRate), sigmaM };
}

/** Width that a player whose error across has this σ hits at this rate. */
export const widthAt = (sigmaM: number, rate: number): number => 2 * sigmaM * halfWidthFor(rate);

/** Rate at which a player whose error across has this σ hits this width. */
export const rateAt = (sigmaM: number, widthM: number): number => 2 * jStat.normal.cdf(widthM / (2 * sigmaM), 0, 1) - 1;

function checkCount(hits: number, balls: number): void {
  if (!Number.isInteger(hits) || !Number.isInteger(balls) || balls < 1 || hits < 0 || hits > balls)
    throw new RangeError(`hits: ${hits} of ${balls} is not a count`);
}

function checkRate(rate: number): void {
  if (!(rate > 0 && rate < 1)) throw new RangeError(`wantedRate: ${rate} is not between 0 and 1`);
}
