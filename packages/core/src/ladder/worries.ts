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

/** What a hand has to do at the machine from one ball to another of a rung: its dials, or turning it; null where it does that itself. */
export function handBetween(
  { feeds, order }: Pick<RungDocument, 'feeds' | 'order'>,
  { aimedBy }: Pick<MachineProfile, 'aimedBy'>,
): 'one-setting' | 'turned-by-hand' | null {
  if (aimedBy === 'program') return null;
  const [first, ...others] = feeds.filter(({ on, machineId }) => on && machineId === undefined);
  if (!first) return null;
  const by = (key: 'speedMps' | 'elevationDeg' | 'bearingDeg', most: number): boolean =>
    others.some(({ launch }) => Math.abs(launch[key] - first.launch[key]) > most);
  if (by('speedMps', 0.3) || by('elevationDeg', 0.5)) return 'one-setting';
  if (!by('bearingDeg', 1)) return null;
  // what sweeps can go to and fro between two lines, and to no place of one's choice
  const toAndFro = others.length === 1 && (order.kind === 'alternate' || order.kind === 'fixed');
  return aimedBy === 'sweep' && toAndFro ? null : 'turned-by-hand';
}

/** So many balls of one kind running leave time to turn a dial before the next kind. */
export const A_BLOCK = 4;

/**
 * Whether a machine can throw the balls of a rung in an order: one whose dials stand for one ball at a time is set by hand between blocks, never
 * between two balls.
 */
export const canThrowInOrder = (rung: Pick<RungDocument, 'feeds' | 'order'>, machine: Pick<MachineProfile, 'aimedBy'>): boolean =>
  rung.order.kind === 'player' || (rung.order.kind === 'blocks' && rung.order.size >= A_BLOCK) || handBetween(rung, machine) === null;

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
  const hand = handBetween(rung, machine);
  if (hand) worries.push({ code: hand, figures: {} });
  if (rung.sweep && machine.aimedBy === 'hand') worries.push({ code: 'no-sweep', figures: {} });
  else if (rung.sweep && machine.bearingReachDeg < rung.sweep.halfDeg)
    worries.push({ code: 'narrow-sweep', figures: { reachDeg: machine.bearingReachDeg } });
  if (machine.hopper > 1 && ballsInAll > machine.hopper)
    worries.push({ code: 'hopper', figures: { holds: machine.hopper, balls: ballsInAll, fills: Math.ceil(ballsInAll / machine.hopper) } });
  return worries;
}
