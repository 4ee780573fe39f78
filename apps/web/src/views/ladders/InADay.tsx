import { type Level, overTheDay, type RungDocument, type Sport } from '@good-arc/core';
import type { PlayerRow } from '../../api/rows.ts';
import { ageOf } from '../../ui/around.ts';
import { Button } from '../../ui/Button.tsx';
import { HazardList } from '../../ui/HazardList.tsx';

const LEAST_MINUTES = 5;
/** Shorter rounds have shorter rests: in fewer minutes there are more swings a minute. */
const DENSER = 0.8;

/** More swings than is good for somebody young, when the whole ladder is hit in one day; and how long a ladder keeps to fewer. */
export function InADay({
  rungs,
  player,
  level,
  sport,
  minutes,
  onMinutes,
}: {
  rungs: readonly RungDocument[];
  player: PlayerRow | undefined;
  level: Level;
  sport: Sport;
  minutes: number;
  onMinutes: (minutes: number) => void;
}) {
  const swingsEach = rungs.reduce((sum, { rounds, ballsPerRound }) => sum + rounds * ballsPerRound, 0);
  const hazard = overTheDay({ ageYears: ageOf(player), level, sport }, { swingsEach, swingsBefore: 0 });
  if (!hazard) return null;
  const fewer = Math.max(LEAST_MINUTES, Math.floor((DENSER * minutes * hazard.figures.mostSwings) / swingsEach));
  return (
    <div className="mt-3">
      <HazardList hazards={[hazard]} />
      {fewer < minutes && (
        <Button size="l" className="mt-2" onClick={() => onMinutes(fewer)}>
          Make it {fewer} minutes
        </Button>
      )}
    </div>
  );
}
