import type { MachineWorry } from '@good-arc/core';

/** What the machine cannot do by itself, or not in time. */
export function sayWorry(worry: MachineWorry): string {
  switch (worry.code) {
    case 'late':
      return `The machine needs ${worry.figures.shortS.toFixed(1)} s more between two of these balls: it will be late.`;
    case 'too-often':
      return `Its shortest interval is ${worry.figures.leastS} s.`;
    case 'too-seldom':
      return `Its longest interval is ${worry.figures.mostS} s: hold it in between, or feed by the remote.`;
    case 'one-setting':
      return 'It throws one setting at a time: a helper changes it between balls, or the members are thrown in blocks.';
    case 'turned-by-hand':
      return 'It does not turn by itself: a helper turns it between balls.';
    case 'no-sweep':
      return 'It does not sweep: a helper turns it.';
    case 'narrow-sweep':
      return `It sweeps to ± ${worry.figures.reachDeg}° only.`;
    case 'hopper':
      return `It holds ${worry.figures.holds} of ${worry.figures.balls} balls: fill it ${worry.figures.fills} times.`;
  }
}
