// @vitest-environment happy-dom
import { render, screen } from '@testing-library/react';
import { describe, expect, test, vi } from 'vitest';
import type { Findable } from '../src/api/rows.ts';
import { Find } from '../src/ui/Find.tsx';
import { aPage } from './support/page.ts';

const rows: Findable[] = [
  { what: 'player', name: 'Ines Rookwood', more: 'Building', href: '/logbook?player=1' },
  { what: 'ladder', name: 'Backhand: from kind to game', more: 'tennis', href: '/ladders/2' },
  { what: 'machine', name: 'Bramble', more: 'Two-wheel portable', href: '/machines/3' },
];
const options = (): string[] => screen.getAllByRole('option').map((each) => each.getAttribute('href')!);

describe('one field that finds anything', () => {
  test('by keys: opened, typed in, chosen, gone to', async () => {
    const { user } = aPage(() => ({ status: 200, body: rows }));
    const assign = vi.fn();
    vi.stubGlobal('location', { assign });
    render(<Find />);
    await user.keyboard('{Control>}k{/Control}');
    const field = await screen.findByRole('combobox');
    await screen.findByText('Bramble');
    await user.type(field, 'bakhand');
    expect(options()).toEqual(['/ladders/2']);
    await user.clear(field);
    await user.type(field, 'r');
    expect(options().length).toBeGreaterThan(1);
    const second = options()[1];
    await user.keyboard('{ArrowDown}{Enter}');
    expect(assign).toHaveBeenCalledWith(second);
    await user.clear(field);
    await user.type(field, 'zzzz');
    expect(screen.getByText('Nothing is called so.')).toBeTruthy();
  });
  test('a server that does not answer is said so', async () => {
    const { user } = aPage(() => ({ status: 503, body: { type: 'about:blank', title: 'The database rests.', status: 503, errors: [] } }));
    render(<Find />);
    await user.click(screen.getByRole('button', { name: /Find/ }));
    expect((await screen.findByRole('alert')).textContent).toContain('The database rests.');
  });
});
