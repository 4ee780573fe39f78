import { type Judgement, type RungDocument, type Sport, timeCautions } from '@good-arc/core';
import { useMemo } from 'react';

/** In a word or two beside a rung: that it leaves too little time, or could not be judgement; nothing when there is nothing to say. */
export function TimeWarnings({ document, sport, judgement }: { document: RungDocument; sport: Sport; judgement: Judgement }) {
  const cautions = useMemo(() => timeCautions(document, sport, judgement), [document, sport, judgement]);
  return cautions.map(({ id, grave, what }) => (
    <p key={id} className={`border-l-4 pl-2 text-sm font-semibold ${grave ? 'border-error' : 'border-warning'}`}>
      {what}
    </p>
  ));
}
