import type { Readable } from 'node:stream';
import { Refusal } from './problem.ts';

/** Of what is written, bytes. */
const LONGEST_BODY = 512 * 1024;

/** What is sent comes on a stream of Node's; a Request that carries it through a stream of its own costs as much again as all else of it. */
const streams = new WeakMap<Request, Readable>();
/** A body can be read once, and is asked for twice where a machine must not wait. */
const texts = new WeakMap<Request, Promise<string>>();

/** The body of this request comes from there. */
export const comesFrom = (request: Request, stream: Readable): unknown => streams.set(request, stream);

/** The body of a request as text, read no further than it may go. @param most bytes @throws Refusal 413 */
export function textOf(request: Request, most = LONGEST_BODY): Promise<string> {
  const text = texts.get(request) ?? textWithin(streams.get(request)?.iterator({ destroyOnReturn: false }) ?? request.body ?? [], most);
  texts.set(request, text);
  return text;
}

async function textWithin(parts: AsyncIterable<Uint8Array> | Iterable<Uint8Array>, most: number): Promise<string> {
  const decoder = new TextDecoder();
  let [text, bytes] = ['', 0];
  for await (const part of parts) {
    bytes += part.byteLength;
    if (bytes > most) throw new Refusal(413, `Too much at once: at most ${most / 1024} kB.`);
    text += decoder.decode(part, { stream: true });
  }
  return text + decoder.decode();
}
