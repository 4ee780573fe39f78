import type { TodayChange } from '@good-arc/core';

/** Less is not worth a word. */
const LEAST = { missM: 0.15, turnDeg: 0.4 };

/** `lands 3 ft short and 1 ft left of its spot`; over the plate `passes 4 in low`. */
export function sayMiss({ longM, rightM }: TodayChange['miss'], kind: 'landing' | 'plane', length: (m: number) => string): string {
  const part = (m: number, more: string, less: string): string =>
    Math.abs(m) < LEAST.missM ? '' : `${length(Math.abs(m))} ${m > 0 ? more : less}`;
  const parts = [kind === 'plane' ? part(longM, 'high', 'low') : part(longM, 'long', 'short'), part(rightM, 'right', 'left')].filter(
    Boolean,
  );
  return `${kind === 'plane' ? 'passes' : 'lands'} ${parts.join(' and ')} of its spot`;
}

/** `turn it 2° left`, seen from behind the machine; empty for what no hand can turn. */
export const sayTurn = (turnDeg: number): string =>
  Math.abs(turnDeg) < LEAST.turnDeg ? '' : `turn it ${Math.abs(turnDeg).toFixed(1)}° ${turnDeg > 0 ? 'right' : 'left'}`;
