import { mostSwings, type SeasonDocument, seasonWeeks, weekFact } from '@good-arc/core';
import type { PlayerRow, SeasonFacts, SeasonLadder } from '../../api/rows.ts';
import { ageOf } from '../../ui/around.ts';
import { dayOf, today } from '../../ui/day.ts';
import { later } from '../../ui/later.tsx';
import { sayPace } from '../../words/season.ts';
import { dayName } from './PlayerProgress.tsx';
import type { DrawnWeek } from './SeasonChart.tsx';

const SeasonChart = later(async () => (await import('./SeasonChart.tsx')).SeasonChart, <p className="h-56">Drawing …</p>);

/** A season worked out for a player, with what became of each week. */
export function drawnSeason(
  player: PlayerRow,
  season: SeasonDocument,
  ladder: SeasonLadder,
  { runs }: Pick<SeasonFacts, 'runs'>,
  load: readonly { day: number; swings: number }[],
) {
  const mostADay = mostSwings(ageOf(player), player.level, ladder.sport);
  const now = dayOf(today());
  const whole = seasonWeeks(season, { firstDay: dayOf(season.from), lastDay: dayOf(season.to), rungs: ladder.rungs, mostADay });
  const onLadder = runs.filter(({ ladderId }) => ladderId === season.ladderId);
  const weeks = whole.weeks.map(
    (week): DrawnWeek => ({
      name: dayName(week.firstDay),
      week,
      fact: weekFact(season, whole, week, { load, runs: onLadder, mostADay, today: now }),
      isNow: now >= week.firstDay && now <= week.lastDay,
    }),
  );
  return { ...whole, weeks, mostADay };
}

/** The picture of a season, and whether there is time for it. */
export function SeasonPicture({
  drawn,
  ladder,
  season,
}: {
  drawn: ReturnType<typeof drawnSeason>;
  ladder: SeasonLadder;
  season: SeasonDocument;
}) {
  const climbs = Math.max(0, ladder.rungs - 1 - season.fromRung);
  return (
    <>
      <SeasonChart weeks={drawn.weeks} rungs={ladder.rungs} />
      <p className="mt-1">
        {sayPace(drawn.pace, climbs)}
        {drawn.isCapped && ` No more than ${drawn.mostADay} a day, for the age.`}
      </p>
      <p className="text-quiet">
        Pale: planned, dashed where a week eases and ends with a test. Dark: hit. Line: the rung to be on; dots: the one that was reached.
      </p>
    </>
  );
}
