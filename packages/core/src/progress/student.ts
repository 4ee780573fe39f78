/// <reference path="../jstat.d.ts" />
import jStat from 'jstat';

/** Standard normal quantile for a two-sided 95 % interval. */
export const Z975 = 1.959963984540054;

/** Student's t for a two-sided 95 % interval. @param df degrees of freedom, above 0 */
export const studentT975 = (df: number): number => jStat.studentt.inv(0.975, df);
