import { printShare } from '@good-arc/core';
import { useState } from 'react';
import type { PlayerRow, Standing, Viewer } from '../../api/rows.ts';
import { device } from '../../device/store.ts';
import { useDeviceReady } from '../../device/useDeviceReady.ts';
import { Button } from '../../ui/Button.tsx';
import { Select } from '../../ui/Select.tsx';
import { share } from '../../ui/share.ts';
import { Units, useUnits } from '../../ui/Units.tsx';
import { sayDay } from '../../ui/when.ts';
import { RATE_NAMES, SIDE_NAMES, saySides, sayStroke } from '../../words/logbook.ts';
import { Goals } from './Goals.tsx';
import { dayName, StrokeChart } from './PlayerProgress.tsx';
import type { ShownProgress } from './shown.ts';

interface Props {
  viewer: Viewer;
  player: PlayerRow;
  weeks: number;
  /** First and last day, as ISO moments. */
  from: string;
  to: string;
  /** Of these weeks. */
  counts: { days: number; rounds: number; hits: number; balls: number };
  /** Charts are of these weeks, what is said of all that is known. */
  progress: ShownProgress;
  standings: readonly Standing[];
  /** Notes of the rounds in these weeks, newest first. */
  notes: { at: string; text: string }[];
}

/** One page for a player or their parents: what was done, what got better, where it stands. */
export default function Report(props: Props) {
  return (
    <Units system={props.viewer.units}>
      <ReportView {...props} />
    </Units>
  );
}

function ReportView({ viewer, player, weeks, from, to, counts, progress, standings, notes }: Props) {
  const units = useUnits();
  const key = `report:${player.id}`;
  const isReady = useDeviceReady();
  const [typed, setTyped] = useState<string | null>(null);
  const word = typed ?? (isReady ? (device().getItem(key) ?? '') : '');
  const told = progress.sides.filter(({ comparison }) => comparison.different);
  const title = `${player.name}, ${sayDay(from)} to ${sayDay(to)}`;

  /** The same in words, as a message. */
  function text(): string {
    return [
      title,
      `${counts.days} days, ${counts.rounds} rounds, ${counts.hits} of ${counts.balls} balls.`,
      ...progress.strokes.map((stroke) => sayStroke(stroke, units.length)),
      ...told.map((side) => `${SIDE_NAMES[side.of]}: ${saySides(side)}`),
      ...standings.map(({ ladderName, number, of, rungName }) => `${ladderName}: rung ${number} of ${of}, “${rungName}”.`),
      ...(word === '' ? [] : [word]),
      `${viewer.personName}, ${viewer.clubName}`,
    ].join('\n');
  }

  return (
    <div className="mx-auto max-w-4xl px-4 pt-4 pb-12 md:px-6">
      <a href={`/logbook?player=${player.id}`} className="no-print text-sm font-medium text-quiet hover:underline">
        Logbook
      </a>
      <div className="flex flex-wrap items-end gap-3">
        <h1 className="min-w-0 grow text-3xl break-words">{title}</h1>
        <div className="no-print flex flex-wrap items-end gap-2">
          <Select
            label="Weeks"
            value={String(weeks)}
            onChange={(many) => location.assign(`/report?player=${player.id}&weeks=${many}`)}
            options={['4', '8', '12', '26', '52'].map((many) => [many, many] as const)}
          />
          <Button size="l" onClick={() => void share({ title, text: text() })}>
            Share
          </Button>
          <Button look="primary" size="l" onClick={() => window.print()}>
            Print or PDF
          </Button>
        </div>
      </div>
      <p className="mt-1 text-quiet">
        {viewer.personName} · {viewer.clubName}
        {player.goals && ` · goal: ${player.goals}`}
      </p>
      {counts.rounds === 0 ? (
        <p className="mt-6 text-lg">No round in these weeks: choose more of them.</p>
      ) : (
        <>
          <dl className="mt-4 grid grid-cols-2 gap-x-6 gap-y-2 border-y border-base-content py-3 sm:grid-cols-4">
            {(
              [
                ['Days', counts.days],
                ['Rounds', counts.rounds],
                ['Balls', counts.balls],
                ['Of these in', counts.balls === 0 ? '–' : printShare(counts.hits / counts.balls)],
              ] as const
            ).map(([name, value]) => (
              <div key={name}>
                <dt className="text-quiet">{name}</dt>
                <dd className="font-title text-2xl font-bold">{value}</dd>
              </div>
            ))}
          </dl>
          <label className="mt-4 block">
            <span className="no-print mb-0.5 block text-sm font-medium text-quiet">A word from the coach (kept on this device)</span>
            <textarea
              className="textarea no-print min-h-20 w-full border-base-content/60 bg-base-100 text-base"
              maxLength={800}
              value={word}
              onChange={({ target }) => {
                setTyped(target.value);
                device().setItem(key, target.value);
              }}
            />
            <span className="hidden whitespace-pre-line print:block">{word}</span>
          </label>
          <div className="mt-4 grid gap-x-8 gap-y-5 sm:grid-cols-2 print:grid-cols-2">
            {progress.strokes.map((stroke) => (
              <div key={`${stroke.sport} ${stroke.stroke}`} className="min-w-0 break-inside-avoid">
                <StrokeChart stroke={stroke} aims={player.aims} height={140} />
                <Goals player={player} stroke={stroke} />
              </div>
            ))}
            {progress.rates.map(({ sport, kind, days }) => (
              <p key={`${sport} ${kind}`} className="break-inside-avoid">
                <b>
                  {RATE_NAMES[kind]}, {sport}:
                </b>{' '}
                {days
                  .map(({ day, hits, balls }) => `${dayName(day)} ${hits} of ${balls}`)
                  .slice(-5)
                  .join(' · ')}
              </p>
            ))}
          </div>
          {told.length > 0 && (
            <section className="mt-4">
              <h2 className="text-xl">One side against the other</h2>
              {told.map((side) => (
                <p key={`${side.sport} ${side.of}`}>
                  <b>{SIDE_NAMES[side.of]}:</b> {saySides(side)}
                </p>
              ))}
            </section>
          )}
          {standings.length > 0 && (
            <section className="mt-4 break-inside-avoid">
              <h2 className="text-xl">Where the ladders stand</h2>
              <ul>
                {standings.map(({ ladderId, ladderName, number, of, rungName }) => (
                  <li key={ladderId} className="border-b border-base-300 py-1">
                    <b>{ladderName}:</b> rung {number} of {of}, “{rungName}”
                  </li>
                ))}
              </ul>
            </section>
          )}
          {notes.length > 0 && (
            <section className="mt-4">
              <h2 className="text-xl">Noted</h2>
              <ul>
                {notes.map(({ at, text: note }) => (
                  <li key={`${at} ${note}`} className="border-b border-base-300 py-1 break-words">
                    {sayDay(at)}: {note}
                  </li>
                ))}
              </ul>
            </section>
          )}
        </>
      )}
    </div>
  );
}
