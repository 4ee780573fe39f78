import type { PlayerId, RungId, Sport } from '@good-arc/core';
import type { CourtRow, RanLast, Viewer } from '../../api/rows.ts';
import { ArcThumb } from '../../ui/ArcThumb.tsx';
import { Button } from '../../ui/Button.tsx';
import { courtsideLink, nextLink } from '../../ui/links.ts';
import { Moment } from '../../ui/Moment.tsx';
import { RateBar } from '../../ui/RateBar.tsx';
import { Units, useUnits } from '../../ui/Units.tsx';

interface AgainCard {
  rungId: RungId;
  number: number;
  ladderName: string;
  sport: Sport;
  last: RanLast;
}
interface Climb {
  playerId: PlayerId;
  playerName: string;
  ladderName: string;
  from: string;
  to: string;
  toId: string;
  reason: string;
}
interface Props {
  viewer: Viewer;
  again: AgainCard[];
  climbs: Climb[];
  courts: CourtRow[];
  missing: { courts: boolean; machines: boolean; players: boolean };
  lastDays: { rounds: number; hits: number; balls: number };
  /** Planned outings from today on, the next first. */
  plans: { id: string; name: string; startsAt: string; ladderName: string; players: string[]; absent: number }[];
}

/** What a coach opens the app for. Nothing on it changes by itself: the server draws it, and no script comes with it. */
export default function Today(props: Props) {
  return (
    <Units system={props.viewer.units}>
      <TodayPage {...props} />
    </Units>
  );
}

