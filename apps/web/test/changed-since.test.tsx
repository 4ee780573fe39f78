// @vitest-environment happy-dom
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import type { Kit } from '../src/api/rows.ts';
import KitView from '../src/views/kit/KitView.tsx';
import { aClub } from './support/club.ts';
import { aPage } from './support/page.ts';
import { aPlayer } from './support/player.ts';
import { aViewer } from './support/viewer.ts';

const viewer = aViewer({ units: 'metric' });
const ada = aPlayer({ id: 'a', version: 3, name: 'Ada Thorne' });
const kit: Kit = { players: [ada], squads: [], courts: [], balls: [], machines: [], gameBalls: [] };
const theirs = { ...ada, version: 5, level: 'Competing', notes: 'Came back.' };

/** The form of a player whom somebody else changed meanwhile, as it is saved. */
async function saved() {
  const page = aPage(({ method, seen }) => {
    if (method !== 'PUT') return undefined;
    if (seen === '"5"') return { status: 200, body: { version: 6 } };
    return { status: 409, body: { type: '/problems/changed-since', title: 'Changed', status: 409, errors: [], current: theirs } };
  });
  render(<KitView viewer={viewer} kit={kit} club={aClub()} at="players" />);
  await page.user.click(screen.getByRole('button', { name: 'Change Ada Thorne' }));
  await page.user.type(await screen.findByLabelText('Goals'), 'A calm return');
  await page.user.click(screen.getByRole('button', { name: 'Save' }));
  expect((await screen.findByRole('alert')).textContent).toContain('Somebody else has changed “Ada Thorne”');
  return { ...page, puts: () => page.asked.filter(({ method }) => method === 'PUT') };
}

describe('a form that somebody else saved meanwhile', () => {
  test('both: mine where I changed something, theirs elsewhere', async () => {
    const { user, puts } = await saved();
    await user.click(screen.getByRole('button', { name: /^Both/ }));
    await waitFor(() => expect(puts()).toHaveLength(2));
    expect(puts().map(({ seen }) => seen)).toEqual(['"3"', '"5"']);
    expect(puts()[1]!.body).toMatchObject({ level: 'Competing', notes: 'Came back.', goals: 'A calm return' });
    await waitFor(() => expect(screen.getByText(/Competing · right-handed · 1.70 m · goal: A calm return/)).toBeTruthy());
  });
  test('mine: as I typed it, knowingly', async () => {
    const { user, puts } = await saved();
    await user.click(screen.getByRole('button', { name: 'Mine' }));
    await waitFor(() => expect(puts()).toHaveLength(2));
    expect(puts()[1]).toMatchObject({ seen: '"5"', body: { level: 'Building', notes: '', goals: 'A calm return' } });
  });
  test('theirs: shown in the form, and a further change goes on from it', async () => {
    const { user, puts } = await saved();
    await user.click(screen.getByRole('button', { name: 'Theirs' }));
    expect((screen.getByLabelText('Goals') as HTMLInputElement).value).toBe('');
    expect((screen.getByLabelText('Level') as HTMLSelectElement).value).toBe('Competing');
    expect(puts()).toHaveLength(1);
    await user.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(puts()).toHaveLength(2));
    expect(puts()[1]).toMatchObject({ seen: '"5"', body: { level: 'Competing', bornYear: null, goals: '' } });
    cleanup();
  });
});
