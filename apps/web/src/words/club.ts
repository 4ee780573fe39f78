import { printShare } from '@good-arc/core';
import type { KitWorry } from '../api/rows.ts';

/** What of the kit wants a look, and what to do. */
export function sayKitWorry(worry: KitWorry): string {
  switch (worry.code) {
    case 'never-tuned':
      return 'Never tuned: the dials are by the maker’s word.';
    case 'tuned-long-ago':
      return `Tuned ${worry.days} days ago: three test balls tell whether it still holds.`;
    case 'slow-today':
      return `Throws ${printShare(1 - worry.share)} slower than its curve today: charge it, or look at the wheels.`;
    case 'fast-today':
      return `Throws ${printShare(worry.share - 1)} faster than its curve today: tune it again.`;
    case 'worn':
      return 'Worn: good for footwork; open another for targets.';
    case 'opened-long-ago':
      return `Opened ${worry.days} days ago: drop one beside a new ball.`;
    case 'drag':
      return `Flies with ${printShare(worry.share - 1)} more drag than new: the cover has fluffed up.`;
  }
}
