import { endpoint } from '../../../../server/endpoint.ts';
import { lineOf, pageOf } from '../../../../server/links.ts';

const KEEP_ALIVE_MS = 10_000;

/** The machine's events as server-sent events. Closing the stream of the page that drives it holds a moving machine. */
export const GET = endpoint(null, async ({ id, store, scope, context }) => {
  const line = await lineOf(store, id, scope);
  const encoder = new TextEncoder();
  let end = (): void => {};
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      const stopListening = line.listen(
        (event) => controller.enqueue(encoder.encode(`data: ${JSON.stringify(event)}\n\n`)),
        pageOf(context.url),
      );
      const keepAlive = setInterval(() => controller.enqueue(encoder.encode(': still here\n\n')), KEEP_ALIVE_MS);
      end = () => {
        clearInterval(keepAlive);
        stopListening();
        end = () => {};
      };
    },
    cancel: () => end(),
  });
  return new Response(body, { headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' } });
});
