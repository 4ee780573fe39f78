import { type Arrangement, type Arrival, gameBallLabel, gameBallSource, printAngle, printSpin, printTime } from '@good-arc/core';
import { ComfortMark } from '../../ui/ComfortMark.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { SourceMark } from '../../ui/SourceMark.tsx';
import { useUnits } from '../../ui/Units.tsx';
import { sayHeight } from '../../words/height.ts';

interface Pair {
  name: string;
  feed: number;
  game: number | null;
  print: (value: number) => string;
  compare: 'share' | 'none';
  aside?: string;
}

/** What reaches the player, each figure beside the same one of the game ball. */
export function ArrivalBesideGame({ arrangement }: { arrangement: Arrangement }) {
  const units = useUnits();
  const { thrown, game, comfort } = arrangement;
  const arrival = thrown?.arrival;
  if (!arrival) {
    return (
      <Notice tone="warning">
        {thrown
          ? 'This ball bounces twice before it reaches the player. Move the player in, or land it deeper.'
          : 'Nothing arrives: this feed cannot be thrown as it stands.'}
      </Notice>
    );
  }
  const against = game?.arrival ?? null;
  const pair = (
    name: string,
    read: (a: Arrival) => number,
    print: (value: number) => string,
    compare: Pair['compare'] = 'share',
    aside?: string,
  ): Pair => ({
    name,
    feed: read(arrival),
    game: against ? read(against) : null,
    print,
    compare,
    ...(aside ? { aside } : {}),
  });
  const pairs: Pair[] = [
    pair(
      'Time to react',
      (a) => a.timeS,
      (v) => printTime(v),
    ),
    pair(
      'Speed at the hit',
      (a) => a.speedMps,
      (v) => units.speed(v),
    ),
    pair('Height at the hit', (a) => a.heightM, units.length, 'none', comfort?.height ? sayHeight(comfort.height) : undefined),
    pair(arrival.leg > 0 ? 'Steepness off the court' : 'Steepness coming in', (a) => a.descentDeg, slope, 'none'),
    pair(arrival.leg > 0 ? 'Spin after the bounce' : 'Spin', (a) => a.topspinRpm, spin, 'none'),
  ];
  return (
    <div className="when-seen">
      <div className="text-sm text-quiet">
        coral is this feed
        {game && (
          <>
            {' '}
            · dashed is the game ball: {gameBallLabel(game.ball)}, {units.speed(game.launch.speedMps)}{' '}
            <SourceMark about="the game ball" source={gameBallSource(game.ball)} />
          </>
        )}
      </div>
      <ul className="mt-1">
        {pairs.map((each) => (
          <PairedBar key={each.name} {...each} />
        ))}
      </ul>
      {comfort && (
        <p className="mt-2 flex flex-wrap items-center gap-x-2 border-t border-base-300 pt-2">
          <ComfortMark comfort={comfort.word} />
          <span className="text-sm text-quiet">
            {comfort.band
              ? `${printTime(comfort.timeS)} from release to the plate; the game at ${comfort.band.toLowerCase()} takes ${printTime(comfort.needS)} (${Math.round((comfort.timeS / comfort.needS) * 100)} %)`
              : `${printTime(comfort.timeS)} to react, ${printTime(comfort.needS)} needed (× ${(comfort.timeS / comfort.needS).toFixed(1)})`}
            {comfort.spareS !== null &&
              (comfort.shortestIntervalS === null
                ? '; too quick for any interval'
                : `; shortest workable interval ${printTime(comfort.shortestIntervalS, 1)}`)}
          </span>
        </p>
      )}
    </div>
  );
}

const spin = (rpm: number): string => `${printSpin(Math.abs(rpm))} ${rpm < 0 ? 'backspin' : 'topspin'}`;

const slope = (deg: number): string => (Math.abs(deg) < 0.5 ? 'level' : `${printAngle(Math.abs(deg))} ${deg > 0 ? 'falling' : 'rising'}`);

function PairedBar({ name, feed, game, print, compare, aside }: Pair) {
  const most = Math.max(Math.abs(feed), Math.abs(game ?? 0)) * 1.12 || 1;
  const width = (value: number): string => `${(100 * Math.abs(value)) / most}%`;
  const share = game ? feed / game : null;
  return (
    <li className="py-1">
      <div className="flex items-baseline justify-between">
        <span className="font-semibold">{name}</span>
        <span className="text-lg font-bold">{print(feed)}</span>
      </div>
      <div className="h-2.5 bg-base-300" aria-hidden="true">
        <div className="h-full bg-ball" style={{ width: width(feed) }} />
      </div>
      {game !== null && (
        <div className="mt-0.5 h-1.5" aria-hidden="true">
          <div
            className="h-full"
            style={{
              width: width(game),
              background: 'repeating-linear-gradient(90deg, var(--color-base-content) 0 7px, transparent 7px 11px)',
            }}
          />
        </div>
      )}
      <div className="flex justify-between text-sm text-quiet">
        <span>{game === null ? 'no game ball chosen' : `game ${print(game)}`}</span>
        <span>
          {[aside, compare === 'share' && share !== null ? `${Math.round(share * 100)} % of game` : ''].filter(Boolean).join(' · ')}
        </span>
      </div>
    </li>
  );
}
