import { minutesOf, once } from '@good-arc/core';
import type { LadderRow } from '../api/rows.ts';
import { frozen } from '../db/parsed.ts';
import { thumbOf } from '../ui/thumb.ts';
import { sayLevel } from '../words/level.ts';

/** Rungs of a ladder that are drawn. */
const SHOWN = 4;

/** Ladders as they are listed: the same list of the same ladders. */
export const listOf = once((ladders: readonly LadderRow[]) =>
  frozen(
    ladders.map(({ id, name, sport, level, approach, rungs }) => ({
      id,
      name,
      sport,
      level: sayLevel(sport, level),
      approach,
      minutes: rungs.reduce((sum, { document }) => sum + minutesOf(document), 0),
      rungs: rungs.map((each) => ({ id: each.id, words: `${each.document.name} ${each.document.focalPoint}` })),
      thumbs: rungs.slice(0, SHOWN).map(({ document }) => thumbOf(document, sport, 104, 40)),
    })),
  ),
);
