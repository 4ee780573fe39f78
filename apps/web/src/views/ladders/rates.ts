import type { PlayerId } from '@good-arc/core';
/** What a player hit lately on a ladder. */
export interface RecentRate {
  playerId: PlayerId;
  name: string;
  hits: number;
  balls: number;
}
