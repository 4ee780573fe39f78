/** What is put into a page when Astro has drawn the rest of it. */
interface Rest {
  islands: string[];
  /** What the page becomes then. */
  last: ((html: string) => string)[];
}
const rests = new WeakMap<object, Rest>();

/**
 * From now on the islands of this request's page are drawn apart, and a short mark stands where each belongs: Astro copies what it is handed several times,
 * and takes a checksum of each drawing, which cost as much as all else that it does. Whoever asks makes the whole page of it (`whole`).
 */
export const gather = (request: object): void => void rests.set(request, { islands: [], last: [] });

/** What Astro is handed of an island: its drawing, or the mark of where that belongs. */
export function drawnApart(request: object | undefined, html: string): string {
  const rest = request && rests.get(request);
  if (!rest) return html;
  rest.islands.push(html);
  // no text of a page comes to this: each < of it is written as &lt;
  return `<!--island ${rest.islands.length - 1}-->`;
}

/** Changes a page as its last step, where one gathers it. @returns whether one does */
export function atLast(request: object, change: (html: string) => string): boolean {
  return Boolean(rests.get(request)?.last.push(change));
}

/** The whole page of what Astro has drawn of it. */
export function whole(request: object, html: string): string {
  const { islands, last } = rests.get(request) ?? { islands: [], last: [] };
  const page = last.reduce((text, change) => change(text), html);
  return islands.length === 0 ? page : page.replace(/<!--island (\d+)-->/g, (_, n: string) => islands[Number(n)]!);
}
