import type { FieldProblem, Problem } from '@good-arc/core/calc';

/** What the server said when it did not do what was asked. */
export class ApiError extends Error {
  readonly type: string;
  readonly status: number;
  readonly errors: FieldProblem[];
  /** What is kept now, where somebody else changed it meanwhile. */
  readonly current: unknown;
  constructor({ type, title, status, errors, current }: Problem) {
    super(title);
    this.type = type;
    this.status = status;
    this.errors = errors ?? [];
    this.current = current;
  }
  /** What the page shows is not what is kept any more. */
  get isChangedSince(): boolean {
    return this.type === '/problems/changed-since';
  }
  /** The server or its database is away, or has too much to do: the same request may succeed later. */
  get isAway(): boolean {
    return this.status === 0 || this.status === 429 || this.status === 502 || this.status === 503 || this.status === 504;
  }
}

const AWAY: Problem = { type: 'about:blank', title: 'The server does not answer just now. What you typed is kept.', status: 0, errors: [] };

/**
 * One request to our own server.
 * @param keepalive goes out even when the page is left at once; for small bodies only (64 kB at most, by the Fetch standard)
 * @param withinMs no answer by then is none
 * @param seen version of the row that is changed, as the page knows it
 * @throws ApiError with the server's words, or with status 0 when it cannot be reached
 */
export async function api<T = undefined>(
  method: 'GET' | 'PUT' | 'POST' | 'PATCH' | 'DELETE',
  path: string,
  body?: unknown,
  { keepalive = false, withinMs, seen }: { keepalive?: boolean; withinMs?: number; seen?: number | undefined } = {},
): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api/${path}`, {
      method,
      keepalive,
      ...(withinMs !== undefined && { signal: AbortSignal.timeout(withinMs) }),
      headers: { 'content-type': 'application/json', ...(seen !== undefined && { 'if-match': `"${seen}"` }) },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
  } catch {
    throw new ApiError(AWAY);
  }
  if (response.status === 204) return undefined as T;
  const text = await response.text();
  if (!response.ok) throw new ApiError(problemFrom(text, response.status));
  return JSON.parse(text) as T;
}

/** What the server said, or that it said nothing that can be read. */
export function problemFrom(text: string, status: number): Problem {
  try {
    return JSON.parse(text) as Problem;
  } catch {
    return { ...AWAY, status };
  }
}

/** What somebody else made of a row meanwhile, where a save was refused for that; null for any other error. */
export const madeMeanwhile = <T>(error: unknown): T | null =>
  error instanceof ApiError && error.isChangedSince ? ((error.current as T | undefined) ?? null) : null;

/** A message for a person, whatever was thrown. */
export function messageOf(error: unknown): string {
  if (!(error instanceof ApiError)) return 'Something went wrong in the page. Nothing was saved.';
  const details = error.errors.map(({ pointer, detail }) => (pointer ? `${pointer.slice(1).replaceAll('/', ' › ')}: ${detail}` : detail));
  return [error.message, ...details].join(' ');
}
