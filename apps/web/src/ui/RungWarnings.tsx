import { type Around, hazardsInSight, type Judgement, type RungDocument, type Sport } from '@good-arc/core';
import { useMemo } from 'react';
import { sayHazard } from '../words/hazards.ts';
import { useUnits } from './Units.tsx';

/** In a word or two beside a rung: that it leaves too little time, comes where nobody should play it, or could not be judged; nothing when there is nothing to say. */
export function RungWarnings({
  document,
  sport,
  judgement,
  around,
}: {
  document: RungDocument;
  sport: Sport;
  judgement: Judgement;
  around: Around;
}) {
  const units = useUnits();
  const hazards = useMemo(
    // who feeds is the same on every rung: it is said where one is opened, on the card and on court
    () => hazardsInSight(document, sport, judgement, around).filter(({ code }) => code !== 'child-feeds'),
    [document, sport, judgement, around],
  );
  return hazards.map((hazard) => (
    <p
      key={hazard.code}
      className={`border-l-4 pl-2 text-sm font-semibold ${hazard.weight === 'grave' ? 'border-error' : 'border-warning'}`}
    >
      {sayHazard(hazard, units.length).what}
    </p>
  ));
}
