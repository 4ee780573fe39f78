import { bandsOf, ftToM, gameTimeS, hitterTime, mphToMps } from '@good-arc/core';

const band = bandsOf('baseball').find(({ id }) => id === '11-12')!;

/** Seconds from release to the plate of this age's own fastball, with drag: what a hitter is judged against. */
export const ownS = gameTimeS('baseball', band);

/** 70 mph from a machine at 35 ft, without drag a little over a third of a second: too quick, and unsafe with a hard ball. */
export const verdict = hitterTime('baseball', band, ftToM(35 - 17 / 12) / mphToMps(70));
