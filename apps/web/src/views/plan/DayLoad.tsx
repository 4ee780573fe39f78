import { overTheDay, type Schedule, type Sport } from '@good-arc/core';
import type { Kit } from '../../api/rows.ts';
import { ageOf } from '../../ui/around.ts';
import { HazardList } from '../../ui/HazardList.tsx';

/** Young players who get more swings in this day than is good for them: this plan, and what else is planned for the day. */
export function DayLoad({
  share,
  sport,
  kit,
  elsewhere,
}: {
  share: Schedule['share'];
  sport: Sport;
  kit: Kit;
  elsewhere: Readonly<Record<string, number>>;
}) {
  const over = share.flatMap(({ playerId, balls }) => {
    const player = kit.players.find(({ id }) => id === playerId);
    const hazard =
      player &&
      overTheDay(
        { ageYears: ageOf(player), level: player.level, sport },
        { swingsEach: Math.ceil(balls), swingsBefore: Math.ceil(elsewhere[playerId] ?? 0) },
      );
    return hazard ? [{ player, hazard }] : [];
  });
  if (over.length === 0) return null;
  return (
    <ul className="mt-2" aria-label="Too much for a day">
      {over.map(({ player, hazard }) => (
        <li key={player.id}>
          <p className="font-semibold">{player.name}</p>
          <HazardList hazards={[hazard]} />
        </li>
      ))}
    </ul>
  );
}
