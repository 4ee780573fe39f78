// @vitest-environment happy-dom
import { screen, waitFor } from '@testing-library/react';
import { expect, test } from 'vitest';
import { sayFeed, sayOtherSpeeds, saySecret } from '../src/words/secret.ts';
import { button, commands, document, hear, ready, show, status, takes, wired } from './support/courtside.tsx';

test('speeds in secret: for one round, armed with its slower and quicker balls; nobody is told which until it is finished', async () => {
  const { asked, user, container } = show({ machine: wired }, takes);
  await hear(status('idle'));
  await user.click(button('± 3 mph'));
  expect(screen.getByText(/Each ball comes as it is set, slower or quicker, always to its spot/).textContent).toMatch(/opens no gate/);
  await user.click(await ready(/^Arm/));
  await waitFor(() => expect(commands(asked)).toHaveLength(1));
  const [{ document: armed }] = commands(asked);
  expect(armed.secret).toMatchObject({ order: document.order });
  expect(new Set(armed.feeds.map(({ name }: { name: string }) => name))).toEqual(new Set([document.feeds[0]!.name]));
  await hear(status('ready'));
  expect(screen.queryByRole('list', { name: 'Coming balls' })).toBeNull();
  for (const seq of [1, 2, 3, 4]) {
    await hear({ event: 'release', seq, feed: 1, launch: armed.feeds[armed.order.list[seq - 1] - 1].launch });
    await user.keyboard('j');
  }
  expect(container.textContent).not.toMatch(/slower|quicker/);
  await user.keyboard('{Shift>}F{/Shift}');
  await waitFor(() => expect(asked.at(-1)!.path).toMatch(/finish$/));
  expect(asked.at(-1)!.body.notes).toMatch(/^Speeds in secret: .*\d of \d/);
  // four of four, where the rung asks for two; and the next round is as it is set again
  expect(screen.getAllByRole('status')[0]!.textContent).toMatch(/4 of 4.*stay.*nobody was told.*opens no gate/s);
  expect(button('As set').getAttribute('aria-pressed')).toBe('true');
});

test('a machine worked by hand is not offered it', () => {
  show();
  expect(screen.queryByRole('group', { name: /in secret/ })).toBeNull();
});

test('what became of each speed, in words', () => {
  const [feed] = document.feeds;
  const card = {
    ...document,
    feeds: [
      feed!,
      { ...feed!, id: 'f1-slower' as never, variantOf: feed!.id },
      { ...feed!, id: 'f1-quicker' as never, variantOf: feed!.id },
    ],
    secret: { byMps: 1.3, order: document.order },
  };
  const ball = (seq: number, feedId: string, outcome: 'in' | 'out' | 'not-fed') => ({ seq, outcome, feedId: feedId as never });
  expect(
    saySecret(card, [
      ball(1, feed!.id, 'in'),
      ball(2, 'f1-slower', 'in'),
      ball(3, 'f1-slower', 'out'),
      ball(4, 'f1-quicker', 'out'),
      ball(5, 'f1-quicker', 'not-fed'),
    ]),
  ).toBe('Speeds in secret: slower 1 of 2, as set 1 of 1, quicker 0 of 1.');
  expect(sayFeed(card, card.feeds[2])).toBe(`${feed!.name}, quicker`);
  expect(sayFeed(document, feed)).toBe(feed!.name);
  expect(saySecret(document, [ball(1, feed!.id, 'in')])).toBe('');
  expect(saySecret(card, [])).toBe('');
  expect(sayOtherSpeeds(['quicker', 'as-set'])).toBe('quicker');
});
