/// <reference path="../jstat.d.ts" />
import jStat from 'jstat';

/** Student's t for a two-sided 95 % interval. @param df degrees of freedom, above 0 */
export const studentT975 = (df: number): number => jStat.studentt.inv(0.975, df);
