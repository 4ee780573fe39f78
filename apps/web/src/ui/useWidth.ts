import { type RefObject, useLayoutEffect, useRef, useState } from 'react';
import { flushSync } from 'react-dom';

/**
 * Width of an element in whole pixels, as it changes. The browser says it when it has laid the page out, before it paints: asked for in between, it laid all of
 * the page out at once, and what was put in by then waited with it.
 * @param first as it is drawn until then: what is drawn in its own width is not drawn twice @param least never less than this
 */
export function useWidth(first: number | (() => number), least = 280): readonly [ref: RefObject<HTMLDivElement | null>, width: number] {
  const ref = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(first);
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return;
    let [last, frame] = [0, 0];
    const observer = new ResizeObserver(([entry]) => {
      const room = Math.floor(entry?.contentRect.width ?? 0);
      // what is not to be seen has no width
      if (room === 0 || room === last) return;
      last = room;
      // drawn anew it may be higher, which would be said in this frame once more: looked at again in the next
      observer.unobserve(element);
      frame = requestAnimationFrame(() => observer.observe(element));
      // within this frame: as wide as it was, it would stick out of a phone for one
      flushSync(() => setWidth(Math.max(least, room)));
    });
    observer.observe(element);
    return () => {
      cancelAnimationFrame(frame);
      observer.disconnect();
    };
  }, [least]);
  return [ref, width];
}
