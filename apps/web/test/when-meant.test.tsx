// @vitest-environment happy-dom
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, test } from 'vitest';
import { Button } from '../src/ui/Button.tsx';
import { whenMeant } from '../src/ui/whenMeant.ts';
import './support/page.ts';

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
