import type { PlanDocument, PlayerId, RungDocument, Schedule } from '@good-arc/core';
import { createEvents, type EventAttributes } from 'ics';
import { clockAt } from './clock.ts';

interface CalendarFacts {
  id: string;
  plan: PlanDocument;
  schedule: Schedule;
  rungs: readonly RungDocument[];
  nameOf: (playerId: PlayerId) => string;
}

/**
 * A plan as a calendar file (RFC 5545): the outing with its turns in words, in local time.
 * @throws Error when a calendar cannot say it
 */
export function calendarOf({ id, plan, schedule, rungs, nameOf }: CalendarFacts): string {
  const [year, month, day, hour, minute] = plan.startsAt.split(/[-T:]/).map(Number) as [number, number, number, number, number];
  const event: EventAttributes = {
    uid: `${id}@good-arc.invalid`,
    productId: 'Good Arc',
    title: plan.name,
    start: [year, month, day, hour, minute],
    startInputType: 'local',
    startOutputType: 'local',
    duration: { minutes: Math.max(1, Math.ceil(schedule.endsS / 60)) },
    description: [
      ...schedule.turns.map(
        ({ atS, rung, balls, stations, pickUpAfter }) =>
          `${clockAt(plan.startsAt, atS)} ${rungs[rung]?.name}, ${balls} balls: ${stations.hitting.map(nameOf).join(' and ')}${stations['picking up'].length > 0 ? `; picking up ${stations['picking up'].map(nameOf).join(' and ')}` : ''}${pickUpAfter ? '; then everyone picks up' : ''}`,
      ),
      ...(plan.notes ? [plan.notes] : []),
    ].join('\n'),
    busyStatus: 'BUSY',
  };
  const { value, error } = createEvents([event]);
  if (!value) throw error ?? new Error('no calendar');
  return value;
}
