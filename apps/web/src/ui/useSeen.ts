import { type RefObject, useEffect, useRef, useState } from 'react';
import { flushSync } from 'react-dom';

/** It is drawn when the page is scrolled so near to it, CSS px. */
const NEAR_PX = 200;

/** Whether what is slow to draw was ever near the part of the page that is seen, or the page is printed. */
export function useSeen<E extends Element>(): [RefObject<E | null>, boolean] {
  const ref = useRef<E>(null);
  const [isSeen, setIsSeen] = useState(false);
  useEffect(() => {
    const element = ref.current;
    if (isSeen || !element) return;
    const observer = new IntersectionObserver((entries) => entries.some((each) => each.isIntersecting) && setIsSeen(true), {
      rootMargin: `${NEAR_PX}px`,
    });
    observer.observe(element);
    // paper is laid out at once
    const print = matchMedia('print');
    const show = (): void => flushSync(() => setIsSeen(true));
    const printed = (): void => void (print.matches && show());
    window.addEventListener('beforeprint', show);
    print.addEventListener('change', printed);
    return () => {
      observer.disconnect();
      window.removeEventListener('beforeprint', show);
      print.removeEventListener('change', printed);
    };
  }, [isSeen]);
  return [ref, isSeen];
}
