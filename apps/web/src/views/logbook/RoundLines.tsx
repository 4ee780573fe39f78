import { ballById, printAngle, printShare, printSpin, printTime, SURFACES, scoreRound, tally } from '@good-arc/core';
import type { RoundRow } from '../../api/rows.ts';
import { Button } from '../../ui/Button.tsx';
import { courtsideLink } from '../../ui/links.ts';
import { OUTCOME_LOOK } from '../../ui/outcomeLook.ts';
import { RateBar } from '../../ui/RateBar.tsx';
import { sayTargets } from '../../ui/sayTarget.ts';
import { useUnits } from '../../ui/Units.tsx';
import { printMoment } from '../../ui/when.ts';
import { sayGate } from '../../words/progress.ts';

export function RoundLines({
  round,
  hits,
  balls,
  isOpen,
  onShow,
  onRemove,
}: {
  round: RoundRow;
  hits: number;
  balls: number;
  isOpen: boolean;
  onShow: () => void;
  onRemove: () => void;
}) {
  return (
    <>
      <tr className={`grid grid-cols-1 border-b border-base-300 py-2 md:table-row md:py-0 ${isOpen ? 'bg-base-200' : ''}`}>
        <td className="py-1 pr-4 whitespace-nowrap md:py-2.5">{printMoment(round.startedAt)}</td>
        <td className="pr-4 font-medium md:max-w-56">{round.playerName}</td>
        <td className="pr-4">
          <button type="button" className="min-h-11 text-left" aria-expanded={isOpen} onClick={onShow}>
            <b className="underline decoration-base-300 underline-offset-4">{round.card.name}</b>{' '}
            <span className="text-quiet">{round.ladderName}</span>
            {!round.finishedAt && <span className="ml-2 font-semibold text-ball-text">not finished</span>}
          </button>
        </td>
        <td className="py-1">
          <RateBar hits={hits} balls={balls} />
        </td>
      </tr>
      {isOpen && (
        <tr className="border-b border-base-content bg-base-200">
          <td colSpan={4} className="block px-3 pt-2 pb-5 md:table-cell">
            <RoundDetail round={round} />
            <Button look="ghost" className="mt-2 px-2" onClick={onRemove}>
              Delete this round
            </Button>
          </td>
        </tr>
      )}
    </>
  );
}

/** Settings, conditions and every ball of one round. */
function RoundDetail({ round }: { round: RoundRow }) {
  const units = useUnits();
  const { card, weather, results } = round;
  const { launch } = card.feeds[0]!;
  const { near, letGo } = tally(results.map(({ outcome }) => outcome));
  const { hits, balls } = scoreRound(card, results);
  const speeds = results.flatMap(({ speedMps }) => (speedMps === null ? [] : [speedMps]));
  const facts: [string, string][] = [
    ['Where', `${round.courtName}, ${SURFACES.find(({ id }) => id === card.surfaceId)?.name.toLowerCase() ?? ''}`],
    ['Machine', round.machineName],
    ['Set to', `${units.speed(launch.speedMps, 1)}, ${printAngle(launch.elevationDeg, 1)}, ${printSpin(launch.topspinRpm)} topspin`],
    ['Every', printTime(card.intervalS, 1)],
    ['Target', sayTargets(card, ballById(card.ballId).sport, units.length)],
    ['Gate', sayGate(card)],
    ...(round.confirmedBy ? ([['Too little time, confirmed by', round.confirmedBy]] as [string, string][]) : []),
    ['Air', `${units.temperature(weather.temperatureC)}, ${units.altitude(weather.altitudeM)}`],
    ['Wind', wind(weather, units.speed)],
    ...(speeds.length > 0
      ? ([['Really thrown', `${units.speed(Math.min(...speeds), 1)} to ${units.speed(Math.max(...speeds), 1)}`]] as [string, string][])
      : []),
  ];
  return (
    <div>
      <p className="text-lg">
        {balls > 0 ? <b>{`${hits} of ${balls}, ${printShare(hits / balls)}`}</b> : 'No ball counted'}
        {` · ${near} near · ${results.filter(({ outcome }) => outcome === 'out').length} out · ${letGo} let go`}
        {balls > 0 && balls < 20 && <span className="text-quiet"> · {balls} balls say little: see the interval</span>}
      </p>
      <ol className="my-2 flex flex-wrap gap-1" aria-label="Balls">
        {results.map(({ id, seq, outcome }) => (
          <li
            key={id}
            className={`flex h-8 min-w-8 items-center justify-center rounded-full px-1 text-sm font-bold ${OUTCOME_LOOK[outcome]}`}
          >
            {seq}
            <span className="sr-only"> {outcome}</span>
          </li>
        ))}
      </ol>
      <dl className="grid gap-x-8 gap-y-1 sm:grid-cols-2 lg:grid-cols-3">
        {facts.map(([name, text]) => (
          <div key={name} className="flex gap-3">
            <dt className="w-24 shrink-0 text-quiet">{name}</dt>
            <dd>{text}</dd>
          </div>
        ))}
      </dl>
      <a className="mt-2 inline-flex min-h-11 items-center font-semibold underline" href={courtsideLink(round.rungId, round.playerId)}>
        Same again
      </a>
    </div>
  );
}

function wind({ windXMps, windYMps }: { windXMps: number; windYMps: number }, print: (mps: number) => string): string {
  const parts = [
    Math.abs(windXMps) >= 0.2 ? `${print(Math.abs(windXMps))} to the ${windXMps > 0 ? 'right' : 'left'}` : '',
    Math.abs(windYMps) >= 0.2 ? `${print(Math.abs(windYMps))} toward the ${windYMps > 0 ? 'far end' : 'player'}` : '',
  ].filter(Boolean);
  return parts.length === 0 ? 'still' : parts.join(', ');
}
