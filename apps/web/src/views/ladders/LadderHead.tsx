import {
  APPROACHES,
  type Approach,
  gateFor,
  type JudgedRung,
  type Judgement,
  type Level,
  minutesOf,
  type PlayerId,
  wholly,
} from '@good-arc/core';
import { Redo2, Star, Undo2 } from 'lucide-react';
import type { Kit, Viewer } from '../../api/rows.ts';
import { ApproachTable } from '../../ui/ApproachTable.tsx';
import { api } from '../../ui/api.ts';
import { Button } from '../../ui/Button.tsx';
import { machineOf } from '../../ui/judge.ts';
import { NOT_LOADED } from '../../ui/later.tsx';
import { courtsideLink } from '../../ui/links.ts';
import { Notice } from '../../ui/Notice.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Select } from '../../ui/Select.tsx';
import { toast } from '../../ui/toast.ts';
import { useUnits } from '../../ui/Units.tsx';
import { attempt } from '../../ui/undo.ts';
import { levelChoices, levelLabel, sayLevel } from '../../words/level.ts';
import { APPROACH_NAMES, APPROACH_WORDS } from '../../words/progress.ts';
import { duplicateLadder } from './duplicate.ts';
import { advice, differences, LadderName, More } from './LadderMore.tsx';
import type { RecentRate } from './rates.ts';
import { useFavourites } from './useFavourites.ts';
import type { LadderState } from './useLadder.ts';

/** What changes many rungs at once, when it is asked for; null, said so, when it cannot be had. */
export const loadWhole = () =>
  import('./wholeLadder.ts').catch(() => {
    toast.error(NOT_LOADED);
    return null;
  });

interface Props {
  drill: { id: string; name: string } | null;
  state: LadderState;
  viewer: Viewer;
  kit: Kit;
  judgements: Judgement[];
  rates: RecentRate[];
  playerId: PlayerId;
  onPlayer: (id: string) => void;
  players: number;
  onPlayers: (players: number) => void;
  gaps: number;
  onEven: () => void;
}

