import type { PlayerProgress, StrokeProgress } from '@good-arc/core';
import type { SeasonFacts, Standing } from '../../api/rows.ts';

/** A stroke as it is shown. */
export type ShownStroke = Omit<StrokeProgress, 'own'>;

/** What the page is given: the way of working it out stays with the server. */
export type ShownProgress = Omit<PlayerProgress, 'strokes'> & { strokes: ShownStroke[] };

/** What the page shows of one player beside their rounds. */
export interface ShownPlayer {
  shown: ShownProgress;
  standings: readonly Standing[];
  season: SeasonFacts;
}
