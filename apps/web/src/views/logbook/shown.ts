import type { PlayerProgress, StrokeProgress } from '@good-arc/core';

/** A stroke as it is shown. */
export type ShownStroke = Omit<StrokeProgress, 'own'>;

/** What the page is given: the way of working it out stays with the server. */
export type ShownProgress = Omit<PlayerProgress, 'strokes'> & { strokes: ShownStroke[] };
