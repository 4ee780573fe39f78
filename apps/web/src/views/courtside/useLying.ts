import { CAP_BALLS, type CourtId } from '@good-arc/core';
import { useEffect, useState } from 'react';
import { z } from 'zod';
import { device } from '../../device/store.ts';
import { keepToday, keptToday } from './ofToday.ts';

/** Balls that lie about on a court since somebody picked up, before this round. */
const lyingSchema = z.object({ balls: z.int() });

/** How many balls lie about: from round to round on this device, until somebody says that they were picked up. @param thrown in this round */
export function useLying(courtId: CourtId, thrown: number) {
  const [before, setBefore] = useState(0);
  const key = `lying:${courtId}`;

  useEffect(() => {
    void device().ready.then(() => {
      const kept = keptToday(lyingSchema, key);
      if (kept) setBefore(kept.balls);
    });
  }, [key]);

  function keep(balls: number): void {
    keepToday(key, { balls });
    setBefore(balls);
  }

  const lying = Math.max(0, before + thrown);
  return {
    lying,
    isTooMany: lying >= CAP_BALLS,
    pickedUp: (): void => keep(-thrown),
    /** The round is over: its balls still lie there. */
    roundOver: (): void => keep(before + thrown),
  };
}
