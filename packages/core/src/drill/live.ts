import { deal, hitterOf } from './order.ts';
import type { RungDocument } from './schema.ts';

type Card = Parameters<typeof deal>[0] & Pick<RungDocument, 'ballsPerRound'>;

/** What is changed about the balls of a round that are still to come. */
export type ListChange =
  /** The last ball once more, before the others. */
  | { kind: 'again' }
  /** The next ball is left out. */
  | { kind: 'skip' }
  /** The next ball is this feed instead; the others stay. */
  | { kind: 'next'; index: number }
  /** Every ball is what the next one is. */
  | { kind: 'stay' }
  /** Dealt anew, without the feeds that are out. */
  | { kind: 'deal' };

/**
 * The feed of each ball of a round after a change of what is still to come: what was thrown stays, and the round keeps its number of balls.
 * @param dealt the feed of each ball as it is now, by index
 * @param thrown balls that have left
 * @param out feeds that take no part in this round any more, by index
 * @returns as `dealt`; the same where nothing can be changed, because every feed is out or no ball is left
 */
export function redeal(card: Card, dealt: readonly number[], thrown: number, change: ListChange, out: readonly number[] = []): number[] {
  const count = dealt.length;
  const before = dealt.slice(0, thrown);
  const coming = dealt.slice(thrown);
  const next = coming[0];
  const all = deal({ ...card, feeds: card.feeds.map((feed, i) => (out.includes(i) ? { ...feed, on: false } : feed)) }, count + thrown + 1);
  if (next === undefined || all.length === 0) return [...dealt];
  switch (change.kind) {
    case 'again': {
      const last = before.at(-1);
      return last === undefined ? [...dealt] : [...before, last, ...coming].slice(0, count);
    }
    case 'skip':
      // what comes after the round moves up
      return [...before, ...coming.slice(1), all.at(-1)!];
    case 'next':
      return [...before, change.index, ...coming.slice(1)];
    case 'stay':
      return [...before, ...coming.map(() => next)];
    case 'deal':
      return [...before, ...all.slice(thrown, count)];
  }
}

/** Who hits each ball of a round, from 0, when nobody is out. */
export const turnsOf = (card: Pick<RungDocument, 'hitters' | 'ballsPerRound'>): number[] =>
  Array.from({ length: card.ballsPerRound }, (_, i) => hitterOf(card, i + 1));

/**
 * Who hits each ball after somebody went out or came back: what was thrown stays, and from there on those who are in take turns, beginning with whoever
 * comes after the last to hit. Who stands on a line of their own keeps the balls of that line; of somebody who is out the next takes them.
 * @param places who has each place in the turns @param turns who hits each ball as it is now, from 0
 * @param thrown balls that have left @param out who is out
 * @returns as `turns`; the same when everybody is out
 */
export function retakeTurns(
  places: readonly number[],
  turns: readonly number[],
  thrown: number,
  out: readonly number[],
  onLines = false,
): number[] {
  const from = (place: number): number[] => places.map((_, i) => places[(place + i) % places.length]!).filter((who) => !out.includes(who));
  const last = places.indexOf(turns[thrown - 1] ?? -1);
  const inTurn = from(last + 1);
  if (inTurn.length === 0) return [...turns];
  return turns.map((who, i) => (i < thrown ? who : onLines ? from(i % places.length)[0]! : inTurn[(i - thrown) % inTurn.length]!));
}

/** Who hits each ball when one comes in for another: of the balls to come theirs. @param turns,thrown as of `retakeTurns` */
export const comeInFor = (turns: readonly number[], thrown: number, from: number, to: number): number[] =>
  turns.map((who, i) => (i >= thrown && who === from ? to : who));
