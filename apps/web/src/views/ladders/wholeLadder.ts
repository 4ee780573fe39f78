import { evenOut, type Level, mirrorRung, rungAtLevel, type Sport } from '@good-arc/core';
import { v7 as uuidv7 } from 'uuid';
import type { Kit, LadderRow, RungRow } from '../../api/rows.ts';
import { contextOf, venueOf } from '../../ui/judge.ts';

/**
 * What is done to many rungs at once; comes after the page.
 * @returns the rungs with the gap below one of them filled, or every gap of the ladder; as many as before where nothing fits in between
 */
export function evened({ id: ladderId, rungs, sport }: LadderRow, kit: Kit, index: number | null): readonly RungRow[] {
  const part = index === null ? rungs : rungs.slice(index - 1, index + 1);
  const [first] = part;
  const venue = first && venueOf(kit, sport, first.document);
  const context = first && contextOf(kit, sport, first.document);
  if (!venue || !context) return rungs;
  const documents = evenOut(
    part.map(({ document }) => document),
    venue,
    context,
  );
  const own = new Map(part.map((rung) => [rung.document, rung]));
  const filled = documents.map((document, position) => own.get(document) ?? { id: uuidv7(), ladderId, position, document });
  return index === null ? filled : rungs.toSpliced(index - 1, 2, ...filled);
}

/** For players of another level, where the rung can be thrown. */
export const atLevel = (rungs: readonly RungRow[], level: Level, kit: Kit, sport: Sport): RungRow[] =>
  rungs.map((rung) => {
    const venue = venueOf(kit, sport, rung.document);
    return venue ? { ...rung, document: rungAtLevel(rung.document, level, venue) } : rung;
  });

/** For the other hand. */
export const mirrored = (rungs: readonly RungRow[]): RungRow[] => rungs.map((rung) => ({ ...rung, document: mirrorRung(rung.document) }));
