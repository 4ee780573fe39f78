import type { z } from 'zod';
import { type FieldProblem, fieldProblems } from '../calc/problem.ts';

/** Longer files are refused unread, characters. */
export const LONGEST_FILE = 512 * 1024;

/** What was read, or every problem by its place in the file. */
export type ReadResult<T> = { ok: true; value: T } | { ok: false; problems: FieldProblem[] };

export const refused = (detail: string, pointer = ''): ReadResult<never> => ({ ok: false, problems: [{ pointer, detail }] });

export const refusedLine = (line: number, detail: string): ReadResult<never> => refused(`Line ${line}: ${detail}`);

/**
 * Reads a JSON file of ours. Nothing of a file that does not fit is used.
 * @param name what the file should be, for the message: “setup card”
 */
export function readJson<S extends z.ZodType>(text: string, schema: S, name: string): ReadResult<z.output<S>> {
  if (text.length > LONGEST_FILE) return refused(`Too long for a ${name}: at most ${LONGEST_FILE / 1024} kB.`);
  let value: unknown;
  try {
    value = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch {
    return refused(
      /^\s*\{/.test(text) && !/\}\s*$/.test(text)
        ? `The file ends in the middle. Save the ${name} again and read that.`
        : `This is no ${name}: it is not a JSON document.`,
    );
  }
  return readValue(value, schema);
}

export function readValue<S extends z.ZodType>(value: unknown, schema: S): ReadResult<z.output<S>> {
  const parsed = schema.safeParse(value);
  return parsed.success ? { ok: true, value: parsed.data } : { ok: false, problems: fieldProblems(parsed.error) };
}
