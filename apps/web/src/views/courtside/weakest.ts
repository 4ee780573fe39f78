import { LEVELS } from '@good-arc/core';
import type { PlayerRow } from '../../api/rows.ts';

/** Of those who hit the one of the lowest level. */
export const weakestOf = (hitting: readonly PlayerRow[]): PlayerRow | undefined =>
  hitting.reduce<PlayerRow | undefined>(
    (a, b) => (a === undefined || LEVELS.indexOf(b.level) < LEVELS.indexOf(a.level) ? b : a),
    undefined,
  );
