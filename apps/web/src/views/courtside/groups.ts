import type { programOf, RungDocument } from '@good-arc/core';
import type { RunBall } from './run.ts';

/** Balls that are counted together: of one kind, and of one of those who hit in turn. */
export interface Group {
  key: string;
  name: string;
  seqs: readonly number[];
}

/** What may be counted by a number, not yet judged; empty where the order of hits matters. @param upTo number of the last ball that was thrown */
export function groupsOf(
  document: RungDocument,
  { program, turns }: { program: ReturnType<typeof programOf>; turns: readonly number[] },
  names: readonly string[],
  balls: readonly RunBall[],
  upTo: number,
): Group[] {
  if ('streak' in document.gate || document.feeds.some(({ letGo }) => letGo)) return [];
  const groups = new Map<string, { name: string; seqs: number[] }>();
  program.forEach(({ index }, i) => {
    const seq = i + 1;
    const feed = document.feeds[index]!;
    const isJudged = balls.some((ball) => ball.seq === seq && ball.outcome !== null);
    if (seq > upTo || isJudged || feed.counts === false) return;
    const who = turns[i] ?? 0;
    const name = [names.length > 1 && names[who], document.feeds.length > 1 && feed.name].filter(Boolean).join(', ');
    const key = `${who} ${index}`;
    groups.set(key, { name, seqs: [...(groups.get(key)?.seqs ?? []), seq] });
  });
  return [...groups].map(([key, group]) => ({ key, ...group }));
}
