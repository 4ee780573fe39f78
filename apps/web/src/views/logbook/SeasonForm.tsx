import { diamondOf, type LadderId, SEASON_BOUNDS, type SeasonDocument } from '@good-arc/core';
import { useId, useState } from 'react';
import type { PlayerRow, SeasonFacts } from '../../api/rows.ts';
import { Button } from '../../ui/Button.tsx';
import { dayAfter, dayOf, today } from '../../ui/day.ts';
import { Select } from '../../ui/Select.tsx';
import { TextField } from '../../ui/TextField.tsx';
import { WEEKDAYS } from '../../words/season.ts';
import { drawnSeason, SeasonPicture } from './SeasonPicture.tsx';

/** A first season: so many days, twice a week; load is looked back at over so many. */
const FIRST = { days: 83, weekdays: [2, 4], leastBalls: 60 } as const;
const LOOKS_BACK = 28;

/** Balls of a usual week of late. */
function usualWeek(load: readonly { day: number; swings: number }[]): number {
  const since = dayOf(today()) - LOOKS_BACK;
  const swings = load.filter(({ day }) => day > since).reduce((sum, each) => sum + each.swings, 0);
  return Math.max(FIRST.leastBalls, Math.round((swings * 7) / LOOKS_BACK));
}

/** What a season is to be, with its picture as it would be. @param from one that is changed; null for one that begins today */
export function SeasonForm({
  player,
  facts,
  load,
  from,
  onKeep,
  onClose,
}: {
  player: PlayerRow;
  facts: SeasonFacts;
  load: readonly { day: number; swings: number }[];
  from: SeasonDocument | null;
  onKeep: (season: SeasonDocument) => void;
  onClose: () => void;
}) {
  const [season, setSeason] = useState<SeasonDocument>(() => {
    if (from && facts.ladders.some(({ id }) => id === from.ladderId)) return from;
    const { season: old } = player;
    const wanted = facts.ladders.find(({ id }) => id === old?.ladderId) ?? facts.ladders.find(({ at }) => at !== null) ?? facts.ladders[0]!;
    const after = old && dayOf(old.to) >= dayOf(today()) + SEASON_BOUNDS.days[0] ? old.to : dayAfter(today(), FIRST.days);
    return {
      ladderId: wanted.id,
      from: today(),
      to: after,
      weekdays: old?.weekdays ?? [...FIRST.weekdays],
      restsArm: old?.restsArm ?? diamondOf(wanted.sport) !== null,
      ballsAWeek: usualWeek(load),
      fromRung: wanted.at ?? 0,
    };
  });
  const set = (part: Partial<SeasonDocument>): void => setSeason((now) => ({ ...now, ...part }));
  const restId = useId();
  const ladder = facts.ladders.find(({ id }) => id === season.ladderId)!;
  const days = dayOf(season.to) - dayOf(season.from);
  const {
    days: [leastDays, mostDays],
    ballsAWeek: [leastBalls, mostBalls],
  } = SEASON_BOUNDS;
  const problem = Number.isNaN(days)
    ? 'A day such as 14 March'
    : days < leastDays
      ? 'Two weeks at least'
      : days > mostDays
        ? 'A year at most'
        : undefined;
  const ballsProblem =
    Number.isInteger(season.ballsAWeek) && season.ballsAWeek >= leastBalls && season.ballsAWeek <= mostBalls
      ? undefined
      : 'From 10 to 3,000';
  const isGood = problem === undefined && ballsProblem === undefined && season.weekdays.length > 0;
  const toggle = (day: number): void =>
    set({
      weekdays: season.weekdays.includes(day)
        ? season.weekdays.filter((each) => each !== day)
        : [...season.weekdays, day].sort((a, b) => a - b),
    });
  return (
    <form
      aria-label="A season"
      className="mt-1"
      onSubmit={(event) => {
        event.preventDefault();
        if (isGood) onKeep(season);
      }}
    >
      <div className="grid grid-cols-2 items-start gap-3">
        <Select
          className="col-span-2"
          label="Ladder, up to its last rung"
          value={season.ladderId}
          options={facts.ladders.map(({ id, name, rungs }) => [id, `${name} (${rungs} ${rungs === 1 ? 'rung' : 'rungs'})`] as const)}
          onChange={(id: LadderId) => {
            const to = facts.ladders.find((each) => each.id === id)!;
            set({ ladderId: id, fromRung: to.at ?? 0, restsArm: diamondOf(to.sport) !== null });
          }}
        />
        <Select
          label="Begins on"
          value={String(Math.min(season.fromRung, ladder.rungs - 1))}
          options={Array.from({ length: ladder.rungs }, (_, i) => [
            String(i),
            ladder.names?.[i] ? `${i + 1} ${ladder.names[i]}` : `Rung ${i + 1}`,
          ])}
          onChange={(rung) => set({ fromRung: Number(rung) })}
        />
        <TextField
          label="For the day"
          type="date"
          required
          value={season.to}
          problem={problem}
          onChange={({ target }) => set({ to: target.value })}
        />
        <TextField
          label="Balls of the first week"
          type="number"
          inputMode="numeric"
          min={leastBalls}
          max={mostBalls}
          value={Number.isNaN(season.ballsAWeek) ? '' : season.ballsAWeek}
          problem={ballsProblem}
          onChange={({ target }) => set({ ballsAWeek: target.valueAsNumber })}
        />
        <label className="flex min-h-11 items-center gap-2 self-end" htmlFor={restId}>
          <input
            id={restId}
            type="checkbox"
            className="checkbox"
            checked={season.restsArm}
            onChange={({ target }) => set({ restsArm: target.checked })}
          />
          Throws or serves: a day in between
        </label>
      </div>
      <fieldset className="mt-2">
        <legend className="text-sm font-medium text-quiet">Comes on</legend>
        <div className="grid max-w-md grid-cols-7 gap-1">
          {WEEKDAYS.map((name, i) => (
            <Button
              key={name}
              look={season.weekdays.includes(i + 1) ? 'primary' : 'outline'}
              className="px-0"
              aria-pressed={season.weekdays.includes(i + 1)}
              onClick={() => toggle(i + 1)}
            >
              {name}
            </Button>
          ))}
        </div>
        {season.weekdays.length === 0 && <p className="mt-1 font-medium text-error">Choose at least one day of the week.</p>}
      </fieldset>
      {isGood && (
        <div className="mt-3">
          <SeasonPicture drawn={drawnSeason(player, season, ladder, facts, load)} ladder={ladder} season={season} />
        </div>
      )}
      <div className="mt-3 flex flex-wrap gap-2">
        <Button look="primary" size="l" type="submit" disabled={!isGood}>
          Keep the season
        </Button>
        <Button size="l" onClick={onClose}>
          Not now
        </Button>
      </div>
    </form>
  );
}
