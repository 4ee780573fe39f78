import { type Dial, type MachineTrim, type NextTrim, printReading } from '@good-arc/core';
import type { useUnits } from '../ui/Units.tsx';
import { sayTurn } from './today.ts';

type Units = Pick<ReturnType<typeof useUnits>, 'speed'>;

/** `Elevation up 2 clicks, to 4½`; `turn it 1.2° left`, seen from behind the machine. */
export function sayTrim(next: NextTrim, units: Units): string {
  switch (next.by) {
    case 'clicks': {
      const { name, clicks, text } = next.trim;
      return `${name} ${clicks > 0 ? 'up' : 'down'} ${Math.abs(clicks)} ${Math.abs(clicks) === 1 ? 'click' : 'clicks'}, to ${text}`;
    }
    case 'turn':
      return sayTurn(next.deg);
    case 'elevation':
      return `elevation ${next.deg > 0 ? 'up' : 'down'} ${Math.abs(next.deg).toFixed(1)}°`;
    case 'speed':
      return `${units.speed(Math.abs(next.mps), 1)} ${next.mps > 0 ? 'faster' : 'slower'}`;
  }
}

/** Less is no other speed. */
const SAME_SHARE = 0.003;

/**
 * `Speed 5½ · elevation 0.6° up · turned 1.2° left · 2 % faster`; empty for nothing.
 * @param readings of the dials that stand elsewhere than the card has them
 */
export function sayTrimmed(
  { by: { elevationDeg, turnDeg, speedShare }, readings }: { by: MachineTrim; readings: Readonly<Record<string, number>> },
  dials: readonly Dial[],
): string {
  const percent = (100 * Math.abs(speedShare - 1)).toFixed(speedShare > 0.99 && speedShare < 1.01 ? 1 : 0);
  return [
    ...dials.flatMap(({ id, name, scale }) => (readings[id] === undefined ? [] : [`${name} ${printReading(scale, readings[id])}`])),
    elevationDeg !== 0 && `elevation ${Math.abs(elevationDeg).toFixed(1)}° ${elevationDeg > 0 ? 'up' : 'down'}`,
    turnDeg !== 0 && `turned ${Math.abs(turnDeg).toFixed(1)}° ${turnDeg > 0 ? 'right' : 'left'}`,
    Math.abs(speedShare - 1) > SAME_SHARE && `${percent} % ${speedShare > 1 ? 'faster' : 'slower'}`,
  ]
    .filter(Boolean)
    .join(' · ');
}
