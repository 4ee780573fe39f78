import type { z } from 'zod';
import { today } from '../ui/day.ts';
import type { SHAPES } from './shapes.ts';
import { device } from './store.ts';

type Name = keyof typeof SHAPES;
/** A document that this device keeps. */
export type Kept<N extends Name> = z.output<(typeof SHAPES)[N]>;

/** As it stands under a key; null when there is nothing, or nothing that can be read. */
function valueAt(key: string): unknown {
  try {
    return JSON.parse(device().getItem(key) ?? 'null');
  } catch {
    return null;
  }
}

/**
 * What this device keeps under a key, once all that it keeps is known to the page; null when there is none, or it has another shape. Shapes are large: they come
 * after the page, and only where there is something to read.
 */
export async function kept<N extends Name>(name: N, key: string): Promise<Kept<N> | null> {
  await device().ready;
  if (device().getItem(key) === null) return null;
  const { SHAPES } = await import('./shapes.ts');
  return (SHAPES[name].safeParse(valueAt(key)).data as Kept<N> | undefined) ?? null;
}

/** As `kept`, until the day is over. */
export async function keptToday<N extends Name>(name: N, key: string): Promise<Kept<N> | null> {
  await device().ready;
  return (valueAt(key) as { day?: unknown } | null)?.day === today() ? kept(name, key) : null;
}

export const keepToday = (key: string, what: object): void => device().setItem(key, JSON.stringify({ day: today(), ...what }));
