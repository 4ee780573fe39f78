import type { PlayerId, RungId } from '@good-arc/core';

/** Where a rung is run, or trimmed in: with the player it is for, so that no ball goes to another. */
const withPlayer =
  (page: string) =>
  (rungId: RungId, playerId?: PlayerId | null): string =>
    `/${page}?rung=${rungId}${playerId ? `&player=${playerId}` : ''}`;

export const courtsideLink = withPlayer('courtside');
export const trimLink = withPlayer('right');
