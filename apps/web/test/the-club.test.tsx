// @vitest-environment happy-dom
import { act, render, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, test, vi } from 'vitest';
import type { ClubFacts, Kit } from '../src/api/rows.ts';
import { ForCoaches } from '../src/ui/ForCoaches.tsx';
import { showsToasts, toastsAreThere } from '../src/ui/toast.ts';
import KitView from '../src/views/kit/KitView.tsx';
import { aClub, type ME } from './support/club.ts';
import { aPage } from './support/page.ts';
import { aViewer } from './support/viewer.ts';

const kit: Kit = { players: [], squads: [], courts: [], balls: [], machines: [], gameBalls: [] };

/** Kit as its owner opens it; the server takes all, and gives links. */
function opened(club: ClubFacts = aClub(), hasSession = true) {
  const page = aPage(({ path }) => (path.endsWith('/link') ? { status: 200, body: { token: 'a-token' } } : undefined));
  render(<KitView viewer={aViewer({ units: 'metric', personName: 'Hanne Veldt', hasSession })} kit={kit} club={club} at="players" />);
  const people = () =>
    within(screen.getByRole('list', { name: 'People who sign in' }))
      .getAllByRole('listitem')
      .map((each) => each.textContent);
  return { ...page, people };
}

test('where a coach would keep something, a helper reads why they cannot', () => {
  aPage();
  const { container, rerender } = render(<ForCoaches may={false}>Keep it</ForCoaches>);
  expect(container.textContent).toBe('You run rounds here; a coach keeps ladders, plans and kit.');
  rerender(<ForCoaches may>Keep it</ForCoaches>);
  expect(container.textContent).toBe('Keep it');
});

describe('the club in Kit', () => {
  test('who is added is shown a link at once, which is theirs', async () => {
    const { user, asked, people } = opened();
    await user.click(screen.getByRole('button', { name: 'Add a person' }));
    await user.type(await screen.findByLabelText('Name'), 'Tam Orrel');
    await user.selectOptions(screen.getByLabelText('May change'), 'helper');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    const link = (await screen.findByLabelText('Link')) as HTMLInputElement;
    expect(link.value).toBe(`${location.origin}/enter?token=a-token`);
    expect((await screen.findByRole('dialog')).textContent).toContain('signed in as Tam Orrel');
    expect(asked.map(({ method, path, body }) => [method, path.replace(/[0-9a-f-]{36}/, 'ID'), body])).toEqual([
      ['PUT', 'people/ID', { name: 'Tam Orrel', role: 'helper' }],
      ['POST', 'people/ID/link', {}],
    ]);
    expect(people()).toEqual([expect.stringContaining('Hanne Veldt (you)'), expect.stringContaining('Helper: runs rounds')]);
  });
  test('a name that is missing is said at its field, and nothing is sent', async () => {
    const { user, asked } = opened();
    await user.click(screen.getByRole('button', { name: 'Add a person' }));
    await screen.findByLabelText('Name');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    expect(await screen.findByRole('alert')).toBeTruthy();
    expect(asked).toEqual([]);
  });
  test('who is removed is back by Undo; an owner cannot remove or demote themselves', async () => {
    const said = vi.fn<(text: string, more: { action: { onClick: () => void } }) => void>();
    showsToasts(() => {})();
    toastsAreThere({ toast: said } as never);
    const tam = { id: '01890000-0000-7000-8000-0000000000bb' as typeof ME, name: 'Tam Orrel', role: 'coach' as const };
    const { user, asked, people } = opened(aClub({ people: [...aClub().people!, tam] }));
    expect(screen.queryByRole('button', { name: 'Remove Hanne Veldt' })).toBeNull();
    await user.click(screen.getByRole('button', { name: 'Change Hanne Veldt' }));
    expect((await screen.findByLabelText<HTMLInputElement>('Name')).value).toBe('Hanne Veldt');
    expect(screen.queryByLabelText('May change')).toBeNull();
    await user.click(screen.getByRole('button', { name: 'Close' }));
    await user.click(screen.getByRole('button', { name: 'Remove Tam Orrel' }));
    await waitFor(() => expect(people()).toHaveLength(1));
    expect(asked.at(-1)).toMatchObject({ method: 'DELETE', path: `people/${tam.id}` });
    await waitFor(() => expect(said).toHaveBeenCalled());
    act(() => said.mock.calls[0]![1].action.onClick());
    await waitFor(() => expect(people()).toHaveLength(2));
    expect(asked.at(-1)).toMatchObject({ method: 'PUT', path: `people/${tam.id}`, body: { name: 'Tam Orrel', role: 'coach' } });
    showsToasts(() => {})();
  });
  test('its height is typed in any unit, and said', async () => {
    const { user, asked } = opened();
    await user.click(screen.getByRole('button', { name: 'Change the club' }));
    const height = await screen.findByLabelText(/^Height above the sea/);
    await user.clear(height);
    await user.type(height, '5280 ft');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(asked).toHaveLength(1));
    expect(asked[0]!.body.altitudeM).toBeCloseTo(1609.3, 0);
    await waitFor(() => expect(screen.getByText(/1,610 m up/)).toBeTruthy());
  });
  test('a coach sees the club and changes nothing of it, but signs in on another device', async () => {
    const { user } = opened(aClub({ mayChange: false, people: null }));
    expect(screen.queryByRole('button', { name: 'Change the club' })).toBeNull();
    expect(screen.queryByRole('button', { name: 'Add a person' })).toBeNull();
    await user.click(screen.getByRole('button', { name: 'Sign in on another device' }));
    await screen.findByLabelText('Link');
    expect((await screen.findByRole('dialog')).textContent).not.toContain('signed in as');
  });
});
