import type { ServerResponse } from 'node:http';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';

/** Who asked has gone. */
const GONE = 'ERR_STREAM_PREMATURE_CLOSE';

/**
 * Sends an answer, no further ahead than it is read: years of rounds that a phone takes slowly would lie in the memory of the server meanwhile (Astro's own
 * writes on). Where whoever asked goes away, the stream that it comes from is told at once, also one that has nothing to say just now: a machine is held by it.
 * @throws what the stream failed with; the answer is broken off then
 */
export async function sendTo(response: ServerResponse, { status, statusText, headers, body }: Response): Promise<void> {
  if (!response.destroyed) {
    response.setHeaders(headers);
    response.writeHead(status, statusText || undefined);
  }
  if (!body) {
    response.end();
    return;
  }
  try {
    await pipeline(Readable.fromWeb(body as Parameters<typeof Readable.fromWeb>[0]), response);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== GONE) throw error;
  }
}
