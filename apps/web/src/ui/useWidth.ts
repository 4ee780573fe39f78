import { type RefObject, useEffect, useRef, useState } from 'react';

/** Width of an element in whole pixels, as it changes. @param least never less than this */
export function useWidth(first: number, least = 280): readonly [ref: RefObject<HTMLDivElement | null>, width: number] {
  const ref = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(first);
  useEffect(() => {
    const element = ref.current;
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => entry && setWidth(Math.max(least, Math.floor(entry.contentRect.width))));
    observer.observe(element);
    return () => observer.disconnect();
  }, [least]);
  return [ref, width];
}
