import { printShare } from '@good-arc/core';
import type { ClubWeek, Viewer } from '../../api/rows.ts';
import { nextLink } from '../../ui/links.ts';
import { Moment } from '../../ui/Moment.tsx';
import { RateBar } from '../../ui/RateBar.tsx';
import { Units } from '../../ui/Units.tsx';
import { sayKitWorry } from '../../words/club.ts';
import { STROKE_NAMES, TREND_WORDS } from '../../words/logbook.ts';

/** The club this week: who was here, who stands still, which rungs are wrong, what of the kit wants a look. */
export default function ClubPage({ viewer, week: { players, away, wrong, demand, kit } }: { viewer: Viewer; week: ClubWeek }) {
  // what is the same of several is said once
  const said = [...new Set(kit.map(sayKitWorry))].map((words) => [words, kit.filter((worry) => sayKitWorry(worry) === words)] as const);
  return (
    <Units system={viewer.units}>
      <div className="px-4 pt-5 pb-12 md:px-6">
        <a href="/logbook" className="text-sm font-medium text-quiet hover:underline">
          Logbook
        </a>
        <h1 className="text-3xl">{viewer.clubName}</h1>
        <div className="mt-4 grid gap-x-12 gap-y-8 lg:grid-cols-[minmax(0,1.6fr)_minmax(0,1fr)]">
          <section aria-labelledby="here">
            <h2 id="here" className="border-b border-base-content pb-1 text-xl">
              Here in the last four weeks
            </h2>
            {players.length === 0 && <p className="py-3 text-lg">Nobody yet.</p>}
            <ul>
              {players.map(({ id, name, last, rounds, hits, balls, trends, stalled }) => (
                <li key={id} className="border-b border-base-300 py-2.5">
                  <div className="flex flex-wrap items-center gap-x-5">
                    <p className="min-w-0 grow basis-52">
                      <a className="text-lg font-bold break-words hover:underline" href={`/logbook?player=${id}`}>
                        {name}
                      </a>
                      <span className="block text-quiet">
                        {rounds} {rounds === 1 ? 'round' : 'rounds'}, last <Moment iso={last} as="day" />
                      </span>
                    </p>
                    <RateBar hits={hits} balls={balls} />
                    <a className="inline-flex min-h-11 items-center font-semibold underline" href={nextLink({ playerIds: [id] })}>
                      What next
                    </a>
                  </div>
                  {trends.map(({ sport, stroke, trend }) => (
                    <p key={`${sport} ${stroke}`} className={trend === 'worse' ? 'font-semibold text-error' : 'font-semibold text-arrive'}>
                      {STROKE_NAMES[stroke]}, {sport}: {TREND_WORDS[trend]}
                    </p>
                  ))}
                  {stalled.map(({ ladderId, ladderName, rungName, since }) => (
                    <p key={ladderId}>
                      Stalled since <Moment iso={since} as="day" /> on “{rungName}” of{' '}
                      <a className="underline" href={`/ladders/${ladderId}`}>
                        {ladderName}
                      </a>
                    </p>
                  ))}
                </li>
              ))}
            </ul>
            {away.length > 0 && (
              <p className="mt-3">
                <span className="text-quiet">Not here in that time:</span> {away.join(', ')}
              </p>
            )}
          </section>
          <div className="flex flex-col gap-8">
            <section aria-labelledby="wrong">
              <h2 id="wrong" className="border-b border-base-content pb-1 text-xl">
                Rungs that are wrong for everybody
              </h2>
              {wrong.length === 0 && <p className="py-3">None in twelve weeks: each is won by some and not by all.</p>}
              <ul>
                {wrong.map(({ rungId, ladderId, name, ladderName, players: many, rounds, hits, balls, isHard }) => (
                  <li key={rungId} className="border-b border-base-300 py-2">
                    <a className="font-bold hover:underline" href={`/ladders/${ladderId}`}>
                      {name}
                    </a>{' '}
                    <span className="text-quiet">{ladderName}</span>
                    <p>
                      {printShare(hits / balls)} of {balls} balls by {many} players in {rounds} rounds:{' '}
                      {isHard
                        ? 'too hard; put a rung below it, or make the target larger.'
                        : 'too easy; a smaller target, or leave it out.'}
                    </p>
                  </li>
                ))}
              </ul>
            </section>
            {demand && (
              <section aria-labelledby="demand">
                <h2 id="demand" className="border-b border-base-content pb-1 text-xl">
                  What harder balls cost here
                </h2>
                <p className="py-2">
                  Off a game ball shots scatter about <b>{demand.times.toFixed(2)} times</b> as far as off a kind one, by what{' '}
                  {demand.players} players here hit. First targets and chances go by it.
                </p>
              </section>
            )}
            <section aria-labelledby="kit">
              <h2 id="kit" className="border-b border-base-content pb-1 text-xl">
                Machines and balls
              </h2>
              {kit.length === 0 && <p className="py-3">Nothing wants a look.</p>}
              <ul>
                {said.map(([words, worries]) => (
                  <li key={words} className="border-b border-base-300 py-2">
                    {worries.map((worry, i) => (
                      <span key={`${worry.what} ${worry.id}`}>
                        {i > 0 && ', '}
                        <a
                          className="font-bold hover:underline"
                          href={worry.what === 'machine' ? `/machines/${worry.id}` : '/kit?at=balls'}
                        >
                          {worry.name}
                        </a>
                      </span>
                    ))}
                    <span className="block">{words}</span>
                  </li>
                ))}
              </ul>
            </section>
          </div>
        </div>
      </div>
    </Units>
  );
}
