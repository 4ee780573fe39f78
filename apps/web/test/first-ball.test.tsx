// @vitest-environment happy-dom
import { arrange, type Dial, firstDials, firstSetup, isTrimOf, type RungDocument, rungFromSetup } from '@good-arc/core';
import { screen, waitFor, within } from '@testing-library/react';
import { expect, test } from 'vitest';
import { button, commands, document, hear, id, machine, profile, props, ready, show, status, takes, wired } from './support/courtside.tsx';
import { profileOf, straightCurve } from './support/rig.ts';

const tuned = firstDials(profile).map((dial): Dial => {
  if (dial.moves === 'topspin') return dial;
  return { ...dial, curve: dial.moves === 'elevation' ? straightCurve(...profile.elevationDeg) : straightCurve(...profile.speedMps) };
});
const { target } = document.feeds[0]!;
if (target.kind !== 'landing') throw new Error('a ball that lands');
type User = ReturnType<typeof show>['user'];

/** Marks a ball on the plan with the keys, so far from the target: in steps of a quarter metre. */
async function mark(user: User, off: { x: number; y: number } = { x: 0, y: 0 }): Promise<void> {
  const plan = screen.getByRole('application');
  plan.focus();
  const cross = (): { x: number; y: number } => {
    const [x = 0, y = 0] = (plan.dataset.cross ?? '').split(' ').map(Number);
    return { x, y };
  };
  await user.keyboard('{ArrowUp}');
  const wanted = { x: target.kind === 'landing' ? target.x + off.x : 0, y: target.kind === 'landing' ? target.y + off.y : 0 };
  const go = async (key: 'x' | 'y', keys: readonly [string, string]): Promise<void> => {
    for (let i = 0; i < 200 && Math.abs(cross()[key] - wanted[key]) > 0.13; i++) {
      const before = Math.abs(cross()[key] - wanted[key]);
      await user.keyboard(`{${keys[0]}}`);
      if (Math.abs(cross()[key] - wanted[key]) > before) await user.keyboard(`{${keys[1]}}{${keys[1]}}`);
    }
  };
  await go('x', ['ArrowUp', 'ArrowDown']);
  await go('y', ['ArrowLeft', 'ArrowRight']);
  await user.keyboard('{Enter}');
}
const inARow = (): string => screen.getByTestId('in-a-row').textContent!;
const next = () => within(screen.getByTestId('next-trim'));

test('by hand: one ball tells little, two say what to turn in clicks or else; two in a row, and into the round with what was turned', async () => {
  const { asked, user } = show({ machine: { ...machine, dials: tuned } });
  await user.click(button('First ball by itself'));
  expect(inARow()).toBe('0 in a row of 2');
  await mark(user, { x: 0, y: 1.5 });
  expect(next().getByText(/One ball tells little/)).toBeTruthy();
  await mark(user, { x: 0, y: 2 });
  const [first, or] = next().getAllByRole('button');
  expect(first!.textContent).toMatch(/^Done: Elevation (up|down) \d+ clicks?, to /);
  expect(or!.textContent).toMatch(/^Done: Speed (up|down) \d+ clicks?, to /);
  await user.click(first!);
  expect(next().getByText(/with the new setting/)).toBeTruthy();
  await mark(user);
  await mark(user, { x: 0.25, y: 0 });
  expect(inARow()).toBe('2 in a row: it is right');
  await user.click(button('Back to the set-up'));
  const set = screen.getByLabelText('Set it up', { selector: 'dl' });
  const elevation = /to (.*)$/.exec(first!.textContent!)![1]!;
  expect(within(set).getByText(`Elevation ${elevation}`)).toBeTruthy();
  await user.click(button('First ball by itself'));
  await user.click(button('Begin the round'));
  await user.keyboard('j');
  await user.click(button('Finish round'));
  await waitFor(() => expect(asked.at(-1)!.path).toMatch(/finish$/));
  expect(asked.at(-1)!.body.notes).toBe(`From ball 1: trimmed: Elevation ${elevation}.`);
  // the round is one of the card: hands turned the machine, not the ball that is asked for
  expect(asked.find(({ path }) => /^rounds\/[^/]+$/.test(path))!.body.card).toEqual(props().rung.document);
});

