import type { z } from 'zod';

/** What a schema made of an object, for as long as the object is kept. */
const known = new WeakMap<object, Map<z.ZodType, z.ZodSafeParseResult<unknown>>>();

/** Nobody changes what others read, too. */
export function frozen<T>(value: T): T {
  if (typeof value === 'object' && value !== null && !Object.isFrozen(value)) {
    Object.freeze(value);
    for (const each of Object.values(value)) frozen(each);
  }
  return value;
}

/** A document parsed once: the same object, as columns of the same text give, is not looked at again. What comes of it is shared, and frozen. */
export function parsedOnce<S extends z.ZodType>(schema: S, value: unknown): z.ZodSafeParseResult<z.output<S>> {
  if (typeof value !== 'object' || value === null) return schema.safeParse(value);
  const of = known.get(value) ?? new Map<z.ZodType, z.ZodSafeParseResult<unknown>>();
  const before = of.get(schema);
  if (before) return before as z.ZodSafeParseResult<z.output<S>>;
  const parsed = schema.safeParse(value);
  if (parsed.success) frozen(parsed.data);
  of.set(schema, parsed);
  known.set(value, of);
  return parsed;
}
