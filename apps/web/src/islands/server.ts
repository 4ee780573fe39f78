import { PassThrough } from 'node:stream';
import { text } from 'node:stream/consumers';
import { createElement, type FunctionComponent, type ReactNode } from 'react';
import { renderToPipeableStream, renderToString } from 'react-dom/server.node';
import { opened } from './sent.ts';

/** How React marks a part that was not there yet when it drew. */
const AWAITED = '<!--$!-->';

/** Drawn by a stream all parts are waited for. */
const drawnWhenAllIsThere = (node: ReactNode, options: { identifierPrefix: string }): Promise<string> =>
  new Promise((resolve, reject) => {
    const stream = renderToPipeableStream(node, {
      ...options,
      onError: reject,
      onAllReady: () => resolve(text(stream.pipe(new PassThrough()))),
    });
  });

/** How many islands of a page are drawn: ids of its parts differ by it. */
const drawn = new WeakMap<object, number>();

/**
 * How Astro draws an island on the server. Its own for React draws each twice, once to ask whether it is React’s (here all are), and puts it out through a
 * stream, which costs as much as the drawing: that is only for what has parts that come later.
 */
export default {
  name: '@astrojs/react',
  check: async () => true,
  async renderToStaticMarkup(this: { result: object }, Component: (props: never) => ReactNode, props: object) {
    const before = drawn.get(this.result) ?? 0;
    drawn.set(this.result, before + 1);
    const options = { identifierPrefix: `r${before}` };
    const node = createElement(Component as FunctionComponent, opened(props));
    const html = renderToString(node, options);
    return { attrs: { prefix: options.identifierPrefix }, html: html.includes(AWAITED) ? await drawnWhenAllIsThere(node, options) : html };
  },
  supportsAstroStaticSlot: true,
};
