// @vitest-environment happy-dom
import { firstSetup, type Setup, SPORT_RECORDS } from '@good-arc/core';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, test } from 'vitest';
import type { PlayerRow } from '../src/api/rows.ts';
import { ArmSlots } from '../src/views/bench/ArmSlots.tsx';
import { PitchMovement } from '../src/views/bench/PitchMovement.tsx';
import { workedOut } from '../src/views/bench/useBench.ts';
import { RungHead } from '../src/views/courtside/RungHead.tsx';
import { sayAside, sayClock } from '../src/words/movement.ts';
import { document } from './support/courtside.tsx';
import { profileOf } from './support/rig.ts';

const machine = {
  version: 1,
  id: 'm1',
  name: 'Flint',
  profile: profileOf('Two-wheel pitching machine'),
  dials: [],
  today: null,
  linkAddress: '',
  notes: '',
};
const setupOf = (over: Partial<Setup>, sport: 'baseball' | 'tennis' = 'baseball'): Setup => ({
  ...firstSetup({ id: 'c1', sport, surfaceId: SPORT_RECORDS[sport].surfaces[0]!.id }, machine, 'Advanced', 0),
  ...over,
});

/** What the movement of a pitch says. */
function moved(over: Partial<Setup>): string {
  const setup = setupOf(over);
  const { thrown, game } = workedOut(setup, machine).arrangement;
  const { container } = render(<PitchMovement setup={setup} launch={thrown!.launch} game={game} />);
  return [...container.querySelectorAll('h3, dt, dd')].map(({ textContent }) => textContent).join(' ');
}

describe('movement', () => {
  test('is said by the arm, spin as a clock, beside the same of the game ball', () => {
    const text = moved({ gameBallId: 'baseball-slider-college', from: { x: 0.4, y: 14, z: 1.4 } });
    expect(text).toContain('Movement, for a right-hander');
    expect(text).toMatch(/Sideways none game \d+ in glove side/);
    expect(text).toMatch(/Spin 1500 rpm, 12:00 game 2400 rpm, 9:00/);
    expect(text).toMatch(/Active 100 % game 35 %/);
    expect(moved({ gameBallId: 'baseball-slider-left-college' })).toMatch(/for a left-hander.*game \d+ in glove side.*3:00/);
  });
  test('without a game ball the machine’s own side says whose arm it stands in for', () => {
    expect(moved({ gameBallId: '', from: { x: 0.4, y: 14, z: 1.4 } })).toContain('for a left-hander');
    const text = moved({ gameBallId: '', from: { x: -0.4, y: 14, z: 1.4 } });
    expect(text).toContain('for a right-hander');
    expect(text).not.toContain('game');
  });
  test.each([
    [12, '12:00'],
    [0.1, '12:00'],
    [1.5, '1:30'],
    [11.99, '12:00'],
    [9.13, '9:15'],
  ])('%s hours are %s', (hour, said) => expect(sayClock(hour)).toBe(said));
  test('the arm’s side is the side of the arm, whichever that is', () => {
    const print = (m: number): string => `${m} m`;
    // x grows toward first base, where a left-hander’s arm is
    expect([
      sayAside(0.2, 'left', print),
      sayAside(0.2, 'right', print),
      sayAside(-0.2, 'right', print),
      sayAside(0.001, 'right', print),
    ]).toEqual(['0.2 m arm side', '0.2 m glove side', '0.2 m arm side', 'none']);
  });
});

test('one tap places the machine in an arm’s slot, and the one it stands in is marked; who has no arm has no slots', async () => {
  const setup = setupOf({ gameBallId: 'baseball-fastball-college' });
  const game = workedOut(setup, machine).arrangement.game!.ball;
  const changes: Partial<Setup>[] = [];
  const page = render(<ArmSlots setup={setup} game={game} onChange={(part) => changes.push(part)} />);
  expect(screen.getAllByRole('button', { pressed: false })).toHaveLength(6);
  await userEvent.click(screen.getByRole('button', { name: 'Left-hander, over the top' }));
  page.rerender(<ArmSlots setup={{ ...setup, ...changes[0] }} game={game} onChange={() => {}} />);
  expect(screen.getByRole('button', { pressed: true }).getAttribute('aria-label')).toBe('Left-hander, over the top');
  page.rerender(<ArmSlots setup={setupOf({}, 'tennis')} game={null} onChange={() => {}} />);
  expect(screen.queryByRole('button')).toBeNull();
});

test('a hitter who stands on the other side than the rung has it is told so; who does not, is not', () => {
  const atPlate = {
    ...document,
    feeds: document.feeds.map((feed) => ({ ...feed, stroke: 'swing' as const })),
    player: { start: { x: -0.75, y: 0.43 }, recover: null },
  };
  const says = (player: Pick<PlayerRow, 'hand' | 'bats'>): string => {
    const page = render(
      <RungHead
        {...{ document: atPlate, player, sport: 'baseball' as const }}
        number={1}
        courtName="Cage 1"
        machine={machine}
        playerName="Sam"
        thrown={null}
      />,
    );
    const text = page.container.textContent!;
    page.unmount();
    return text;
  };
  expect(says({ hand: 'right', bats: 'left' })).toContain('Sam, bats left: the other box');
  expect(says({ hand: 'left', bats: null })).toContain('bats left');
  expect(says({ hand: 'left', bats: 'right' })).not.toContain('bats');
  expect(says({ hand: 'right', bats: null })).not.toContain('bats');
  expect(says({ hand: 'right', bats: 'both' })).not.toContain('bats');
});
