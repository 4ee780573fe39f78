import type { CourtId } from '@good-arc/core';
import { useEffect, useState } from 'react';
import { keepToday, keptToday } from '../../device/kept.ts';

const EVERY_MS = 5000;

/** Minutes from now until a time of this day such as `17:30`, rounded down; below 0 when it is over, null without one. */
export function minutesUntil(until: string, now: Date): number | null {
  const [, hours, minutes] = /^(\d{1,2}):(\d{2})$/.exec(until) ?? [];
  if (hours === undefined || minutes === undefined) return null;
  return Math.floor(Number(hours) * 60 + Number(minutes) - (now.getHours() * 60 + now.getMinutes() + now.getSeconds() / 60));
}

/** How long the court is ours today, kept on the device for all rounds on it. */
export function useCourtTime(courtId: CourtId) {
  const [until, setUntil] = useState('');
  const [leftMin, setLeftMin] = useState<number | null>(null);
  const key = `court-until:${courtId}`;

  useEffect(() => {
    void keptToday('courtTime', key).then((kept) => kept && setUntil(kept.until));
  }, [key]);
  useEffect(() => {
    const look = (): void => setLeftMin(minutesUntil(until, new Date()));
    look();
    const timer = setInterval(look, EVERY_MS);
    return () => clearInterval(timer);
  }, [until]);

  return {
    until,
    /** Whole minutes that are left; null where nobody said until when. */
    leftMin,
    set(next: string): void {
      keepToday(key, { until: next });
      setUntil(next);
    },
  };
}
