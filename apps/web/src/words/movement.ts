import { armSide, type Hand } from '@good-arc/core';

type Print = (m: number) => string;

/** Less than this is not said, m. */
const NOTHING_M = 0.01;

/** Up or down against the same ball without spin. */
export const sayRise = (riseM: number, print: Print): string =>
  Math.abs(riseM) < NOTHING_M ? 'none' : `${print(Math.abs(riseM))} ${riseM > 0 ? 'up' : 'down'}`;

/** Sideways, by the arm that throws it. @param acrossM toward first base */
export function sayAside(acrossM: number, hand: Hand, print: Print): string {
  if (Math.abs(acrossM) < NOTHING_M) return 'none';
  return `${print(Math.abs(acrossM))} ${acrossM * armSide(hand) > 0 ? 'arm' : 'glove'} side`;
}

/** An hour as a clock shows it, to the quarter: `1:15`. */
export function sayClock(hour: number): string {
  const quarters = Math.round(hour * 4);
  const whole = Math.floor(quarters / 4) % 12;
  return `${whole === 0 ? 12 : whole}:${String((quarters % 4) * 15).padStart(2, '0')}`;
}
