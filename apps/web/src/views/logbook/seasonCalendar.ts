import type { SeasonDocument, SeasonWeek } from '@good-arc/core';
import { createEvents, type EventAttributes } from 'ics';
import { DAY_MS } from '../../ui/day.ts';
import { WEEK_WORDS } from '../../words/season.ts';

/**
 * The days of a season that are still to come, as a calendar file (RFC 5545): whole days, each with its balls and the rung to be on.
 * @throws Error when a calendar cannot say it
 */
export function seasonCalendar(
  { playerId, season, weeks, today }: { playerId: string; season: SeasonDocument; weeks: readonly SeasonWeek[]; today: number },
  names: { player: string; ladder: string; rung: (index: number) => string },
): string {
  const events = weeks.flatMap((week) =>
    week.days
      .filter((day) => day >= today)
      .map((day): EventAttributes => {
        const date = new Date(day * DAY_MS);
        return {
          uid: `${playerId}-${season.from}-${day}@good-arc.invalid`,
          productId: 'Good Arc',
          title: `${names.player}: ${names.rung(week.rung)}, ${week.ballsADay} balls`,
          start: [date.getUTCFullYear(), date.getUTCMonth() + 1, date.getUTCDate()],
          duration: { days: 1 },
          description: `${names.ladder}. The week ${WEEK_WORDS[week.kind]}.`,
          busyStatus: 'FREE',
        };
      }),
  );
  const { value, error } = createEvents(events);
  if (!value) throw error ?? new Error('no calendar');
  return value;
}
