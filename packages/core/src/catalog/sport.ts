import type { Bats, DiamondPlay, Hand, Net, NetPlay } from './record.ts';
import { SPORT_RECORDS, type Sport } from './sports/index.ts';

/** What a sport has of a diamond; null for one that is played over a net. */
export function diamondOf(sport: Sport): DiamondPlay | null {
  const { play } = SPORT_RECORDS[sport];
  return play.kind === 'diamond' ? play : null;
}

/** What a sport has of a net; null for one that is played from a plate. */
export function netPlayOf(sport: Sport): NetPlay | null {
  const { play } = SPORT_RECORDS[sport];
  return play.kind === 'net' ? play : null;
}

/**
 * The hand by which drills of a sport are laid out for a player: of a diamond the side of the plate; who bats from both stands across from a
 * right-hander's arm.
 */
export function handOn(sport: Sport, { hand, bats }: { hand: Hand; bats: Bats | null }): Hand {
  if (!diamondOf(sport) || bats === null) return hand;
  return bats === 'both' ? 'left' : bats;
}

/** The sport's net, when it stands between two places along the court; null where there is none on the way. */
export const netBetween = (sport: Sport, fromY: number, toY: number): Net | null =>
  fromY > 0 !== toY > 0 ? SPORT_RECORDS[sport].court.net : null;
