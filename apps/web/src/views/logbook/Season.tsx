import type { SeasonDocument } from '@good-arc/core';
import { useState } from 'react';
import type { PlayerRow, SeasonFacts, SeasonLadder } from '../../api/rows.ts';
import { Button } from '../../ui/Button.tsx';
import { dayOf, today } from '../../ui/day.ts';
import { download, fileName } from '../../ui/download.ts';
import { nextLink } from '../../ui/links.ts';
import { Notice } from '../../ui/Notice.tsx';
import { sayDay } from '../../ui/when.ts';
import { sayFact, sayWeekdays, WEEK_WORDS } from '../../words/season.ts';
import { keepPlayer } from './keepPlayer.ts';
import { dayName } from './PlayerProgress.tsx';
import { SeasonForm } from './SeasonForm.tsx';
import { drawnSeason, SeasonPicture } from './SeasonPicture.tsx';

interface Props {
  player: PlayerRow;
  facts: SeasonFacts;
  /** Swings of each day. */
  load: readonly { day: number; swings: number }[];
  /** Without it the season is only shown. */
  onPlayer?: ((player: PlayerRow) => void) | undefined;
}

/** Weeks up to a day: planned, shown beside what was done, changed, begun again from here, taken back. */
export function SeasonSection({ player, facts, load, onPlayer }: Props) {
  const [edit, setEdit] = useState<SeasonDocument | 'new' | null>(null);
  const { season } = player;
  const ladder = facts.ladders.find(({ id }) => id === season?.ladderId);

  async function keep(next: SeasonDocument | null, said: string): Promise<void> {
    if (await keepPlayer(player, { season: next }, said, onPlayer)) setEdit(null);
  }

  if (!season && !onPlayer) return null;
  return (
    <section aria-label="Season" className="min-w-0">
      <h2 className="text-xl">Season</h2>
      {edit ? (
        <SeasonForm
          player={player}
          facts={facts}
          load={load}
          from={edit === 'new' ? null : edit}
          onKeep={(next) => void keep(next, 'The season was kept.')}
          onClose={() => setEdit(null)}
        />
      ) : season && ladder ? (
        <Kept player={player} season={season} ladder={ladder} facts={facts} load={load}>
          {onPlayer && (
            <>
              <Button onClick={() => setEdit(season)}>Change</Button>
              <Button onClick={() => setEdit('new')}>Plan anew from here</Button>
              <Button look="ghost" onClick={() => void keep(null, 'The season was taken back.')}>
                Take the season back
              </Button>
            </>
          )}
        </Kept>
      ) : (
        <>
          {season && <Notice tone="warning">Its ladder was removed: choose another one.</Notice>}
          <p className="mt-1 max-w-xl">
            Weeks on a ladder up to a day: three that build, one that eases and ends with a test, never more in a day than the age should
            have.
          </p>
          {facts.ladders.length === 0 ? (
            <a className="mt-2 inline-flex min-h-11 items-center font-semibold underline" href="/ladders">
              First a ladder
            </a>
          ) : (
            <Button className="no-print mt-2" onClick={() => setEdit('new')}>
              Plan a season
            </Button>
          )}
        </>
      )}
    </section>
  );
}

function Kept({
  player,
  season,
  ladder,
  facts,
  load,
  children,
}: {
  player: PlayerRow;
  season: SeasonDocument;
  ladder: SeasonLadder;
  facts: SeasonFacts;
  load: Props['load'];
  children: React.ReactNode;
}) {
  const drawn = drawnSeason(player, season, ladder, facts, load);
  const now = dayOf(today());
  const current = drawn.weeks.find(({ isNow }) => isNow);
  const rungName = (rung: number): string => (ladder.names?.[rung] ? `rung ${rung + 1}, “${ladder.names[rung]}”` : `rung ${rung + 1}`);

  async function calendar(): Promise<void> {
    const { seasonCalendar } = await import('./seasonCalendar.ts');
    const weeks = drawn.weeks.map(({ week }) => week);
    const names = { player: player.name, ladder: ladder.name, rung: (at: number) => ladder.names?.[at] ?? `rung ${at + 1}` };
    const text = seasonCalendar({ playerId: player.id, season, weeks, today: now }, names);
    download(`${fileName(`${player.name} ${ladder.name}`)}.ics`, new Blob([text], { type: 'text/calendar' }));
  }

  return (
    <>
      <p className="mt-1 break-words">
        Up to {sayDay(season.to)} on{' '}
        <a className="font-bold hover:underline" href={`/ladders/${ladder.id}`}>
          {ladder.name}
        </a>
        : {sayWeekdays(season.weekdays)}
        {season.restsArm && ', a day in between'}.
      </p>
      <SeasonPicture drawn={drawn} ladder={ladder} season={season} />
      {now > dayOf(season.to) && (
        <p className="mt-2 border-l-4 border-secondary pl-3 font-semibold">Its day is over: plan the next from here.</p>
      )}
      {current && (
        <p className="mt-2 border-l-4 border-secondary pl-3">
          <b>This week {WEEK_WORDS[current.week.kind]}:</b>{' '}
          {current.week.days.length === 0
            ? 'nobody comes'
            : `${current.week.days.map(dayName).join(', ')}, ${current.week.ballsADay} balls each, to ${rungName(current.week.rung)}`}
          . {current.fact && `So far ${sayFact(current.fact, current.week.rung, dayName)}`}
        </p>
      )}
      <div className="no-print mt-2 flex flex-wrap gap-2">
        <Button look="primary" href={nextLink({ playerIds: [player.id] })}>
          What next
        </Button>
        <Button onClick={() => void calendar()}>Calendar</Button>
        {children}
      </div>
      <details className="mt-2">
        <summary className="min-h-11 cursor-pointer py-2 font-semibold">Week by week</summary>
        <ol className="mt-1">
          {drawn.weeks.map(({ name, week, fact }) => (
            <li key={name} className="border-b border-base-300 py-1.5">
              <b>{name}</b>, {WEEK_WORDS[week.kind]}: {week.days.length} × {week.ballsADay} balls, to {rungName(week.rung)}.
              {fact && <span className="block text-quiet">{sayFact(fact, week.rung, dayName)}</span>}
            </li>
          ))}
        </ol>
      </details>
    </>
  );
}