test('undo takes a turn back, too; as on the card after all', async () => {
  const { user } = show({ machine: { ...machine, dials: tuned } });
  await user.click(button('First ball by itself'));
  await mark(user, { x: 0, y: 5 });
  await user.click(next().getAllByRole('button')[0]!);
  await user.click(button('Back to the set-up'));
  expect(screen.getByText('Trimmed')).toBeTruthy();
  await user.click(button('As on the card after all'));
  expect(screen.queryByText('Trimmed')).toBeNull();
  await user.click(button('First ball by itself'));
  await mark(user, { x: 0, y: 5 });
  await user.click(next().getAllByRole('button')[0]!);
  await user.click(button('Undo the last tap'));
  await user.click(button('Back to the set-up'));
  expect(screen.queryByText('Trimmed')).toBeNull();
});

test('on a line: it throws one of the rung, turned as was said, and then the round so; the card stays', async () => {
  const { asked, user } = show({ machine: wired }, takes);
  await hear(status('idle'));
  await user.click(button('First ball by itself'));
  await hear(status('idle'));
  await user.click(button('Throw one'));
  const test = () => commands(asked).filter((each) => each.do === 'test');
  await waitFor(() => expect(test()).toHaveLength(1));
  expect(test()[0]).toMatchObject({ count: 1, launch: document.feeds[0]!.launch });
  await hear(status('idle'));
  await mark(user, { x: 3, y: 0 });
  const [turn] = next().getAllByRole('button');
  expect(turn!.textContent).toMatch(/^Set it so: turn it [\d.]+° (left|right)/);
  await user.click(turn!);
  await user.click(button('Throw one'));
  await waitFor(() => expect(test()).toHaveLength(2));
  const { bearingDeg } = test()[1]!.launch as { bearingDeg: number };
  expect(Math.abs(bearingDeg - document.feeds[0]!.launch.bearingDeg)).toBeGreaterThan(1);
  await hear(status('idle'));
  await user.click(await ready('Arm for the round'));
  await waitFor(() => expect(commands(asked).at(-1)!.do).toBe('arm'));
  const armed = commands(asked).at(-1)!.document as RungDocument;
  expect(armed.feeds[0]!.launch.bearingDeg).toBeCloseTo(bearingDeg, 9);
  expect(isTrimOf(armed, document)).toBe(true);
  await waitFor(() => expect(asked.find(({ path }) => /^rounds\/[^/]+$/.test(path))?.body.card).toEqual(document));
});

test('over a plate: where it passed is marked with keys, too; low in the window asks for the elevation', async () => {
  const field = profileOf('Two-wheel pitching machine');
  const cage = { id: id(1), sport: 'baseball' as const, surfaceId: 'baseball-turf' as const };
  const setup = firstSetup(cage, { id: id(2), profile: field }, 'Competing', 0);
  const pitch = rungFromSetup(setup, arrange(setup, field), {
    name: 'Straight',
    focalPoint: '',
    ballsPerRound: 5,
    rounds: 1,
    gate: { hits: 3, of: 5 },
  })!;
  const { user } = show({
    machine: { ...machine, profile: field },
    ladder: { id: id(9), name: 'Climb', sport: 'baseball', approach: 'earn-it' },
    rung: { id: id(5), ladderId: id(9), position: 0, document: pitch },
  });
  await user.click(button('First ball by itself'));
  const plan = screen.getByRole('application');
  for (const downs of [6, 8]) {
    plan.blur();
    plan.focus();
    await user.keyboard(`${'{ArrowDown}'.repeat(downs)}{Enter}`);
  }
  expect(next().getAllByRole('button')[0]!.textContent).toMatch(/^Done: elevation up/);
});
