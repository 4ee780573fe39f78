/** What a player hit lately on a ladder. */
export interface RecentRate {
  playerId: string;
  name: string;
  hits: number;
  balls: number;
}
