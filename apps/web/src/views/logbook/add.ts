import type { PlayerId, RungDocument, RungId } from '@good-arc/core';

/** A rung that rounds may be added to. */
export interface RungChoice {
  id: RungId;
  number: number;
  name: string;
  ladderName: string;
  document: RungDocument;
  /** Kinds of balls that count, with how many of each a round deals. */
  kinds: { index: number; balls: number }[];
}

export interface AddProps {
  players: { id: PlayerId; name: string }[];
  rungs: RungChoice[];
  playerId: string | null;
  rungId: string | null;
  /** `2026-11-24` */
  today: string;
}
