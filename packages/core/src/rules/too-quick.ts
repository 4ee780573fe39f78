import { comfortOf } from '../drill/index.ts';
import type { Found, Rule } from './subject/subject.ts';

interface Figures {
  timeS: number;
  needS: number;
  hitting: boolean;
  band: string | null;
}
export type Hazard = Found<'unsafe' | 'too-quick' | 'challenge', Figures>;

/** Too little time: unsafe with a hard ball, unpleasant with a soft one; for a hitter a little too little is a challenge. */
export const rule: Rule<Hazard> = ({ ball, time }) => {
  if (!time) return null;
  const { quickest, hitting, band } = time;
  const figures = { timeS: quickest.timeS, needS: quickest.needS, hitting, band };
  const word = comfortOf(quickest.ease);
  if (time.unsafe) return { code: 'unsafe', weight: 'grave', figures };
  if (word === 'too quick') return { code: 'too-quick', weight: 'note', figures };
  return hitting && word === 'rushed' ? { code: 'challenge', weight: ball.hard ? 'grave' : 'note', figures } : null;
};
