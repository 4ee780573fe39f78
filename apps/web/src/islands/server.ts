import { createElement, type FunctionComponent, type ReactNode } from 'react';
import { renderToString } from 'react-dom/server.node';
import { handed } from './sent.ts';

/** How many islands of a page are drawn: ids of its parts differ by it. */
const drawn = new WeakMap<object, number>();

/**
 * How Astro draws an island on the server. Its own for React draws each twice, once to ask whether it is React’s (here all are), and puts it out through a
 * stream, which costs as much as the drawing. What comes later (`ui/later.tsx`) is drawn in the browser.
 */
export default {
  name: '@astrojs/react',
  check: async () => true,
  async renderToStaticMarkup(this: { result: object }, Component: (props: never) => ReactNode, props: object) {
    const before = drawn.get(this.result) ?? 0;
    drawn.set(this.result, before + 1);
    const options = { identifierPrefix: `r${before}` };
    const { props: shown, carrier } = handed(props);
    const html = renderToString(createElement(Component as FunctionComponent, shown), options) + carrier;
    return { attrs: { prefix: options.identifierPrefix }, html };
  },
  supportsAstroStaticSlot: true,
};
