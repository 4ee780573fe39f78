import { mainReason, mayHalve, type NextOuting, type OutingRung, type PlayerId, printShare, type Sport } from '@good-arc/core';
import { useState } from 'react';
import type { Viewer } from '../../api/rows.ts';
import { Button } from '../../ui/Button.tsx';
import { ForCoaches } from '../../ui/ForCoaches.tsx';
import { nextLink } from '../../ui/links.ts';
import { useOwn } from '../../ui/Moment.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Select } from '../../ui/Select.tsx';
import { TextField } from '../../ui/TextField.tsx';
import { drawnElsewhere, type Thumb } from '../../ui/thumb.ts';
import { Units } from '../../ui/Units.tsx';
import { mayBegin } from '../../ui/when.ts';
import { ENDS_WORDS } from '../../words/next.ts';
import { Part } from './Part.tsx';
import { useNext } from './useNext.ts';

interface Props {
  viewer: Viewer;
  /** Everybody, and who comes. */
  players: { id: PlayerId; name: string; avoid: string }[];
  playerIds: PlayerId[];
  courts: { id: string; name: string }[];
  courtId: string;
  sport: Sport;
  rungs: OutingRung[];
  ladderNames: Record<string, string>;
  day: number;
  swingsLeft: number | null;
  minutes: number;
  /** For so many minutes, and the drawings of its parts. */
  proposed: NextOuting;
  thumbs: readonly Thumb[];
  /** By the server’s clock: `2026-11-24T16:30`. */
  startsAt: string;
}

/** What a player or a few are to do next, each part with its reason; changed at will, and kept as a plan. */
export default function NextPage(props: Props) {
  return (
    <Units system={props.viewer.units}>
      <Next {...props} />
    </Units>
  );
}

