import { type RefObject, useEffect, useLayoutEffect, useRef, useState } from 'react';

/** Width of an element in whole pixels, as it changes. @param first where nothing can be measured @param least never less than this */
export function useWidth(first: number, least = 280): readonly [ref: RefObject<HTMLDivElement | null>, width: number] {
  const ref = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(first);
  // before it is drawn for the first time: as wide as it may be, it would stick out of a phone for a frame
  useLayoutEffect(() => {
    const { clientWidth = 0 } = ref.current ?? {};
    if (clientWidth > 0) setWidth(Math.max(least, clientWidth));
  }, [least]);
  useEffect(() => {
    const element = ref.current;
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => entry && setWidth(Math.max(least, Math.floor(entry.contentRect.width))));
    observer.observe(element);
    return () => observer.disconnect();
  }, [least]);
  return [ref, width];
}
