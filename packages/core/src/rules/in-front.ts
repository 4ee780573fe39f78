import { ftToM, radToDeg, shortTurnDeg } from '../quantity/index.ts';
import type { Found, Rule } from './subject/subject.ts';

export type Hazard = Found<'in-front', { awayM: number; closeM: number; hard: boolean }>;

/** A player this close to the muzzle, inside this angle of the throw, is forward of the machine (common practice, no source). */
const CLOSE_M = { hard: ftToM(25), soft: 3 };
const CONE_DEG = 25;

/** Somebody stands close in front of the muzzle. */
export const rule: Rule<Hazard> = ({ ball, balls }) => {
  const closeM = ball.hard ? CLOSE_M.hard : CLOSE_M.soft;
  for (const { launch, meet } of balls) {
    const [dx, dy] = [meet.x - launch.x, meet.y - launch.y];
    const awayM = Math.hypot(dx, dy);
    const offDeg = Math.abs(shortTurnDeg(radToDeg(Math.atan2(dx, dy)) - launch.bearingDeg));
    if (awayM < closeM && offDeg < CONE_DEG) return { code: 'in-front', weight: 'grave', figures: { awayM, closeM, hard: ball.hard } };
  }
  return null;
};
