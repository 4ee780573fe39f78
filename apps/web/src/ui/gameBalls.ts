import { type GameBall, gameBallById } from '@good-arc/core';
import type { GameBallRow } from '../api/rows.ts';

/** A game ball of the club as one of the book. */
export const ownBall = ({ id, name, document }: GameBallRow): GameBall => ({ ...document, id, name });

/** Finds a game ball of the book, or of the club’s own. */
export function gameBallFinder(rows: readonly GameBallRow[]): (id: string) => GameBall | undefined {
  return (id) => {
    const own = rows.find((row) => row.id === id);
    return own ? ownBall(own) : gameBallById(id);
  };
}
