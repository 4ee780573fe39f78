// @vitest-environment happy-dom
import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { afterEach, expect, test } from 'vitest';
import { Button } from '../src/ui/Button.tsx';
import { later, NOT_LOADED } from '../src/ui/later.tsx';
import { showsToasts, toastsAreThere } from '../src/ui/toast.ts';
import { whenMeant } from '../src/ui/whenMeant.ts';
import './support/page.ts';

// whoever showed messages is gone
afterEach(showsToasts(() => {}));

let isOnline = true;
const Form = later<{ name: string; onClose: () => void }>(
  async () => {
    if (!isOnline) throw new TypeError('no network');
    return ({ name }) => <p>Form of {name}</p>;
  },
  <p>One moment …</p>,
);

function Opens() {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button onClick={() => setOpen(true)}>Change</Button>
      <input aria-label="Typed" />
      {open && <Form name="Ines" onClose={() => setOpen(false)} />}
    </>
  );
}

test('a part that cannot be had says so, closes, and leaves the page; opened again it comes', async () => {
  const said: string[] = [];
  showsToasts(() => {})();
  toastsAreThere({ toast: Object.assign(() => {}, { error: (text: string) => said.push(text) }) } as never);
  const user = userEvent.setup();
  isOnline = false;
  render(<Opens />);
  await user.type(screen.getByLabelText('Typed'), 'kept');
  await user.click(screen.getByText('Change'));
  await waitFor(() => expect(said).toEqual([NOT_LOADED]));
  expect([screen.queryByText('One moment …'), screen.getByLabelText<HTMLInputElement>('Typed').value]).toEqual([null, 'kept']);
  isOnline = true;
  await user.click(screen.getByText('Change'));
  expect(await screen.findByText('Form of Ines')).toBeTruthy();
});

test('one that belongs to the page says so where it stands, and is tried again there', async () => {
  let tries = 0;
  const Chart = later<{ of: string }>(
    async () => {
      tries += 1;
      if (tries < 3) throw new TypeError('no network');
      return ({ of }) => <p>Chart of {of}</p>;
    },
    <p>Drawing …</p>,
  );
  const user = userEvent.setup();
  const { container } = render(
    <>
      <input aria-label="Typed" />
      <Chart of="Ines" />
    </>,
  );
  const here = within(container);
  expect(here.getByText('Drawing …')).toBeTruthy();
  await user.type(here.getByLabelText('Typed'), 'kept');
  for (const soFar of [1, 2]) {
    expect((await here.findByRole('alert')).textContent).toContain(NOT_LOADED);
    expect(tries).toBe(soFar);
    await user.click(here.getByRole('button', { name: 'Try again' }));
  }
  expect(await here.findByText('Chart of Ines')).toBeTruthy();
  expect([here.queryByRole('alert'), here.getByLabelText<HTMLInputElement>('Typed').value]).toEqual([null, 'kept']);
});

test('what a press needs is loaded when the pointer or the focus comes, and what cannot be loaded is left to the press', async () => {
  const asked: string[] = [];
  const load = (name: string) => async (): Promise<void> => {
    asked.push(name);
    if (name === 'gone') throw new Error('no network');
  };
  const user = userEvent.setup();
  render(
    <>
      <Button {...whenMeant(load('there'))}>There</Button>
      <Button {...whenMeant(load('gone'))}>Gone</Button>
    </>,
  );
  expect(asked).toEqual([]);
  await user.hover(screen.getByText('There'));
  expect(asked).toEqual(['there']);
  await user.unhover(screen.getByText('There'));
  await user.tab();
  await user.tab();
  expect(asked).toEqual(['there', 'there', 'gone']);
});
