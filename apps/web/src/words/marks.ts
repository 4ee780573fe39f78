import type { TapTiming } from '@good-arc/core';

/** A moment of a round, s from its start, and the ball that was thrown then. */
export interface Mark {
  atS: number;
  seq: number;
}

/** `3:12, ball 5`. */
export const sayMark = ({ atS, seq }: Mark): string => `${Math.floor(atS / 60)}:${String(atS % 60).padStart(2, '0')}, ball ${seq}`;

/** `From ball 4: every 4 s. From ball 7: without Wide.`; empty without a change. */
export const sayChanges = (changes: readonly { seq: number; said: string }[]): string =>
  changes.map(({ seq, said }) => `From ball ${seq}: ${said}.`).join(' ');

/** `Swings: 15 ms late on average, ± 38 ms, of 12.`; empty without one. */
export const saySwings = (timing: TapTiming | null): string => sayTaps('Swings', timing);

/** What is done as a ball is let go: a hitter loads, who stands behind a net lands from a small hop. */
export const readyWord = (isHitter: boolean): string => (isHitter ? 'Loaded' : 'Split step');

/** Taps of one kind: `Loaded: 40 ms early on average, ± 30 ms, of 8.`; empty without one. */
export function sayTaps(what: string, timing: TapTiming | null): string {
  if (!timing) return '';
  const { n, meanMs, spreadMs } = timing;
  return `${what}: ${sayOff(meanMs)}${n > 1 ? ' on average' : ''}${spreadMs === null ? '' : `, ± ${Math.round(spreadMs)} ms`}, of ${n}.`;
}

/** `15 ms late`. */
export const sayOff = (ms: number): string =>
  Math.round(ms) === 0 ? 'right on it' : `${Math.abs(Math.round(ms))} ms ${ms > 0 ? 'late' : 'early'}`;

/** What is noted of a round for its marks; empty without one. */
export const notesOf = (marks: readonly Mark[]): string => (marks.length === 0 ? '' : `On film, look at ${marks.map(sayMark).join('; ')}.`);
