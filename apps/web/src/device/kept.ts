import type { z } from 'zod';
import { device } from './store.ts';

/** A document that this device keeps; null when there is none, or it cannot be read. */
export function keptAs<S extends z.ZodType>(schema: S, key: string): z.output<S> | null {
  try {
    return schema.safeParse(JSON.parse(device().getItem(key) ?? 'null')).data ?? null;
  } catch {
    return null;
  }
}
