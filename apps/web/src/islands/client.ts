import island from '@astrojs/react/client.js';
import { opened } from './sent.ts';

/** How an island begins in the browser: as Astro's own, with its props opened. */
export default (element: HTMLElement) => {
  const begin = island(element);
  return (Component: unknown, props: Record<string, unknown>, slots: Record<string, string>, how: { client: string }) =>
    begin(Component, opened(element, props), slots, how);
};
