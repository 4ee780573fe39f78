import type { PlayerId, Scatter, Sport, Stroke } from '@good-arc/core';
import { useEffect, useState } from 'react';
import type { StrokeScatter } from '../api/rows.ts';
import { api } from './api.ts';

/** From so many balls on a player’s own scatter is taken instead of the level’s. */
const KNOWN_FROM_BALLS = 30;

/** A player’s own scatter by stroke, as far as it is known; empty until it has come, and without a server. @param playerId empty for nobody */
export function useOwnScatter(playerId: PlayerId, sport: Sport): { scatter: Partial<Record<Stroke, Scatter>>; balls: number } {
  const [known, setKnown] = useState<{ of: string; strokes: StrokeScatter[] }>({ of: '', strokes: [] });
  const of = `${playerId} ${sport}`;
  useEffect(() => {
    if (playerId === '') return;
    let isOpen = true;
    api<StrokeScatter[]>('GET', `players/${playerId}/scatter?sport=${sport}`)
      .then((strokes) => isOpen && setKnown({ of: `${playerId} ${sport}`, strokes }))
      // the level’s own scatter does until then
      .catch(() => {});
    return () => {
      isOpen = false;
    };
  }, [playerId, sport]);
  const strokes = known.of === of ? known.strokes.filter(({ balls }) => balls >= KNOWN_FROM_BALLS) : [];
  return {
    scatter: Object.fromEntries(strokes.map(({ stroke, scatter: { sideDeg, depthShare } }) => [stroke, { sideDeg, depthShare }])),
    balls: strokes.reduce((sum, { balls }) => sum + balls, 0),
  };
}
