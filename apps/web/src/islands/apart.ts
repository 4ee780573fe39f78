/** What is put into a page when Astro has drawn the rest of it. */
interface Rest {
  islands: Uint8Array[];
  /** What the page becomes then. */
  last: ((html: string) => string)[];
}
const rests = new WeakMap<object, Rest>();
const decoder = new TextDecoder();
const encoder = new TextEncoder();

/**
 * From now on the islands of this request's page are drawn apart, and a short mark stands where each belongs: Astro copies what it is handed several times,
 * and takes a checksum of each drawing, which cost as much as all else that it does. Whoever asks makes the whole page of it (`whole`).
 */
export const gather = (request: object): void => void rests.set(request, { islands: [], last: [] });

/** What Astro is handed of an island: its drawing, or the mark of where that belongs. @param drawing UTF-8: most are kept, and turned into bytes once */
export function drawnApart(request: object | undefined, drawing: Uint8Array): string {
  const rest = request && rests.get(request);
  if (!rest) return decoder.decode(drawing);
  rest.islands.push(drawing);
  // no text of a page comes to this: each < of it is written as &lt;
  return `<!--island ${rest.islands.length - 1}-->`;
}

/** Changes a page as its last step, where one gathers it; drawings that stand apart are marks still. @returns whether one does */
export function atLast(request: object, change: (html: string) => string): boolean {
  return Boolean(rests.get(request)?.last.push(change));
}

/** The whole page of what Astro has drawn of it, UTF-8, in memory of its own. */
export function whole(request: object, html: string): Uint8Array<ArrayBuffer> {
  const { islands, last } = rests.get(request) ?? { islands: [], last: [] };
  const page = last.reduce((text, change) => change(text), html);
  if (islands.length === 0) return encoder.encode(page);
  // text and numbers of islands by turns
  const parts = page.split(/<!--island (\d+)-->/).map((each, i) => (i % 2 === 0 ? encoder.encode(each) : islands[Number(each)]!));
  const bytes = new Uint8Array(parts.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const each of parts) {
    bytes.set(each, at);
    at += each.length;
  }
  return bytes;
}
