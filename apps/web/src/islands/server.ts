import { LRUCache } from 'lru-cache';
import { createElement, type FunctionComponent, type ReactNode } from 'react';
import { renderToString } from 'react-dom/server.node';
import { drawnApart } from './apart.ts';
import { carrierOf, handed } from './sent.ts';

type Island = FunctionComponent<object>;

/** How many islands of a page are drawn: ids of its parts differ by it. */
const drawn = new WeakMap<object, number>();

/** Of drawings that were made lately (bytes) and of the props they were made from (characters): a club's pages at one moment are half a million. */
const MOST_KEPT = 16_000_000;
const kept = new LRUCache<string, { island: Island; minute: number; drawing: Uint8Array }>({
  max: 2000,
  maxSize: MOST_KEPT,
  sizeCalculation: ({ drawing }, key) => key.length + drawing.length,
});

/**
 * How Astro draws an island on the server. Its own for React draws each twice, once to ask whether it is React’s (here all are), and puts it out through a
 * stream, which costs as much as the drawing. What comes later (`ui/later.tsx`) is drawn in the browser. The same island with the same props, in the same
 * minute (some say “today”), is the same drawing: most of what a club opens nobody has changed since somebody else opened it.
 */
export default {
  name: '@astrojs/react',
  check: async () => true,
  async renderToStaticMarkup(
    this: { result: { request?: object } },
    Component: (props: never) => ReactNode,
    props: object,
    _slots?: object,
    page?: { hydrate?: string },
  ) {
    const before = drawn.get(this.result) ?? 0;
    drawn.set(this.result, before + 1);
    const options = { identifierPrefix: `r${before}` };
    const attrs = { prefix: options.identifierPrefix };
    const island = Component as Island;
    const { props: shown, text, isAll } = handed(props);
    // what no script takes over needs no props beside it
    const carrier = () => (text === null || page?.hydrate === undefined ? '' : carrierOf(text));
    const draw = () => renderToString(createElement(island, shown), options) + carrier();
    if (text === null || !isAll) return { attrs, html: draw() };
    const key = `${page?.hydrate ?? ''} ${attrs.prefix} ${text}`;
    const minute = Math.floor(Date.now() / 60_000);
    const last = kept.get(key);
    if (last?.island === island && last.minute === minute) return { attrs, html: drawnApart(this.result.request, last.drawing) };
    const drawing = new TextEncoder().encode(draw());
    kept.set(key, { island, minute, drawing });
    return { attrs, html: drawnApart(this.result.request, drawing) };
  },
  supportsAstroStaticSlot: true,
};
