import { type PlayerId, type RungDocument, type RungId, targetFrom } from '@good-arc/core';
import { useEffect, useState } from 'react';
import type { RoundAhead } from '../../api/rows.ts';
import { api } from '../../ui/api.ts';
import { useWaiting } from '../../ui/outbox.ts';

/**
 * The target of a rung that half of this player’s balls would hit, asked again when the balls of a round have reached the server; without a server there is none.
 * @param wanted a plan asks for it @param after the round that was finished last on this page
 */
export function useHalf(rungId: RungId, playerId: PlayerId, wanted: boolean, after: string) {
  const [known, setKnown] = useState<{ of: string } & RoundAhead>({ of: '', half: null, spoiled: null });
  const [isTaken, setIsTaken] = useState(wanted);
  const isSent = useWaiting().length === 0;
  const of = `${rungId} ${playerId}`;
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was hit meanwhile counts
  useEffect(() => {
    if (playerId === '' || !isSent) return;
    let isOpen = true;
    api<RoundAhead>('GET', `players/${playerId}/half?rung=${rungId}`)
      .then((answer) => isOpen && setKnown({ of: `${rungId} ${playerId}`, ...answer }))
      // the rung’s own target does until then
      .catch(() => {});
    return () => {
      isOpen = false;
    };
  }, [rungId, playerId, isSent, after]);
  // taken by hand it is for one round; a plan asks for it in each
  useEffect(() => {
    if (after !== '' && !wanted) setIsTaken(false);
  }, [after, wanted]);
  const { half, spoiled } = known.of === of ? known : { half: null, spoiled: null };
  return {
    half,
    /** What the machine’s own spread takes of the rung. */
    spoiled,
    isTaken: isTaken && half !== null,
    take: setIsTaken,
    /** The rung as it is hit to. */
    of: (rung: RungDocument): RungDocument => (isTaken && half ? { ...rung, ...targetFrom({ ...rung, ...half }), ownTarget: true } : rung),
  };
}
