import { ROUNDING, type RungDocument } from '../drill/index.ts';
import type { MachineProfile } from '../machine/index.ts';

/** What the machine cannot do by itself, or not in time. */
export type MachineWorry =
  | { code: 'late'; figures: { shortS: number } }
  | { code: 'too-often'; figures: { leastS: number } }
  | { code: 'too-seldom'; figures: { mostS: number } }
  | { code: 'one-setting' | 'turned-by-hand' | 'no-sweep'; figures: Record<never, never> }
  | { code: 'narrow-sweep'; figures: { reachDeg: number } }
  | { code: 'hopper'; figures: { holds: number; balls: number; fills: number } };

/** @param lateS how much longer than its interval the machine needs between two balls */
export function worriesOf(
  rung: RungDocument,
  machine: Pick<MachineProfile, 'intervalS' | 'hopper' | 'aimedBy' | 'bearingReachDeg'>,
  lateS: number,
  ballsInAll: number,
): MachineWorry[] {
  const worries: MachineWorry[] = [];
  if (lateS > 0.05) worries.push({ code: 'late', figures: { shortS: lateS } });
  const [least, most] = machine.intervalS;
  const gaps = [rung.intervalS, ...rung.feeds.flatMap(({ thenS }) => (thenS === undefined ? [] : [thenS]))];
  if (gaps.some((each) => each < least - ROUNDING)) worries.push({ code: 'too-often', figures: { leastS: least } });
  if (gaps.some((each) => each > most + ROUNDING)) worries.push({ code: 'too-seldom', figures: { mostS: most } });
  const first = rung.feeds.find(({ on }) => on)?.launch;
  const own = rung.feeds.filter(({ on, machineId }) => on && machineId === undefined);
  const differs = own.some(
    ({ launch }) => first && (Math.abs(launch.speedMps - first.speedMps) > 0.3 || Math.abs(launch.elevationDeg - first.elevationDeg) > 0.5),
  );
  const turns = own.some(({ launch }) => first && Math.abs(launch.bearingDeg - first.bearingDeg) > 1);
  if (machine.aimedBy !== 'program' && differs) worries.push({ code: 'one-setting', figures: {} });
  else if (machine.aimedBy === 'hand' && turns) worries.push({ code: 'turned-by-hand', figures: {} });
  if (rung.sweep && machine.aimedBy === 'hand') worries.push({ code: 'no-sweep', figures: {} });
  else if (rung.sweep && machine.bearingReachDeg < rung.sweep.halfDeg)
    worries.push({ code: 'narrow-sweep', figures: { reachDeg: machine.bearingReachDeg } });
  if (machine.hopper > 1 && ballsInAll > machine.hopper)
    worries.push({ code: 'hopper', figures: { holds: machine.hopper, balls: ballsInAll, fills: Math.ceil(ballsInAll / machine.hopper) } });
  return worries;
}
