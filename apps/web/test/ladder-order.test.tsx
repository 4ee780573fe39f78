// @vitest-environment happy-dom
import { render, screen, waitFor, within } from '@testing-library/react';
import { beforeEach, expect, test } from 'vitest';
import type { LadderRow } from '../src/api/rows.ts';
import { moved } from '../src/ui/moved.ts';
import LadderPage from '../src/views/ladders/LadderPage.tsx';
import { document, id } from './support/courtside.tsx';
import { aPage } from './support/page.ts';
import { aViewer } from './support/viewer.ts';

const ladder: LadderRow = {
  ...{ id: id(5), version: 1, name: 'Forehand', sport: 'tennis', level: 'Building', approach: 'in-a-row', origin: null },
  rungs: ['Kind', 'Deeper', 'Quicker'].map((name, position) => ({
    id: id(20 + position),
    ladderId: id(5),
    position,
    document: { ...document, name },
  })),
};
const kit = { players: [], squads: [], courts: [], balls: [], machines: [], gameBalls: [] };
const shown = (canPlan = true) =>
  render(<LadderPage viewer={aViewer({ canPlan })} kit={kit} ladder={ladder} rates={[]} verdicts={[]} thumbs={[]} drill={null} />);
const order = () =>
  within(screen.getByRole('list', { name: 'Rungs, hardest first' }))
    .getAllByRole('heading')
    .map(({ textContent }) => textContent);

let page: ReturnType<typeof aPage>;
let user: typeof page.user;
beforeEach(() => {
  page = aPage(() => ({ status: 200, body: { version: 2 } }));
  user = page.user;
});
/** What is kept, from the bottom. */
const kept = (...names: string[]) =>
  waitFor(() => expect(page.asked.at(-1)?.body.rungs.map((rung: { document: { name: string } }) => rung.document.name)).toEqual(names));

test('an arrow key on its grip moves a rung, says where it is now, and stays with it', async () => {
  shown();
  screen.getByRole('button', { name: 'Move rung 3, Quicker' }).focus();
  await user.keyboard('{ArrowDown}');
  expect(order()).toEqual(['Deeper', 'Quicker', 'Kind']);
  expect(screen.getByText('“Quicker” is rung 2 of 3 now.')).toBeTruthy();
  await user.keyboard('{ArrowDown}{ArrowDown}');
  expect(order()).toEqual(['Deeper', 'Kind', 'Quicker']);
  expect(screen.getByText('“Quicker” is rung 1 of 3 now.')).toBeTruthy();
  await kept('Quicker', 'Kind', 'Deeper');
});

test('elsewhere on a rung the arrow keys need Alt', async () => {
  shown();
  screen.getByRole('link', { name: 'Kind' }).focus();
  await user.keyboard('{ArrowUp}');
  expect(order()).toEqual(['Quicker', 'Deeper', 'Kind']);
  await user.keyboard('{Alt>}{ArrowUp}{/Alt}');
  expect(order()).toEqual(['Quicker', 'Kind', 'Deeper']);
  await kept('Deeper', 'Kind', 'Quicker');
});

test('who may only look moves nothing', async () => {
  shown(false);
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Move rung 3, Quicker' }).disabled).toBe(true);
  screen.getByRole('link', { name: 'Kind' }).focus();
  await user.keyboard('{Alt>}{ArrowUp}{/Alt}');
  expect(order()).toEqual(['Quicker', 'Deeper', 'Kind']);
});

test('a list with an entry at another place', () => {
  expect(moved(['a', 'b', 'c'], 0, 2)).toEqual(['b', 'c', 'a']);
  expect(moved(['a', 'b', 'c'], 2, 1)).toEqual(['a', 'c', 'b']);
  expect(moved(['a', 'b', 'c'], 2, 3)).toEqual(['a', 'b', 'c']);
});
