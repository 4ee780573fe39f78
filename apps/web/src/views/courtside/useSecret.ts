import { inSecret, type RungDocument, type Venue } from '@good-arc/core';
import { useEffect, useMemo, useState } from 'react';

/** Which of the speeds comes when is dealt anew for every round. */
const newSeed = (): number => crypto.getRandomValues(new Uint32Array(1))[0]!;

/**
 * Speeds that nobody is told, for one round: a rung whose balls come slower, as they are set, or quicker.
 * @param rung as it is thrown today @param isOffered the machine turns by itself @param after the round that was finished last on this page
 */
export function useSecret(rung: RungDocument, venue: Venue, isOffered: boolean, after: string) {
  const [wanted, setWanted] = useState<{ byMps: number; seed: number } | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: it was taken for that round
  useEffect(() => setWanted(null), [after]);
  const secret = useMemo(
    () => (wanted && isOffered ? inSecret(rung, venue, wanted.byMps, wanted.seed) : null),
    [rung, venue, isOffered, wanted],
  );
  return {
    isOffered,
    byMps: isOffered ? (wanted?.byMps ?? null) : null,
    take: (byMps: number | null): void => setWanted(byMps === null ? null : { byMps, seed: newSeed() }),
    /** The rung with its slower and quicker balls; null without, and where this machine has no other speed for them. */
    rung: secret,
  };
}
