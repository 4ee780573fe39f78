// @vitest-environment happy-dom
import { render, screen, waitFor } from '@testing-library/react';
import { expect, test } from 'vitest';
import { proposedName } from '../src/views/logbook/Filters.tsx';
import { SavedViews } from '../src/views/logbook/SavedViews.tsx';
import { aPage } from './support/page.ts';

const views = [{ name: 'Backhand, spring', query: 'ladder=2&from=2026-03-01' }];

test('what is chosen is kept under a name, opened again, and taken out', async () => {
  const { asked, user } = aPage();
  render(<SavedViews views={views} query="player=1" proposed="Ines Rookwood" />);
  expect(screen.getByRole('link', { name: 'Backhand, spring' }).getAttribute('href')).toBe('/logbook?ladder=2&from=2026-03-01');
  await user.click(screen.getByRole('button', { name: 'Keep this view' }));
  const name = screen.getByLabelText('Its name');
  expect(name).toHaveProperty('value', 'Ines Rookwood');
  await user.clear(name);
  await user.type(name, 'Ines, all{Enter}');
  expect(await screen.findByRole('link', { name: 'Ines, all', current: 'page' })).toBeTruthy();
  await user.click(screen.getByRole('button', { name: 'Take out Backhand, spring' }));
  await waitFor(() => expect(asked).toHaveLength(2));
  expect(asked.map(({ path, body }) => [path, body.view])).toEqual([
    ['me', { name: 'Ines, all', query: 'player=1', kept: true }],
    ['me', { ...views[0], kept: false }],
  ]);
  expect(screen.queryByRole('link', { name: 'Backhand, spring' })).toBeNull();
});

test('with nothing chosen and nothing kept there is nothing to see; a server that is away keeps what was typed', async () => {
  aPage();
  expect(render(<SavedViews views={[]} query="" proposed="" />).container.textContent).toBe('');
  const { user } = aPage(() => ({ status: 500 }));
  render(<SavedViews views={[]} query="player=1" proposed="Ines" />);
  await user.click(screen.getByRole('button', { name: 'Keep this view' }));
  await user.click(screen.getByRole('button', { name: 'Keep it' }));
  await waitFor(() => expect(screen.getByLabelText('Its name')).toHaveProperty('value', 'Ines'));
  expect(screen.queryByRole('link')).toBeNull();
});

test('a choice is named by what was chosen', () => {
  const rows = [{ id: '1', name: 'Ines' }];
  expect(proposedName({ player: '1', ladder: null, from: '2026-03-01', to: null, word: 'wind' }, rows, [])).toBe(
    'Ines, from 2026-03-01, “wind”',
  );
});
