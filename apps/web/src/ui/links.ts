import type { PlayerId, RungId } from '@good-arc/core';

/** Where a rung is run: with the player it is for, so that no ball goes to another. @param mates who hit in turn with the player */
export const courtsideLink = (rungId: RungId, playerId?: PlayerId | null, mates: readonly PlayerId[] = []): string =>
  `/courtside?rung=${rungId}${playerId ? `&player=${playerId}` : ''}${mates.length > 0 ? `&with=${mates.join(',')}` : ''}`;

/** One round, ball by ball. */
export const roundLink = (roundId: string): string => `/rounds/${roundId}`;

/** What is to be done next by those who come, where and in how many minutes. */
export const nextLink = ({ playerIds, courtId, minutes }: { playerIds: readonly PlayerId[]; courtId?: string; minutes?: number }): string =>
  `/next?players=${playerIds.join(',')}${courtId ? `&court=${courtId}` : ''}${minutes ? `&minutes=${minutes}` : ''}`;
