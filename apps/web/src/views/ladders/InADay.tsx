import { type Level, overTheDay, type RungDocument } from '@good-arc/core';
import type { PlayerRow } from '../../api/rows.ts';
import { ageOf } from '../../ui/around.ts';
import { Button } from '../../ui/Button.tsx';
import { HazardList } from '../../ui/HazardList.tsx';

const LEAST_MINUTES = 5;

/** More swings than is good for somebody young, when the whole ladder is hit in one day; and how long a ladder keeps to fewer. */
export function InADay({
  rungs,
  player,
  level,
  minutes,
  onMinutes,
}: {
  rungs: readonly RungDocument[];
  player: PlayerRow | undefined;
  level: Level;
  minutes: number;
  onMinutes: (minutes: number) => void;
}) {
  const swingsEach = rungs.reduce((sum, { rounds, ballsPerRound }) => sum + rounds * ballsPerRound, 0);
  const hazard = overTheDay({ ageYears: ageOf(player), level }, { swingsEach, swingsBefore: 0 });
  if (!hazard) return null;
  const fewer = Math.max(LEAST_MINUTES, Math.floor((minutes * hazard.figures.mostSwings) / swingsEach));
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
