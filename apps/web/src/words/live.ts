import type { LiveShown } from '../api/live.ts';

/** `Ines: 3 of 5 · Bo: 2 of 4`. */
export const sayScores = ({ players, scores }: Pick<LiveShown, 'players' | 'scores'>): string =>
  players.map((name, i) => `${name}: ${scores[i]?.hits ?? 0} of ${scores[i]?.balls ?? 0}`).join(' · ');

/** What a feeder does, by the seconds to the next release: both show the ball and put it down in the same rhythm, one puts it in. */
export type Phase = 'wait' | 'show' | 'down' | 'in' | 'keep';

/** When the ball is shown, put down and put in, s before the release: a rhythm that a caller counts (common practice, no source). */
const SHOW_S = 3;
const DOWN_S = 1.6;
const IN_S = 0.4;

/** @param inS to the next release; null when none is due @param isMine whether this feeder’s machine throws it */
export function phaseOf(inS: number | null, isMine: boolean): Phase {
  if (inS === null || inS > SHOW_S) return 'wait';
  if (inS > DOWN_S) return 'show';
  if (inS > IN_S) return 'down';
  return isMine ? 'in' : 'keep';
}

/** In one word, for a screen that is read at arm’s length. */
export const PHASE_WORDS: Record<Phase, string> = { wait: 'Wait', show: 'Show', down: 'Down', in: 'In', keep: 'Keep it' };

/** What stops a round, in one word; null while nothing does. */
export function sayStopped(state: string): string | null {
  if (state === 'held') return 'Hold';
  if (state === 'fault') return 'Fault';
  return null;
}
