import { ballById, printAngle, printShare, printSpin, printTime, SURFACES, scoreRound, tally } from '@good-arc/core';
import {
  createSortedRowModel,
  rowSortingFeature,
  type SortingState,
  sortFn_alphanumeric,
  sortFn_basic,
  sortFn_text,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import { useMemo, useState } from 'react';
import type { RoundRow, Viewer } from '../../api/rows.ts';
import { api } from '../../ui/api.ts';
import { courtsideLink } from '../../ui/links.ts';
import { OUTCOME_LOOK } from '../../ui/outcomeLook.ts';
import { RateBar } from '../../ui/RateBar.tsx';
import { Select } from '../../ui/Select.tsx';
import { sayTargets } from '../../ui/sayTarget.ts';
import { Units, useUnits } from '../../ui/Units.tsx';
import { attempt, saidWithUndo } from '../../ui/undo.ts';
import { printMoment } from '../../ui/when.ts';
import { sayGate } from '../../words/progress.ts';

interface Line {
  round: RoundRow;
  startedAt: string;
  player: string;
  rung: string;
  hits: number;
  balls: number;
  rate: number;
}

const features = tableFeatures({
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns: { alphanumeric: sortFn_alphanumeric, basic: sortFn_basic, text: sortFn_text },
});
const columns = [
  { accessorKey: 'startedAt' as const, header: 'When' },
  { accessorKey: 'player' as const, header: 'Player' },
  { accessorKey: 'rung' as const, header: 'Rung' },
  { accessorKey: 'rate' as const, header: 'In' },
];
const ALL = 'all';

interface Props {
  /** A page of them, newest first. */
  rounds: RoundRow[];
  open: string | null;
  /** Who has rounds, and whose are shown. */
  players: { id: string; name: string }[];
  playerId: string | null;
  /** What this page ends with, for the next; null when there are no older rounds. */
  older: string | null;
  isFirst: boolean;
}

export default function Logbook(props: Props & { viewer: Viewer }) {
  return (
    <Units system={props.viewer.units}>
      <LogbookView {...props} />
    </Units>
  );
}

const logbookAt = (parts: Record<string, string | null>): string => {
  const given = Object.entries(parts).filter((part): part is [string, string] => part[1] !== null);
  return given.length === 0 ? '/logbook' : `/logbook?${new URLSearchParams(given)}`;
};

function LogbookView({ rounds: initial, open: initiallyOpen, players, playerId, older, isFirst }: Props) {
  const [rounds, setRounds] = useState(initial);
  const [open, setOpen] = useState(initiallyOpen);
  const data = useMemo(
    () =>
      rounds.map((round): Line => {
        const { hits, balls } = scoreRound(round.card, round.results);
        return {
          round,
          startedAt: round.startedAt,
          player: round.playerName,
          rung: round.card.name,
          hits,
          balls,
          rate: balls === 0 ? -1 : hits / balls,
        };
      }),
    [rounds],
  );
  const [sorting, setSorting] = useState<SortingState>([{ id: 'startedAt', desc: true }]);
  const table = useTable({ features, columns, data, state: { sorting }, onSortingChange: setSorting });

  function show(id: string): void {
    const next = open === id ? null : id;
    setOpen(next);
    const now = new URL(location.href);
    if (next) now.searchParams.set('round', next);
    else now.searchParams.delete('round');
    window.history.replaceState(null, '', now);
  }

  async function remove(round: RoundRow): Promise<void> {
    if (!(await attempt(() => api('DELETE', `rounds/${round.id}`)))) return;
    setRounds((now) => now.filter(({ id }) => id !== round.id));
    saidWithUndo('The round was deleted.', async () => {
      await api('POST', `rounds/${round.id}/restore`, {});
      setRounds((now) => [...now, round]);
    });
  }

  const all = data.reduce((sum, { hits, balls }) => ({ hits: sum.hits + hits, balls: sum.balls + balls }), { hits: 0, balls: 0 });

  return (
    <div className="px-4 pt-5 pb-12 md:px-6">
      <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
        <h1 className="text-3xl">Logbook</h1>
        <Select
          className="w-64"
          label="Player"
          value={playerId ?? ALL}
          onChange={(id) => location.assign(logbookAt({ player: id === ALL ? null : id }))}
          options={[[ALL, 'Everyone'] as const, ...players.map(({ id, name }) => [id, name] as const)]}
        />
        <p className="pb-2.5">
          {data.length} {data.length === 1 ? 'round' : 'rounds'}
          {(older || !isFirst) && ' on this page'} · <RateBar {...all} />
        </p>
      </div>
      {rounds.length === 0 ? (
        <p className="mt-8 max-w-xl text-lg">
          No round yet. Run a rung courtside, mark each ball, and it will stand here with its settings, its conditions, and what the count
          really says.
        </p>
      ) : (
        <table className="mt-4 w-full border-t border-base-content">
          <thead className="hidden md:table-header-group">
            {table.getHeaderGroups().map((group) => (
              <tr key={group.id}>
                {group.headers.map((header) => {
                  const sorted = header.column.getIsSorted();
                  return (
                    <th
                      key={header.id}
                      className="border-b border-base-content py-1 text-left"
                      aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : 'none'}
                    >
                      <button
                        type="button"
                        className="flex min-h-11 items-center gap-1 pr-4 font-semibold"
                        onClick={header.column.getToggleSortingHandler()}
                      >
                        <table.FlexRender header={header} />
                        <span aria-hidden="true">{sorted === 'asc' ? '↑' : sorted === 'desc' ? '↓' : ''}</span>
                      </button>
                    </th>
                  );
                })}
              </tr>
            ))}
          </thead>
          <tbody>
            {table.getRowModel().rows.map((row) => {
              const { round, hits, balls } = row.original;
              const isOpen = open === round.id;
              return (
                <RoundLines
                  key={round.id}
                  round={round}
                  hits={hits}
                  balls={balls}
                  isOpen={isOpen}
                  onShow={() => show(round.id)}
                  onRemove={() => remove(round)}
                />
              );
            })}
          </tbody>
        </table>
      )}
      {(older || !isFirst) && (
        <nav aria-label="Pages" className="mt-4 flex gap-3">
          {!isFirst && (
            <a className="btn btn-outline min-h-12" href={logbookAt({ player: playerId })}>
              Newest rounds
            </a>
          )}
          {older && (
            <a className="btn btn-outline min-h-12" href={logbookAt({ player: playerId, after: older })}>
              Older rounds
            </a>
          )}
        </nav>
      )}
    </div>
  );
}

function RoundLines({
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
            <button type="button" className="btn btn-ghost mt-2 min-h-11 px-2" onClick={onRemove}>
              Delete this round
            </button>
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