function TodayPage({ viewer, again, climbs, courts, missing, lastDays, plans }: Props) {
  const units = useUnits();
  const steps = [
    missing.courts && ['/kit?at=courts', 'Add a court', 'Its lines and net are known; only the surface matters.'],
    missing.machines && ['/kit?at=machines', 'Add a machine', 'Start from its kind; change what differs.'],
    missing.players && ['/kit?at=players', 'Add a player', 'A level and a height are enough to begin.'],
  ].filter((step) => step !== false);
  const [first] = again;
  // in a club that begins, what says nothing yet would only stand before what is to be done
  const begins = steps.length > 0 && !first;
  return (
    <div className="px-4 pt-5 pb-12 md:px-6">
      <div className="flex flex-wrap items-end gap-x-5">
        <h1 className="text-3xl">Today</h1>
        <p className="pb-1 text-quiet">
          {viewer.clubName} · {viewer.personName} · {units.altitude(viewer.altitudeM)}
        </p>
        {!begins && (
          <Button size="l" className="ml-auto" href={nextLink({ playerIds: first ? [first.last.playerId] : [] })}>
            What next
          </Button>
        )}
      </div>
      {steps.length > 0 && (
        <ol className="mt-4 grid gap-3 md:grid-cols-3">
          {steps.map(([href, name, why], i) => (
            <li key={href} className="border border-base-content p-4">
              <a href={href} className="text-xl font-bold underline">
                {i + 1}. {name}
              </a>
              <p className="mt-1">{why}</p>
            </li>
          ))}
        </ol>
      )}
      {plans.length > 0 && (
        <section className="mt-4" aria-labelledby="planned">
          <h2 id="planned" className="border-b border-base-content pb-1 text-xl">
            Planned
          </h2>
          <ul>
            {plans.map(({ id, name, startsAt, ladderName, players, absent }) => (
              <li key={id} className="flex flex-wrap items-baseline gap-x-4 border-b border-base-300 py-2.5">
                <a className="text-lg font-bold hover:underline" href={`/plan?id=${id}`}>
                  {name}
                </a>
                <span className="font-medium">
                  <Moment iso={startsAt} />
                </span>
                <span className="text-quiet">
                  {ladderName} · {players.join(', ')}
                  {absent > 0 && ` · ${absent} absent`}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {begins ? (
        <p className="mt-5 max-w-2xl text-lg">Then set up a ball on the bench, add it to a ladder, and take it on court.</p>
      ) : (
        <Rounds {...{ again, climbs, courts, lastDays }} />
      )}
    </div>
  );
}

/** What can be run again, who may climb, and where to begin something new. */
function Rounds({ again: [first, ...others], climbs, courts, lastDays }: Pick<Props, 'again' | 'climbs' | 'courts' | 'lastDays'>) {
  const units = useUnits();
  return (
    <div className="mt-4 grid gap-x-10 gap-y-8 lg:grid-cols-[minmax(0,1.6fr)_minmax(0,1fr)]">
      <section aria-labelledby="again">
        <h2 id="again" className="border-b border-base-content pb-1 text-xl">
          Same again
        </h2>
        {!first && <p className="py-4 text-lg">No round yet. Set up a ball on the bench, add it to a ladder, and take it on court.</p>}
        {first && (
          <div className="border-b border-base-content py-4">
            <div className="flex flex-wrap items-center gap-x-6 gap-y-2">
              <ArcThumb document={first.last.card} sport={first.sport} width={300} height={104} />
              <div className="min-w-0 grow basis-56">
                <h3 className="text-2xl leading-tight break-words">{first.last.card.name}</h3>
                <p className="text-quiet">
                  rung {first.number} of {first.ladderName}
                </p>
                <p>
                  {first.last.playerName} · {first.last.courtName} · {first.last.machineName},{' '}
                  {units.speed(first.last.card.feeds[0]!.launch.speedMps)}
                </p>
                <p className="mt-1">
                  <RateBar hits={first.last.hits} balls={first.last.balls} />
                </p>
              </div>
              <Button look="primary" size="xl" className="px-7" href={courtsideLink(first.rungId, first.last.playerId)}>
                Take it on court
              </Button>
            </div>
          </div>
        )}
        <ul>
          {others.map(({ rungId, number, ladderName, sport, last }) => (
            <li key={rungId} className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-base-300 py-3">
              <ArcThumb document={last.card} sport={sport} width={104} height={40} />
              <div className="min-w-0 grow basis-52">
                <h3 className="text-lg leading-tight break-words">
                  <a className="hover:underline" href={courtsideLink(rungId, last.playerId)}>
                    {last.card.name}
                  </a>
                </h3>
                <p className="text-sm text-quiet">
                  rung {number} of {ladderName} · {last.playerName}, <Moment iso={last.startedAt} />
                </p>
              </div>
              <RateBar hits={last.hits} balls={last.balls} />
            </li>
          ))}
        </ul>
      </section>
      <div className="flex flex-col gap-8">
        <section aria-labelledby="climbs">
          <h2 id="climbs" className="border-b border-base-content pb-1 text-xl">
            Ready to climb
          </h2>
          {climbs.length === 0 && <p className="py-3 text-quiet">Nobody’s last rounds say climb.</p>}
          <ul>
            {climbs.map(({ playerId, playerName, ladderName, from, to, toId, reason }) => (
              <li key={`${playerId}${ladderName}`} className="border-b border-base-300 py-3">
                <p>
                  <b>{playerName}</b>, “{from}”: {reason}
                </p>
                <a
                  className="inline-flex min-h-11 items-center font-semibold text-ball-text underline"
                  href={courtsideLink(toId, playerId)}
                >
                  Next: {to}
                </a>
              </li>
            ))}
          </ul>
        </section>
        <section aria-labelledby="start">
          <h2 id="start" className="border-b border-base-content pb-1 text-xl">
            Set up something new
          </h2>
          <ul className="grid grid-cols-2 gap-x-4">
            {courts.map(({ id, name, sport }) => (
              <li key={id}>
                <a className="flex min-h-12 items-center font-semibold hover:underline" href={`/bench?court=${id}`}>
                  {name} <span className="ml-2 font-normal text-quiet">{sport}</span>
                </a>
              </li>
            ))}
          </ul>
        </section>
        <p className="text-quiet">
          Last seven days: {lastDays.rounds} {lastDays.rounds === 1 ? 'round' : 'rounds'}
          {lastDays.balls > 0 && `, ${lastDays.hits} of ${lastDays.balls} balls in`}.
        </p>
      </div>
    </div>
  );
}
