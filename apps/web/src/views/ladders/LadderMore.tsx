import { changesBetween, type RungDocument, SURE_WIDTH, widthAdvice } from '@good-arc/core';
import { useState } from 'react';
import type { RungRow } from '../../api/rows.ts';
import { buttonClass } from '../../ui/Button.tsx';
import type { RecentRate } from './rates.ts';

/** What of a copy differs from the rungs as they came, rung by rung. */
export function differences(rungs: readonly RungRow[], came: readonly RungDocument[]): string[] {
  const own = rungs.flatMap(({ document }, i) => {
    const before = came[i];
    if (before && JSON.stringify(document) === JSON.stringify(before)) return [];
    const changes = before ? changesBetween(before, document) : ['added'];
    return [`${document.name} (${changes.length > 0 ? changes.join(', ') : 'words, balls or gate'})`];
  });
  return came.length > rungs.length ? [...own, `${came.length - rungs.length} left out`] : own;
}

/** The width that this rate asks for, to hit one in two, once enough balls tell it. */
export function advice({ hits, balls }: RecentRate, widthM: number | undefined, length: (m: number) => string): string {
  if (widthM === undefined || balls === 0) return '';
  const { widthM: advised, sure } = widthAdvice(widthM, hits, balls);
  if (sure < SURE_WIDTH) return `; ${balls} balls do not tell yet how wide a target one in two would hit`;
  return `; one in two would hit ${length(advised)} instead of ${length(widthM)} (${Math.round(10 * sure)} in 10 that it is 40 to 60 %)`;
}

/** What is needed seldom, behind one button. */
export function More({ children }: { children: React.ReactNode }) {
  return (
    <details className="relative">
      <summary className={buttonClass({ look: 'ghost' }, 'list-none')}>More</summary>
      <div className="absolute right-0 z-20 mt-1 flex w-64 flex-col border border-base-content bg-base-100 p-1 shadow-lg">{children}</div>
    </details>
  );
}

/** The ladder's name as a title that can be typed over; Escape leaves it as it was. */
export function LadderName({ name, readOnly, onRename }: { name: string; readOnly: boolean; onRename: (name: string) => void }) {
  const [text, setText] = useState<string | null>(null);
  const commit = (): void => {
    const tidy = (text ?? '').trim().slice(0, 120);
    if (tidy !== '' && tidy !== name) onRename(tidy);
    setText(null);
  };
  return (
    <h1 className="min-w-0 grow basis-72 text-3xl">
      <textarea
        aria-label="Name of the ladder"
        rows={1}
        maxLength={120}
        readOnly={readOnly}
        className="block w-full resize-none border-b-2 border-transparent bg-transparent py-1 [field-sizing:content] hover:border-base-300 focus:border-base-content"
        value={text ?? name}
        onChange={(event) => setText(event.target.value)}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') {
            event.preventDefault();
            event.currentTarget.blur();
          }
          if (event.key === 'Escape') setText(null);
        }}
      />
    </h1>
  );
}
