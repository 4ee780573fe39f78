import { badInput, type FieldProblem, type Problem } from '@good-arc/core/calc';
import { errnoOf, isDatabaseGone } from './db.ts';

/** A refusal that goes to the client as an RFC 9457 problem document. */
export class Refusal extends Error {
  readonly problem: Problem;
  constructor(status: number, title: string, errors: FieldProblem[] = [], type = 'about:blank', current?: unknown) {
    super(title);
    this.problem = { type, title, status, errors, ...(current !== undefined && { current }) };
  }
}

/** Type of the problem that what a page shows is not what is kept any more; pages know it by `ApiError.isChangedSince`. */
export const CHANGED_SINCE = '/problems/changed-since';

export const notFound = (what: string): Refusal => new Refusal(404, `There is no such ${what} in your club. It may have been removed.`);

export const noLine = (): Refusal => new Refusal(409, 'This machine has no line; it is worked by hand.');

export const problemResponse = (problem: Problem): Response =>
  new Response(JSON.stringify(problem), {
    status: problem.status,
    headers: { 'content-type': 'application/problem+json', ...(problem.status === 503 && { 'retry-after': '2' }) },
  });

export const DATABASE_GONE: Problem = {
  type: '/problems/database-gone',
  title: 'The database does not answer just now. What you typed is kept; it will be saved when it is back.',
  status: 503,
  errors: [],
};

/** Any thrown value as a problem; unknown ones are logged and kept vague. */
export function problemOf(error: unknown, log: (error: unknown) => void): Problem {
  if (error instanceof Refusal) return error.problem;
  if (isDatabaseGone(error)) return DATABASE_GONE;
  if (errnoOf(error) === 1452) return badInput([{ pointer: '', detail: 'It refers to something that does not exist in your club.' }], 409);
  log(error);
  return { type: 'about:blank', title: 'Something went wrong here, and nothing was saved. Please try again.', status: 500, errors: [] };
}
