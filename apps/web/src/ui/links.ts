import type { PlayerId, RungId } from '@good-arc/core';
import type { NextTurn } from '../api/rows.ts';

/**
 * Where a rung is run: with the player it is for, so that no ball goes to another. @param mates who hit in turn with the player
 * @param half at the target that half of the player’s own balls would hit
 */
export const courtsideLink = (rungId: RungId, playerId?: PlayerId | null, mates: readonly PlayerId[] = [], half = false): string =>
  `/courtside?rung=${rungId}${playerId ? `&player=${playerId}` : ''}${mates.length > 0 ? `&with=${mates.join(',')}` : ''}${half ? '&half=1' : ''}`;

/** Where a turn of a plan is taken, by all who hit in it. */
export const turnLink = ({ rungId, players, half }: NextTurn): string => {
  const [first, ...others] = players.map(({ id }) => id);
  return courtsideLink(rungId, first, others, half);
};

/** One round, ball by ball. */
export const roundLink = (roundId: string): string => `/rounds/${roundId}`;

/** What is to be done next by those who come, where and in how many minutes. */
export const nextLink = ({ playerIds, courtId, minutes }: { playerIds: readonly PlayerId[]; courtId?: string; minutes?: number }): string =>
  `/next?players=${playerIds.join(',')}${courtId ? `&court=${courtId}` : ''}${minutes ? `&minutes=${minutes}` : ''}`;
