import type { z } from 'zod';

/** One field that is wrong: where (JSON Pointer, RFC 6901), what was wrong, what would be right. */
export interface FieldProblem {
  pointer: string;
  detail: string;
}

/** An RFC 9457 problem document. */
export interface Problem {
  type: string;
  title: string;
  status: number;
  errors: FieldProblem[];
  /** Where somebody else changed it meanwhile: what is kept now. */
  current?: unknown;
}

/** A place in a document as a JSON Pointer (RFC 6901). @param path keys and positions from the top */
export const pointerOf = (path: readonly PropertyKey[]): string =>
  path.map((part) => `/${String(part).replaceAll('~', '~0').replaceAll('/', '~1')}`).join('');

/** Zod's findings as problems a person can act on; unknown keys are named one by one. */
export function fieldProblems(error: z.ZodError): FieldProblem[] {
  return error.issues.flatMap((issue): FieldProblem[] => {
    if (issue.code === 'unrecognized_keys') {
      return issue.keys.map((key) => ({ pointer: pointerOf([...issue.path, key]), detail: 'This key is not known here; take it out.' }));
    }
    if (issue.code === 'invalid_value') {
      return [{ pointer: pointerOf(issue.path), detail: `Must be one of: ${issue.values.map(String).join(', ')}.` }];
    }
    if (issue.code === 'invalid_type' && issue.message.startsWith('Invalid input')) {
      const wanted = issue.expected === 'int' ? 'whole number' : issue.expected;
      return [
        {
          pointer: pointerOf(issue.path),
          detail: issue.message.endsWith('undefined') ? `Missing: give a ${wanted}.` : `Must be a ${wanted}.`,
        },
      ];
    }
    return [{ pointer: pointerOf(issue.path), detail: `${issue.message}.`.replace(/\.\.$/, '.') }];
  });
}

export const badInput = (errors: FieldProblem[], status = 400): Problem => ({ type: 'about:blank', title: 'Bad input', status, errors });
