import { type RefObject, useEffect, useState } from 'react';
import type { PaperSheet } from './papers.ts';

/** A little smaller each time, and never so small that nobody can read it in the sun. */
const SMALLER = 0.96;
const SMALLEST = 0.55;

/**
 * By how much the type of a card must shrink to be on one page: it is laid out out of sight at the paper’s own width, and measured.
 * @param sheet holds the card as it is drawn on the screen @returns factor of the paper’s own type size, at most 1
 */
export function usePaperFit(sheet: RefObject<HTMLElement | null>, paper: string, { widthMm, heightMm, typePt }: PaperSheet): number {
  const [fit, setFit] = useState(1);
  useEffect(() => {
    let stale = false;
    document.fonts.ready.then(() => {
      const card = sheet.current?.querySelector<HTMLElement>('.setup-card');
      if (stale || !card) return;
      const page = document.createElement('div');
      page.className = `paper-${paper}`;
      page.style.cssText = `position:absolute;left:-9999px;top:0;display:block;visibility:hidden;width:${widthMm}mm`;
      page.inert = true;
      const copy = card.cloneNode(true) as HTMLElement;
      copy.style.maxWidth = 'none';
      page.append(copy);
      document.body.append(page);
      const heightPx = (heightMm / 25.4) * 96;
      let factor = 1;
      for (; factor > SMALLEST; factor *= SMALLER) {
        copy.style.fontSize = `${typePt * factor}pt`;
        if (copy.getBoundingClientRect().height <= heightPx) break;
      }
      page.remove();
      setFit(factor);
    });
    return () => {
      stale = true;
    };
  }, [sheet, paper, widthMm, heightMm, typePt]);
  return fit;
}
