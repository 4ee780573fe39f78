// @vitest-environment happy-dom
import type { LadderId, SeasonDocument } from '@good-arc/core';
import { render, screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { describe, expect, test } from 'vitest';
import type { PlayerRow, SeasonFacts } from '../src/api/rows.ts';
import { dayAfter, dayOf, today } from '../src/ui/day.ts';
import { SeasonSection } from '../src/views/logbook/Season.tsx';
import { drawnSeason } from '../src/views/logbook/SeasonPicture.tsx';
import { seasonCalendar } from '../src/views/logbook/seasonCalendar.ts';
import { sayFact, sayPace, sayWeekdays } from '../src/words/season.ts';
import { aPage } from './support/page.ts';
import { aPlayer } from './support/player.ts';

const LADDER = '0190f3a0-0000-7000-8000-0000000000a1' as LadderId;
const CAGE = '0190f3a0-0000-7000-8000-0000000000a2' as LadderId;
const player = aPlayer();
const facts: SeasonFacts = {
  ladders: [
    { id: LADDER, name: 'Backhand', sport: 'tennis', rungs: 4, at: 1, names: ['Groove', 'Same ball', 'Deeper', 'With weight'] },
    { id: CAGE, name: 'Cage climb', sport: 'baseball', rungs: 3, at: null, names: null },
  ],
  runs: [],
};
const load = [{ day: dayOf(today()) - 3, swings: 400 }];

function Page({ season = null, bornYear = null }: { season?: SeasonDocument | null; bornYear?: number | null }) {
  const [row, setRow] = useState<PlayerRow>({ ...player, season, bornYear });
  return <SeasonSection player={row} facts={facts} load={load} onPlayer={setRow} />;
}
const season: SeasonDocument = {
  ladderId: LADDER,
  from: dayAfter(today(), -20),
  to: dayAfter(today(), 50),
  weekdays: [1, 3, 5],
  restsArm: false,
  ballsAWeek: 90,
  fromRung: 0,
};
const aKept = () => aPage(({ method }) => (method === 'PUT' ? { status: 200, body: { version: 2 } } : undefined));

describe('a season of a player', () => {
  test('is planned from where the player stands and what they hit of late, kept, and taken back with one press', async () => {
    const { asked, user } = aKept();
    render(<Page />);
    await user.click(screen.getByRole('button', { name: 'Plan a season' }));
    expect(screen.getByLabelText('Balls of the first week')).toHaveProperty('value', '100');
    await user.click(screen.getByRole('button', { name: 'Sat' }));
    await user.click(screen.getByRole('button', { name: 'Keep the season' }));
    await waitFor(() => expect(asked).toHaveLength(1));
    expect(asked[0]).toMatchObject({ path: `kit/players/${player.id}`, seen: '"1"' });
    expect(asked[0]!.body.season).toEqual({
      ladderId: LADDER,
      from: today(),
      to: dayAfter(today(), 83),
      weekdays: [2, 4, 6],
      restsArm: false,
      ballsAWeek: 100,
      fromRung: 1,
    });
    await user.click(await screen.findByRole('button', { name: 'Take the season back' }));
    await waitFor(() => expect(asked).toHaveLength(2));
    expect(asked[1]).toMatchObject({ seen: '"2"', body: { season: null } });
    expect(await screen.findByRole('button', { name: 'Plan a season' })).toBeTruthy();
  });
  test('an arm that throws rests a day by itself on a diamond; a day too near and no weekday are said and not sent', async () => {
    const { asked, user } = aKept();
    render(<Page />);
    await user.click(screen.getByRole('button', { name: 'Plan a season' }));
    await user.selectOptions(screen.getByLabelText('Ladder, up to its last rung'), CAGE);
    expect(screen.getByLabelText('Throws or serves: a day in between')).toHaveProperty('checked', true);
    const day = screen.getByLabelText('For the day');
    await user.clear(day);
    await user.type(day, dayAfter(today(), 5));
    expect(screen.getByText('Two weeks at least')).toBeTruthy();
    for (const name of ['Tue', 'Thu']) await user.click(screen.getByRole('button', { name }));
    expect(screen.getByText('Choose at least one day of the week.')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Keep the season' })).toHaveProperty('disabled', true);
    expect(asked).toEqual([]);
  });
  test('says week by week what was planned and done; without leave to plan it is only shown', () => {
    aKept();
    const { container } = render(<SeasonSection player={{ ...player, season }} facts={facts} load={load} />);
    expect(container.textContent).toContain('Mon, Wed and Fri');
    expect(container.textContent).toMatch(/400 balls, more than planned/);
    expect(screen.queryByRole('button', { name: 'Change' })).toBeNull();
    const none = render(<SeasonSection player={player} facts={facts} load={load} />);
    expect(none.container.textContent).toBe('');
  });
  test('its days go into a calendar, those to come, each with its balls', () => {
    const ladder = facts.ladders[0]!;
    const weeks = drawnSeason({ ...player, season }, season, ladder, facts, load).weeks.map(({ week }) => week);
    const names = { player: 'Ines', ladder: 'Backhand', rung: (at: number) => ladder.names![at]! };
    const text = seasonCalendar({ playerId: player.id, season, weeks, today: dayOf(today()) }, names);
    const days = weeks.flatMap((week) => week.days).filter((day) => day >= dayOf(today()));
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(days.length);
    expect(text).toMatch(/SUMMARY:Ines: .*\d+ balls/);
  });
  test('a child’s days stay under the cap of the age, and it is said', async () => {
    const { user } = aKept();
    render(<Page bornYear={new Date().getFullYear() - 9} />);
    await user.click(screen.getByRole('button', { name: 'Plan a season' }));
    const balls = screen.getByLabelText('Balls of the first week');
    await user.clear(balls);
    await user.type(balls, '900');
    expect(screen.getByText(/No more than 180 a day, for the age/)).toBeTruthy();
  });
});

test('in words', () => {
  expect(sayWeekdays([5, 1, 3])).toBe('Mon, Wed and Fri');
  expect(sayWeekdays([2])).toBe('Tue');
  expect(sayPace({ code: 'time-enough', outingsARung: 3.25 }, 4)).toBe('4 rungs to climb, 3.3 outings for each: time enough.');
  expect(sayPace({ code: 'too-tight', outingsARung: 1 }, 1)).toMatch(/^1 rung to climb.*too few/);
  expect(sayPace({ code: 'there-already', outingsARung: null }, 0)).toMatch(/keeps it/);
  const fact = { balls: 1, rung: 1, load: 'less', climb: 'behind', overCap: [7], noRest: [8] } as const;
  expect(sayFact(fact, 3, (day) => `day ${day}`)).toBe(
    '1 ball, fewer than planned; on rung 2, 2 behind. More in a day than the age should have: day 7. No day in between: day 8.',
  );
  expect(sayFact({ ...fact, climb: 'ahead', overCap: [], noRest: [], load: null }, 0, String)).toBe('1 ball; on rung 2, ahead.');
});