function Next({
  viewer,
  players,
  playerIds,
  courts,
  courtId,
  sport,
  rungs,
  ladderNames,
  day,
  swingsLeft,
  minutes,
  proposed,
  thumbs,
  startsAt: begins,
}: Props) {
  const [question] = useState(() => {
    for (const [i, thumb] of thumbs.entries()) {
      const rung = rungs.find(({ rungId }) => rungId === proposed.parts[i]?.rungId);
      if (rung) drawnElsewhere(rung.document, sport, thumb);
    }
    return { rungs, playerIds, day, swingsLeft };
  });
  const next = useNext(question, { minutes, proposed });
  const soonest = useOwn(begins, () => mayBegin(new Date()));
  const [chosen, setStartsAt] = useState<string | null>(null);
  const startsAt = chosen ?? soonest;
  const [isKeeping, setIsKeeping] = useState(false);
  const names = players.filter(({ id }) => playerIds.includes(id)).map(({ name }) => name);
  const go = (to: { playerIds?: PlayerId[]; courtId?: string }): void =>
    location.assign(nextLink({ playerIds, courtId, minutes: next.minutes, ...to }));
  const unused = rungs.filter(({ rungId }) => !next.parts.some((part) => part.rungId === rungId));
  const focus = rungs.find(({ rungId }) => rungId === next.parts.find(({ role }) => role === 'main')?.rungId)?.document.focalPoint;
  const nameOf = (id: PlayerId): string => players.find((each) => each.id === id)?.name ?? 'somebody who left';
  const describe = ({ document, ladderId }: OutingRung): string => `${ladderNames[ladderId]} · ${document.name}`;
  const likely = ({ players: of }: OutingRung): string => printShare(of.reduce((sum, { share }) => sum + share, 0) / of.length);
  const others = unused.map((rung) => [rung.rungId as string, `${describe(rung)} (${likely(rung)})`] as const);

  async function keep(): Promise<void> {
    setIsKeeping(true);
    const name = `${names.length > 2 ? `${names.length} players` : names.join(' and ')}, what next`;
    const address = await next.keep(name.slice(0, 120), startsAt);
    if (address) location.assign(address);
    else setIsKeeping(false);
  }

  return (
    <div className="px-4 pt-4 pb-12 md:px-6">
      <h1 className="text-3xl">What next</h1>
      <div className="no-print mt-3 flex flex-wrap gap-2" role="group" aria-label="Who comes">
        {players.map(({ id, name }) => {
          const comes = playerIds.includes(id);
          return (
            <Button
              key={id}
              size="l"
              look={comes ? 'primary' : 'outline'}
              aria-pressed={comes}
              className="h-auto max-w-full whitespace-normal break-words py-2"
              onClick={() => go({ playerIds: comes ? playerIds.filter((each) => each !== id) : [...playerIds, id] })}
            >
              {name}
            </Button>
          );
        })}
      </div>
      <div className="no-print mt-3 grid grid-cols-2 gap-3 md:max-w-3xl md:grid-cols-3">
        <Select
          className="col-span-2 md:col-span-1"
          label="Where"
          value={courtId}
          onChange={(id) => go({ courtId: id })}
          options={courts.map(({ id, name }) => [id, name] as const)}
        />
        <QuantityField label="Minutes" dimension="number" min={5} max={180} step={5} value={next.minutes} onChange={next.setMinutes} />
        <TextField
          className="col-span-2 md:col-span-1"
          label="Begins"
          type="datetime-local"
          value={startsAt}
          onChange={({ target }) => setStartsAt(target.value)}
        />
      </div>
      {players
        .filter(({ id, avoid }) => playerIds.includes(id) && avoid !== '')
        .map(({ id, name, avoid }) => (
          <p key={id} className="mt-3 border-l-4 border-warning pl-3 break-words">
            <b>{name}</b> should avoid: {avoid}
          </p>
        ))}
      {playerIds.length === 0 ? (
        <p className="mt-6 text-lg">Say who comes.</p>
      ) : next.parts.length === 0 && unused.length === 0 ? (
        <p className="mt-6 max-w-xl text-lg">
          There is no rung on this court that these players could climb now. Choose another court, or{' '}
          <a className="font-semibold underline" href="/ladders/library">
            take a drill from the library
          </a>
          .
        </p>
      ) : (
        <>
          <div className="mt-5 flex flex-wrap items-end gap-x-6 gap-y-2 border-b border-base-content pb-3">
            <p className="grow text-lg" data-testid="next-sums">
              <b>{Math.round(next.lastsMinutes)} min</b> with changes and rest · {Math.round(next.swings)} swings
              {playerIds.length > 1 && ' each'}
              {swingsLeft !== null && ` of ${swingsLeft} that are left today`}
              {!next.isOwn && ENDS_WORDS[next.proposed.endsBy] && (
                <span className="block text-quiet">{ENDS_WORDS[next.proposed.endsBy]}</span>
              )}
              {next.isOwn && swingsLeft !== null && next.swings > swingsLeft && (
                <span className="block font-semibold text-error">More than are left today.</span>
              )}
            </p>
            {next.isOwn && (
              <Button size="l" className="no-print" onClick={next.anew}>
                Propose it anew
              </Button>
            )}
            <ForCoaches may={viewer.canPlan}>
              <Button
                look="primary"
                size="l"
                className="no-print"
                disabled={isKeeping || next.parts.length === 0 || startsAt === ''}
                onClick={keep}
              >
                {isKeeping ? 'Keeping it …' : 'Keep as a plan'}
              </Button>
            </ForCoaches>
          </div>
          {focus && (
            <p className="mt-2 text-lg">
              One thing to think of: <b>{focus}</b>
            </p>
          )}
          <ol>
            {next.parts.map((part, i) => {
              const rung = rungs.find(({ rungId }) => rungId === part.rungId)!;
              return (
                <Part
                  // biome-ignore lint/suspicious/noArrayIndexKey: the same rung may come twice
                  key={`${part.rungId} ${i}`}
                  part={part}
                  rung={rung}
                  sport={sport}
                  ladderName={ladderNames[rung.ladderId] ?? ''}
                  nameOf={nameOf}
                  others={others}
                  isFirst={i === 0}
                  isLast={i === next.parts.length - 1}
                  onSwap={(id) => {
                    const other = rungs.find(({ rungId }) => rungId === id);
                    if (other) next.set(i, { rungId: other.rungId, reason: mainReason(other), half: mayHalve(other) });
                  }}
                  onSet={(change) => next.set(i, change)}
                  onMove={(by) => next.move(i, by)}
                  onRemove={() => next.remove(i)}
                />
              );
            })}
          </ol>
          {unused.length > 0 && (
            <Select
              className="no-print mt-4 max-w-xl"
              label="One more rung"
              value=""
              onChange={(id) => {
                const rung = rungs.find(({ rungId }) => rungId === id);
                if (rung) next.add({ role: 'main', rungId: rung.rungId, rounds: 1, reason: mainReason(rung), half: mayHalve(rung) });
              }}
              options={[['', 'choose …'], ...others]}
            />
          )}
        </>
      )}
    </div>
  );
}
