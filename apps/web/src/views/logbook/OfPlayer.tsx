import type { PlayerRow } from '../../api/rows.ts';
import { PlayerProgress } from './PlayerProgress.tsx';
import { SeasonSection } from './Season.tsx';
import { Standings } from './Standings.tsx';
import type { ShownPlayer } from './shown.ts';
import { Wishes } from './Wishes.tsx';

/** What all rounds of a player come to, what they work toward, and where their ladders stand. */
export default function OfPlayer({
  player,
  progress,
  onPlayer,
}: {
  player: PlayerRow;
  progress: ShownPlayer;
  onPlayer: ((player: PlayerRow) => void) | undefined;
}) {
  return (
    <>
      <Wishes player={player} />
      <PlayerProgress player={player} progress={progress.shown} onPlayer={onPlayer} />
      <div className="mt-5 grid gap-x-8 gap-y-6 lg:grid-cols-2">
        <SeasonSection player={player} facts={progress.season} load={progress.shown.load} onPlayer={onPlayer} />
        <Standings playerId={player.id} standings={progress.standings} />
      </div>
    </>
  );
}
