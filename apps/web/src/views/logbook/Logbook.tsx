import type { PlayerId } from '@good-arc/core';
import { useMemo, useState } from 'react';
import type { ListedRound, PlayerRow, SavedView, Viewer } from '../../api/rows.ts';
import { api } from '../../ui/api.ts';
import { Button } from '../../ui/Button.tsx';
import { later } from '../../ui/later.tsx';
import { nextLink } from '../../ui/links.ts';
import { RateBar } from '../../ui/RateBar.tsx';
import { Units } from '../../ui/Units.tsx';
import { attempt, saidWithUndo } from '../../ui/undo.ts';
import { type Asked, Filters, logbookAt, proposedName } from './Filters.tsx';
import { type RoundLine, RoundsTable } from './RoundsTable.tsx';
import { SavedViews } from './SavedViews.tsx';
import type { ShownPlayer } from './shown.ts';
import { TakeAlong } from './TakeAlong.tsx';

const OfPlayer = later(
  async () => (await import('./OfPlayer.tsx')).default,
  <p className="mt-4 min-h-96 text-lg">What all rounds come to …</p>,
);

interface Props {
  /** A page of them, newest first. */
  rounds: ListedRound[];
  open: string | null;
  /** Who has rounds, and whose are shown. */
  players: readonly { id: string; name: string }[];
  playerId: PlayerId | null;
  ladders: { id: string; name: string }[];
  asked: Asked;
  /** Choices that the person keeps. */
  views: SavedView[];
  /** What this page ends with, for the next; null when there are no older rounds. */
  older: string | null;
  isFirst: boolean;
  /** Of one player, what all their rounds come to. */
  progress: ({ player: PlayerRow } & ShownPlayer) | null;
}

export default function Logbook(props: Props & { viewer: Viewer }) {
  return (
    <Units system={props.viewer.units}>
      <LogbookView {...props} />
    </Units>
  );
}

function LogbookView({
  rounds: initial,
  open: initiallyOpen,
  players,
  playerId,
  ladders,
  asked,
  views,
  older,
  isFirst,
  progress,
  viewer,
}: Props & { viewer: Viewer }) {
  const [rounds, setRounds] = useState(initial);
  const [open, setOpen] = useState(initiallyOpen);
  const [player, setPlayer] = useState(progress?.player ?? null);
  const onPlayer = viewer.canPlan ? setPlayer : undefined;
  const data = useMemo(
    () => rounds.map((round): RoundLine => ({ ...round, rate: round.balls === 0 ? -1 : round.hits / round.balls })),
    [rounds],
  );
  function show(id: string): void {
    const next = open === id ? null : id;
    setOpen(next);
    const now = new URL(location.href);
    if (next) now.searchParams.set('round', next);
    else now.searchParams.delete('round');
    window.history.replaceState(null, '', now);
  }

  async function remove(round: RoundLine): Promise<void> {
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
        <Filters asked={asked} players={players} ladders={ladders} />
        <p className="pb-2.5">
          {data.length} {data.length === 1 ? 'round' : 'rounds'}
          {(older || !isFirst) && ' on this page'} · <RateBar {...all} />
        </p>
        <Button size="l" look="primary" className="ml-auto" href={nextLink({ playerIds: playerId ? [playerId] : [] })}>
          What next
        </Button>
        {playerId ? (
          <Button size="l" href={`/report?player=${playerId}`}>
            Report
          </Button>
        ) : (
          <Button size="l" href="/club">
            The club
          </Button>
        )}
        <Button size="l" href={`/rounds/add${playerId ? `?player=${playerId}` : ''}`}>
          Add rounds
        </Button>
      </div>
      <SavedViews views={views} query={logbookAt(asked).split('?')[1] ?? ''} proposed={proposedName(asked, players, ladders)} />
      {progress && player && isFirst && (
        <>
          <OfPlayer player={player} progress={progress} onPlayer={onPlayer} />
          <h2 className="mt-6 text-xl">Rounds</h2>
        </>
      )}
      {rounds.length === 0 ? (
        <p className="mt-8 max-w-xl text-lg">
          {asked.player || asked.ladder || asked.from || asked.to || asked.word ? 'No such round: ask for more. ' : 'No round yet. '}Run a
          rung courtside, mark each ball, and it will stand here with its settings, its conditions, and what the count really says.
        </p>
      ) : (
        <RoundsTable lines={data} open={open} onShow={show} onRemove={remove} />
      )}
      {rounds.length > 0 && <TakeAlong playerId={playerId} />}
      {(older || !isFirst) && (
        <nav aria-label="Pages" className="mt-4 flex gap-3">
          {!isFirst && (
            <Button size="l" href={logbookAt(asked)}>
              Newest rounds
            </Button>
          )}
          {older && (
            <Button size="l" href={logbookAt({ ...asked, after: older })}>
              Older rounds
            </Button>
          )}
        </nav>
      )}
    </div>
  );
}
