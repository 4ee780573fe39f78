import { type FocusEvent, type KeyboardEvent, useState } from 'react';

interface Spot {
  x: number;
  y: number;
}

/** Where an arrow key takes a cross, as signs. */
const ARROWS: Readonly<Record<string, { right: number; up: number }>> = {
  ArrowLeft: { right: -1, up: 0 },
  ArrowRight: { right: 1, up: 0 },
  ArrowUp: { right: 0, up: 1 },
  ArrowDown: { right: 0, up: -1 },
};

/**
 * A cross on a picture that keys move and Enter marks: with Shift five times as far, with Alt a fifth.
 * @param start where it appears
 * @param stepM one press, m
 * @param move a spot so far to the right and up on the picture
 * @param onMark null where nothing is to be marked
 */
export function useCross(
  start: Spot,
  stepM: number,
  move: (spot: Spot, right: number, up: number) => Spot,
  onMark: ((spot: Spot) => void) | null,
) {
  const [cross, setCross] = useState<Spot | null>(null);
  return {
    cross,
    clear: () => setCross(null),
    keys: {
      tabIndex: onMark ? 0 : undefined,
      onKeyDown(event: KeyboardEvent): void {
        if (!onMark) return;
        const now = cross ?? { x: start.x, y: start.y };
        const by = ARROWS[event.key];
        if (!by && event.key !== 'Enter') return;
        event.preventDefault();
        if (by) {
          const size = stepM * (event.shiftKey ? 5 : event.altKey ? 0.2 : 1);
          setCross(move(now, by.right * size, by.up * size));
        } else {
          onMark(now);
          setCross(null);
        }
      },
      onFocus: (event: FocusEvent): void =>
        void (event.currentTarget.matches(':focus-visible') && setCross((now) => now ?? { x: start.x, y: start.y })),
      onBlur: () => setCross(null),
    },
  };
}
