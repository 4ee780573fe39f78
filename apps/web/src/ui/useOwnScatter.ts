import { OWN_FROM_BALLS, type PlayerId, type Scatter, type Sport, type Stroke } from '@good-arc/core';
import { useEffect, useState } from 'react';
import type { StrokeScatter } from '../api/rows.ts';
import { api } from './api.ts';

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
  const strokes = known.of === of ? known.strokes.filter(({ balls }) => balls >= OWN_FROM_BALLS) : [];
  return {
    scatter: Object.fromEntries(strokes.map(({ stroke, scatter: { sideDeg, depthShare } }) => [stroke, { sideDeg, depthShare }])),
    balls: strokes.reduce((sum, { balls }) => sum + balls, 0),
  };
}
