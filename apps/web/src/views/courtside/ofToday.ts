import { z } from 'zod';
import { keptAs } from '../../device/kept.ts';
import { device } from '../../device/store.ts';
import { today } from '../../ui/day.ts';

/** What this device knows of a court until the day is over; null when nothing was kept today. Complete once the device is ready. */
export function keptToday<Shape extends z.ZodRawShape>(schema: z.ZodObject<Shape>, key: string): z.output<z.ZodObject<Shape>> | null {
  const dated = keptAs(z.object({ day: z.string() }), key);
  return dated?.day === today() ? keptAs(schema, key) : null;
}

export const keepToday = (key: string, what: object): void => device().setItem(key, JSON.stringify({ day: today(), ...what }));
