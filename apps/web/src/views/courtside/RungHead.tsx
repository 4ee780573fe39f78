import { handOn, printAngle, type RungDocument, type Sport } from '@good-arc/core';
import type { PlayerRow } from '../../api/rows.ts';
import { sayTargets } from '../../ui/sayTarget.ts';
import { useUnits } from '../../ui/Units.tsx';

interface Props {
  document: RungDocument;
  number: number;
  sport: Sport;
  courtName: string;
  machine: { name: string };
  playerName: string;
  /** The first of them. */
  player: Pick<PlayerRow, 'hand' | 'bats'> | undefined;
  /** Balls thrown in this round; null before it begins. */
  thrown: number | null;
}

/** Whether a hitter stands on the other side of the plate than the rung has it; the machine stays where it is. Who bats from both stands where it has them. */
const isInOtherBox = ({ feeds, player: { start } }: RungDocument, sport: Sport, player: Pick<PlayerRow, 'hand' | 'bats'>): boolean =>
  player.bats !== 'both' &&
  feeds.every(({ stroke }) => stroke === 'swing') &&
  start.x !== 0 &&
  (handOn(sport, player) === 'left') !== start.x > 0;

/** Which rung it is, who hits it, on what, and where to. */
export function RungHead({ document, number, sport, courtName, machine, playerName, player, thrown }: Props) {
  const units = useUnits();
  const { launch } = document.feeds[0]!;
  return (
    <div className="flex flex-wrap items-baseline gap-x-4">
      <h1 className="text-xl leading-tight break-words md:text-2xl">
        {number} · {document.name}
      </h1>
      <p className="text-quiet land:hidden">
        {playerName &&
          `${playerName}${player && isInOtherBox(document, sport, player) ? `, bats ${handOn(sport, player)}: the other box` : ''} · `}
        {courtName} · {machine.name}, {units.speed(launch.speedMps)}
        {document.secret && ` ± ${units.speed(document.secret.byMps)} in secret`} at {printAngle(launch.elevationDeg)}
      </p>
      <p className="flex w-full justify-between gap-x-4 font-medium">
        <span>Target: {sayTargets(document, sport, units.length)}</span>
        <span className="shrink-0">
          {thrown === null ? `${document.ballsPerRound} balls` : `ball ${thrown} of ${document.ballsPerRound}`}
        </span>
      </p>
    </div>
  );
}
