import island from '@astrojs/react/client.js';
import { opened } from './sent.ts';

/** A component may have work done before it is drawn, in tasks of their own: while it is drawn the page would stand still for all of it. */
export interface WithBefore<Props> {
  before?: (props: Props) => Promise<void>;
}

/** How an island begins in the browser: as Astro's own, with its props opened. */
export default (element: HTMLElement) => {
  const begin = island(element);
  return async (Component: unknown, props: Record<string, unknown>, slots: Record<string, string>, how: { client: string }) => {
    const given = opened(element, props);
    // what could not be done then is done, or said, by the drawing itself
    await (Component as WithBefore<typeof given>).before?.(given).catch(() => {});
    await begin(Component, given, slots, how);
  };
};