/** What a ladder is and what it takes: name, approach, level, sums, and what can be done with all of it. */
export function LadderHead({ drill, state, viewer, kit, judgements, rates, playerId, onPlayer, players, onPlayers, gaps, onEven }: Props) {
  const { ladder, put, putRungs } = state;
  const { rungs, sport, level, approach, origin } = ladder;
  const units = useUnits();
  const favourites = useFavourites(viewer);
  const readOnly = !viewer.canPlan;
  const minutes = rungs.reduce((sum, { document }) => sum + minutesOf(document), 0);
  const known = judgements.flatMap((each) => wholly(each) ?? []);
  const sum = (of: (one: JudgedRung) => number): number => known.reduce((total, one) => total + of(one), 0);
  const balls = rungs.reduce((total, { document }) => total + document.rounds * document.ballsPerRound, 0);
  const first = rungs[0] && machineOf(kit, rungs[0].document);
  const hoppers = first ? Math.ceil(balls / first.profile.hopper) : 0;
  const stops = sum(({ pickUps }) => pickUps);
  const rate = rates.find((each) => each.playerId === playerId);
  const own = origin ? differences(rungs, origin.rungs) : [];

  async function setLevel(next: Level): Promise<void> {
    const whole = await loadWhole();
    if (whole) put({ level: next, rungs: whole.atLevel(rungs, next, kit, sport) });
  }

  /** Another approach has gates of its own. */
  function setApproach(next: Approach): void {
    put({
      approach: next,
      rungs: rungs.map((rung) => {
        return { ...rung, document: { ...rung.document, gate: gateFor(next, rung.document.ballsPerRound) } };
      }),
    });
  }

  return (
    <div>
      <a href="/ladders" className="no-print text-sm font-medium text-quiet hover:underline">
        All ladders
      </a>
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <LadderName name={ladder.name} readOnly={readOnly} onRename={(name) => put({ name })} />
        <div className="no-print ml-auto flex flex-wrap items-center gap-2">
          <Button
            look="ghost"
            square
            aria-pressed={favourites.has(ladder.id)}
            aria-label="Favourite"
            title="Favourite"
            onClick={() => favourites.toggle(ladder.id)}
          >
            <Star size={20} aria-hidden fill={favourites.has(ladder.id) ? 'currentColor' : 'none'} />
          </Button>
          {!readOnly && (
            <>
              <Button look="ghost" square aria-label="Undo" title="Undo (Ctrl Z)" disabled={!state.canUndo} onClick={state.undo}>
                <Undo2 size={20} aria-hidden />
              </Button>
              <Button look="ghost" square aria-label="Redo" title="Redo (Ctrl Shift Z)" disabled={!state.canRedo} onClick={state.redo}>
                <Redo2 size={20} aria-hidden />
              </Button>
            </>
          )}
          {rungs[0] && (
            <>
              <Button href={`/plan?ladder=${ladder.id}`}>Plan it</Button>
              <Button href={`/card?ladder=${ladder.id}`}>Setup card</Button>
              <Button onClick={() => window.print()}>Print</Button>
            </>
          )}
          {rungs[0] && (
            <Button look="primary" size="l" className="px-5" href={courtsideLink(rungs[0].id, playerId)}>
              Take it on court
            </Button>
          )}
        </div>
      </div>
      <p className="mt-1 text-quiet" data-testid="sums">
        {sport} · {sayLevel(sport, level)} · {rungs.length} {rungs.length === 1 ? 'rung' : 'rungs'} · {Math.round(minutes)} min, rests
        included · {balls} balls, {hoppers === 1 ? 'one hopper' : `${hoppers} hoppers`} ·{' '}
        {Math.ceil(sum(({ swingsEach }) => swingsEach) / players)} swings {players > 1 ? 'each' : ''} ·{' '}
        {stops === 0 ? 'no stop' : stops === 1 ? 'one stop to pick up' : `${stops} stops to pick up`}
        {state.state === 'saving' && <span className="no-print"> · saving …</span>}
      </p>
      {state.state === 'failed' && !state.isStale && (
        <Notice role="alert" tone="error" className="no-print mt-1 flex flex-wrap items-center gap-3">
          Not saved yet; what you changed is kept in this page.
          <Button onClick={state.again}>Save again</Button>
        </Notice>
      )}
      {drill && (
        <p className="mt-1 text-sm">
          From the library:{' '}
          <a className="font-semibold underline" href={`/ladders/library?drill=${drill.id}`}>
            {drill.name}
          </a>
          , {own.length === 0 ? 'as it came.' : own.length === 1 ? 'one rung is your own: ' : `${own.length} rungs are your own: `}
          {own.length > 0 && `${own.join('; ')}.`}
        </p>
      )}
      <div className="no-print mt-2 flex flex-wrap items-end gap-3">
        <fieldset className="flex flex-wrap gap-2" disabled={readOnly}>
          <legend className="mb-0.5 text-sm font-medium text-quiet">Approach</legend>
          {APPROACHES.map((each) => (
            <Button
              key={each}
              look={each === approach ? 'primary' : 'outline'}
              aria-pressed={each === approach}
              onClick={() => each !== approach && setApproach(each)}
            >
              {APPROACH_NAMES[each]}
            </Button>
          ))}
        </fieldset>
        <Select className="w-36" label={levelLabel(sport)} value={level} onChange={setLevel} options={levelChoices(sport)} />
        {rates.length > 0 && (
          <Select
            className="w-52"
            label="Recent rate of"
            value={playerId}
            onChange={onPlayer}
            options={rates.map((each) => [each.playerId, each.name] as const)}
          />
        )}
        <QuantityField
          className="w-24"
          label="Share by"
          dimension="count"
          min={1}
          max={12}
          step={1}
          value={players}
          onChange={(next) => onPlayers(Math.round(next))}
        />
        {gaps > 0 && !readOnly && (
          <Button danger onClick={onEven}>
            Even out {gaps === 1 ? 'the gap' : `all ${gaps} gaps`}
          </Button>
        )}
        <More>
          {!readOnly && (
            <Button look="ghost" className="justify-start" onClick={async () => putRungs((await loadWhole())?.mirrored(rungs) ?? rungs)}>
              Mirror all: for the other hand
            </Button>
          )}
          <Button
            look="ghost"
            className="justify-start"
            onClick={() => attempt(async () => location.assign(`/ladders/${await duplicateLadder(ladder)}`))}
          >
            Duplicate
          </Button>
          {rungs[0] && (
            <Button look="ghost" className="justify-start" href={`/card?ladder=${ladder.id}#files`}>
              As a file or a message
            </Button>
          )}
          {!readOnly && (
            <Button
              look="ghost"
              className="justify-start"
              onClick={async () => {
                if (await attempt(() => api('DELETE', `ladders/${ladder.id}`))) location.assign(`/ladders?deleted=${ladder.id}`);
              }}
            >
              Delete
            </Button>
          )}
        </More>
      </div>
      <div className="mt-2 border-b border-base-content pb-1">
        <p className="text-quiet">
          {APPROACH_WORDS[approach]}
          {rate &&
            rate.balls > 0 &&
            ` ${rate.name} hit ${rate.hits} of the last ${rate.balls} here${advice(rate, rungs.at(-1)?.document.targetSize.widthM, units.length)}.`}
        </p>
        <div className="no-print max-w-xl">
          <ApproachTable approach={approach} />
        </div>
      </div>
    </div>
  );
}
