import type { PlayerId } from '@good-arc/core';
import { useEffect, useState } from 'react';
import type { PlayerRow } from '../../api/rows.ts';
import { askedBesides } from '../../device/drawn.ts';

/**
 * Who hits: one, and for a rung that several hit those who hit in turn with them.
 * @param named,namedMates as the address names them; null where nobody is
 */
export function useWho(players: readonly PlayerRow[], named: PlayerId | null, namedMates: readonly PlayerId[]) {
  const [playerId, setPlayerId] = useState<PlayerId>(named ?? '');
  const [mates, setMates] = useState(namedMates);
  // a page kept on the device was drawn for whoever hit then
  useEffect(() => {
    const isOurs = (wanted: PlayerId): boolean => players.some(({ id }) => id === wanted);
    const asked = askedBesides()?.get('player');
    if (asked && isOurs(asked)) setPlayerId(asked);
    const besides = askedBesides()?.get('with')?.split(',') ?? [];
    if (besides.length > 0) setMates(besides.filter(isOurs));
  }, [players]);
  return { playerId, setPlayerId, mates, setMates };
}
