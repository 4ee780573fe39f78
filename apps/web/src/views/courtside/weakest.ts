import { LEVELS } from '@good-arc/core';
import type { PlayerRow } from '../../api/rows.ts';

/** What is thrown to several is judged by the one who needs most: the lowest level. */
export const weakestOf = (hitting: readonly PlayerRow[]): PlayerRow | undefined =>
  hitting.reduce<PlayerRow | undefined>(
    (a, b) => (a === undefined || LEVELS.indexOf(b.level) < LEVELS.indexOf(a.level) ? b : a),
    undefined,
  );
