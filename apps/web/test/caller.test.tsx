// @vitest-environment happy-dom
import { render, screen, within } from '@testing-library/react';
import { expect, test } from 'vitest';
import type { Kit, LadderRow } from '../src/api/rows.ts';
import { CallSheets } from '../src/views/plan/CallSheets.tsx';
import { aPage } from './support/page.ts';
import { rungDocument } from './support/rig.ts';

const id = (n: number): string => `01890000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const document = rungDocument(id(1), id(2), 'Called');
const [feed] = document.feeds;
const ladder = {
  id: id(3),
  rungs: [
    {
      id: id(4),
      ladderId: id(3),
      position: 0,
      document: {
        ...document,
        order: { kind: 'calls', list: [1, 2, 2] },
        feeds: [
          { ...feed!, name: 'Deep' },
          { ...feed!, id: 'b2', name: 'Short', machineId: id(5) },
        ],
      },
    },
  ],
} as unknown as LadderRow;
const kit = {
  machines: [
    { id: id(2), name: 'Heron' },
    { id: id(5), name: 'Flint' },
  ],
} as Kit;

test('the caller reads by keys, by taps, and goes back; closed, the focus is where it was', async () => {
  const { user } = aPage();
  render(<CallSheets ladder={ladder} kit={kit} />);
  const opener = screen.getByRole('button', { name: 'Call from the screen' });
  await user.click(opener);
  const caller = within(screen.getByRole('dialog', { name: 'Caller' }));
  const says = (): string => screen.getByRole('dialog').textContent!;
  expect(says()).toContain('Deep');
  expect(says()).toContain('Heron throws');
  await user.keyboard(' ');
  expect(says()).toContain('2 of 30');
  expect(says()).toContain('Flint throws');
  await user.keyboard('{ArrowLeft}');
  expect(says()).toContain('1 of 30');
  await user.click(caller.getByText('Deep'));
  expect(says()).toContain('2 of 30');
  await user.click(caller.getByRole('button', { name: 'Back' }));
  expect(says()).toContain('1 of 30');
  await user.keyboard('{Escape}');
  expect(screen.queryByRole('dialog')).toBeNull();
  expect(globalThis.document.activeElement).toBe(opener);
});
