// @vitest-environment happy-dom
import { compareRates, ownScatter } from '@good-arc/core';
import { render, screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { renderToString } from 'react-dom/server';
import { describe, expect, test } from 'vitest';
import type { PlayerRow } from '../src/api/rows.ts';
import { today } from '../src/ui/day.ts';
import { Units } from '../src/ui/Units.tsx';
import { DayChart } from '../src/views/logbook/DayChart.tsx';
import { PlayerProgress } from '../src/views/logbook/PlayerProgress.tsx';
import type { ShownProgress } from '../src/views/logbook/shown.ts';
import { saySides, saySizedBy } from '../src/words/logbook.ts';
import { aPage } from './support/page.ts';
import { aPlayer } from './support/player.ts';

const player = aPlayer({ heightM: 1.68, bornYear: new Date().getFullYear() - 13 });
/** A page that keeps what is put. */
function Page({ strokes, aims }: { strokes: ShownProgress['strokes']; aims: PlayerRow['aims'] }) {
  const [row, setRow] = useState<PlayerRow>({ ...player, aims });
  return (
    <Units system="metric">
      <PlayerProgress player={row} progress={{ ...progress, strokes }} onPlayer={setRow} />
    </Units>
  );
}
const scatter = ownScatter('Building').on();
const [forehand, backhand] = [
  { hits: 30, balls: 40, name: 'forehand' as const },
  { hits: 12, balls: 40, name: 'backhand' as const },
];
const side = {
  sport: 'tennis',
  of: 'wing',
  a: forehand,
  b: backhand,
  comparison: compareRates(forehand, backhand),
  ballsToTell: 0,
} as const;
const progress: ShownProgress = {
  strokes: [
    {
      sport: 'tennis',
      stroke: 'groundstroke',
      distanceM: 20,
      days: [{ day: 20_000, hits: 5, balls: 10, scatter, marks: { windMps: 4, isNewCard: true, ballId: null } }],
      trend: 'too-early',
    },
  ],
  rates: [{ sport: 'baseball', kind: 'hitting', days: [{ day: 20_000, hits: 6, balls: 8 }] }],
  sides: [side],
  load: [
    { day: 19_990, swings: 40 },
    { day: 20_000, swings: 18 },
  ],
  bestRun: { length: 4, day: 20_000 },
};

const show = (system: 'imperial' | 'metric', part: Partial<ShownProgress> = {}): string =>
  render(
    <Units system={system}>
      <PlayerProgress player={player} progress={{ ...progress, ...part }} />
    </Units>,
  ).container.textContent!;

describe('a player, looked back at', () => {
  test('in feet at the distance played, with what it could be, and no letter of statistics', () => {
    const said = show('imperial');
    // 5° at 20 m: 1.75 m
    expect(said).toContain('Two of three within 5 ft 9 in to the side');
    expect(said).toContain('Too few days to say which way it goes.');
    expect(said).toContain('Last: 6 of 8, 75 %.');
    expect(said).not.toMatch(/σ|undefined|NaN/);
    expect(screen.getAllByRole('heading').map(({ textContent }) => textContent)).toEqual([
      'Groundstrokes, tennis',
      'Hitting, baseball',
      'Load',
      'One side against the other',
    ]);
  });
  test('in metres for who reads metres; the load of seven days against what the age bears', () => {
    const said = show('metric');
    expect(said).toContain('Two of three within 1.75 m to the side');
    expect(said).toContain('18 in the last seven days of play; 75 a day is where to think. Best run: 4 in a row');
  });
  test('nothing is said of somebody without a round', () => expect(show('metric', { load: [] })).toBe(''));
  test('sides in words: a difference with its range, or how many more balls would tell', () => {
    expect(saySides(side)).toMatch(
      /^forehand 30 of 40, backhand 12 of 40: the |^forehand 30 of 40, backhand 12 of 40: backhand is hit less, by \d+ % to \d+ %\.$/,
    );
    const close = { ...backhand, hits: 28 };
    expect(saySides({ ...side, b: close, comparison: compareRates(forehand, close), ballsToTell: 900 })).toContain(
      'no difference yet: about 900 more balls would tell.',
    );
    expect(saySides({ ...side, b: close, comparison: compareRates(forehand, close), ballsToTell: null })).toContain(
      'thousands of balls would not tell.',
    );
    expect(saySizedBy('Ines', 80)).toContain('80 balls of their own');
  });
});

describe('a goal with a date', () => {
  const DAY_MS = 86_400_000;
  const now = Math.floor(Date.parse(today()) / DAY_MS);
  /** Better by so much a day, over four weeks until today. */
  const getting = (perDay: number): ShownProgress['strokes'] => [
    {
      ...progress.strokes[0]!,
      days: [28, 21, 14, 7, 0].map((ago) => {
        const sideDeg = 5 * Math.exp(perDay * (ago - 28));
        return {
          ...progress.strokes[0]!.days[0]!,
          day: now - ago,
          scatter: { sideDeg, depthShare: 0.1, interval90: [sideDeg / 1.15, sideDeg * 1.15] as const },
        };
      }),
    },
  ];
  const goal = {
    sport: 'tennis',
    stroke: 'groundstroke',
    sideM: 1.15,
    distanceM: 20,
    by: new Date((now + 28) * DAY_MS).toISOString().slice(0, 10),
  } as const;
  const page = (perDay: number, aims: (typeof goal)[]) => render(<Page strokes={getting(perDay)} aims={aims} />).container.textContent!;
  test('says where the way so far leads', () => {
    expect(page(0.012, [goal])).toMatch(/two of three within 1\.15 m to the side\. ?On course: about 1\.\d+ m by then/);
    expect(page(0, [goal])).toMatch(/Not at this pace: about 1\.7\d m by then/);
    expect(page(0, [{ ...goal, sideM: 2.2 as 1.15 }])).toMatch(/Met: 1\.75 m now/);
  });
  test('is set, kept with the player, and taken back', async () => {
    const { asked, user } = aPage(({ method }) => (method === 'PUT' ? { status: 200, body: { version: 2 } } : undefined));
    page(0.005, []);
    await user.click(screen.getByRole('button', { name: 'Set a goal' }));
    await user.click(screen.getByRole('button', { name: 'Set it' }));
    await waitFor(() => expect(asked).toHaveLength(1));
    const [put] = asked;
    expect(put).toMatchObject({ path: `kit/players/${player.id}`, seen: '"1"' });
    expect(put!.body.aims).toHaveLength(1);
    // 0.85 of what it is now
    expect(put!.body.aims[0].sideM).toBeCloseTo(0.85 * 20 * Math.tan((5 * Math.exp(-0.14) * Math.PI) / 180), 2);
    await user.click(await screen.findByRole('button', { name: 'Take it back' }));
    await waitFor(() => expect(asked).toHaveLength(2));
    expect(asked[1]).toMatchObject({ seen: '"2"', body: { aims: [] } });
  });
});

test('a chart names its days and figures beside the picture, which shows each day where it belongs', () => {
  const points = Array.from({ length: 12 }, (_, i) => ({ name: `${i + 1} Nov`, value: 2 * i, isMarked: i === 3 }));
  // as the server draws it
  document.body.innerHTML = renderToString(<DayChart label="Swings" unit="swings a day" kind="line" points={points} cap={30} />);
  const picture = screen.getByRole('img', { name: 'Swings' });
  const said = [...picture.querySelectorAll('span')].map(({ textContent }) => textContent);
  expect(said).toEqual(expect.arrayContaining(['1 Nov', '0', '30']));
  expect(said).not.toContain('2 Nov');
  const [, , wide = 0, high = 0] = picture.querySelector('svg')!.getAttribute('viewBox')!.split(' ').map(Number);
  const drawn = picture.querySelector('polyline')!.getAttribute('points')!.split(' ');
  expect(drawn).toHaveLength(12);
  // the cap has room, though nobody came near it
  const top = Math.max(...said.map(Number).filter(Number.isFinite));
  expect(top).toBeGreaterThanOrEqual(30);
  for (const [i, point] of drawn.entries()) {
    const [x, y] = point.split(',').map(Number) as [number, number];
    expect(x / wide).toBeCloseTo((i + 0.5) / 12);
    expect(top * (1 - y / high)).toBeCloseTo(2 * i, 1);
  }
});
test('bars stand on the ground, as high as their day; a picture of nothing is no error', () => {
  const of = (values: number[]) => {
    const points = values.map((value, i) => ({ name: `${i + 1} Nov`, value }));
    return render(<DayChart label={`Load ${values}`} unit="swings a day" kind="bars" points={points} />).container;
  };
  expect(of([40, 0, 20]).querySelector('path')!.getAttribute('d')).toBe('M1,1000h8V0h-8zM11,1000h8V1000h-8zM21,1000h8V500h-8z');
  expect(of([0, 0]).innerHTML).not.toContain('NaN');
});
