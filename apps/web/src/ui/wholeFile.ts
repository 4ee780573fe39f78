import { LINES_HEADER } from '../api/headers.ts';
import { ApiError, problemFrom } from './api.ts';

const NEW_LINE = 10;

/** The file did not come whole: half of it is worth less than none. */
const broken = (): ApiError =>
  new ApiError({
    type: 'about:blank',
    title: 'The file did not come whole, and nothing was saved. Please ask for it again.',
    status: 0,
    errors: [],
  });

/**
 * A file from our own server that takes its time, with how far it is.
 * @param told lines that are there, of so many
 * @throws ApiError with the server's words, or for a file that ended early; AbortError when it was given up
 */
export async function wholeFile(url: string, told: (lines: number, of: number) => void, signal: AbortSignal): Promise<Blob> {
  let response: Response;
  try {
    response = await fetch(url, { signal });
  } catch (error) {
    throw signal.aborted ? error : broken();
  }
  if (!response.ok || !response.body) throw new ApiError(problemFrom(await response.text(), response.status));
  const of = Number(response.headers.get(LINES_HEADER) ?? 0);
  let lines = 0;
  const counted = response.body.pipeThrough(
    new TransformStream<Uint8Array, Uint8Array>({
      transform(part, controller) {
        for (const byte of part) if (byte === NEW_LINE) lines++;
        told(Math.min(lines, of), of);
        controller.enqueue(part);
      },
    }),
  );
  try {
    const type = response.headers.get('content-type') ?? '';
    return await new Response(counted, { headers: { 'content-type': type } }).blob();
  } catch (error) {
    throw signal.aborted ? error : broken();
  }
}
