/** The drawings of a page's islands, by its request. */
const islands = new WeakMap<object, string[]>();

/**
 * From now on the islands of this request's page are drawn apart, and a short mark stands where each belongs: Astro copies what it is handed several times,
 * and takes a checksum of each drawing, which cost as much as all else that it does. Whoever asks puts them in (`withIslands`).
 */
export function gathered(request: object): readonly string[] {
  const drawn: string[] = [];
  islands.set(request, drawn);
  return drawn;
}

/** What Astro is handed of an island: its drawing, or the mark of where that belongs. */
export function drawnApart(request: object | undefined, html: string): string {
  const drawn = request && islands.get(request);
  if (!drawn) return html;
  drawn.push(html);
  // no text of a page comes to this: each < of it is written as &lt;
  return `<!--island ${drawn.length - 1}-->`;
}

/** The whole page. */
export const withIslands = (html: string, drawn: readonly string[]): string =>
  drawn.length === 0 ? html : html.replace(/<!--island (\d+)-->/g, (_, n: string) => drawn[Number(n)]!);
