// @vitest-environment happy-dom
import type { SpoiledBalls } from '@good-arc/core';
import { screen, waitFor } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import type { HalfTarget } from '../src/api/rows.ts';
import { document, id, ready, show } from './support/courtside.tsx';
import type { Asked } from './support/page.ts';

const half: HalfTarget = { share: 0.78, balls: 64, targetSize: { widthM: 1.2, depthM: 1.8 } };
const hardly: SpoiledBalls = {
  share: 0.03,
  parts: { net: 0, out: 0, beyond: 0.03 },
  within90: { acrossM: 0.3, heightM: 0.2, timeS: 0.05 },
};
/** A server that knows the player; what it answers may change. */
const knows =
  (answer: () => HalfTarget | null, spoiled = hardly) =>
  ({ path }: Asked) =>
    path === `players/${id(10)}/half` ? { status: 200, body: { half: answer(), spoiled } } : undefined;

describe('the target that half of a player’s own balls would hit', () => {
  test('is offered before a round, taken for that round alone, and such a round opens no gate', async () => {
    const { asked, user } = show(
      {},
      knows(() => half),
    );
    await user.click(await screen.findByRole('button', { name: 'Take 3 ft 11 in for this round' }));
    expect(screen.getByRole('group', { name: 'Target for half' }).textContent).toMatch(
      /By 64 balls of their own, Ines Rookwood hits about 78 %.*it opens no gate/,
    );
    await user.click(await ready(/^Begin round/));
    await user.keyboard('jjjj{Shift>}F{/Shift}');
    await waitFor(() => expect(asked.at(-1)!.path).toMatch(/finish$/));
    expect(asked[0]!.body.card).toMatchObject({ ownTarget: true, targetSize: half.targetSize });
    // four of four, where the rung asks for two
    const said = screen.getByRole('status').textContent!;
    expect(said).toMatch(/4 of 4.*stay.*opens no gate/s);
    expect(said).not.toContain('Climb to');
    // taken by hand it was for that round
    expect(await screen.findByRole('button', { name: 'Take 3 ft 11 in for this round' })).toBeTruthy();
  });
  test('a plan asks for it from the start; one press goes back to the rung’s own', async () => {
    const { asked, user } = show(
      { half: true },
      knows(() => half),
    );
    await user.click(await screen.findByRole('button', { name: /^Back to/ }));
    await user.click(await ready(/^Begin round/));
    await waitFor(() => expect(asked).toHaveLength(1));
    expect(asked[0]!.body.card).toEqual(document);
  });
  test('where half is hit already, or nobody knows, the rung’s own target stays and nothing is said', async () => {
    const { asked, user } = show(
      { half: true },
      knows(() => null),
    );
    await user.click(await ready(/^Begin round/));
    await waitFor(() => expect(asked).toHaveLength(1));
    expect(asked[0]!.body.card).toEqual(document);
    expect(screen.queryByRole('group', { name: 'Target for half' })).toBeNull();
  });
  test('what the machine’s own spread takes is said before the round, so that nobody is blamed for it', async () => {
    show(
      {},
      knows(() => null, { ...hardly, share: 0.2, parts: { net: 0, out: 0.02, beyond: 0.18 } }),
    );
    expect(await screen.findByText(/own spread takes/)).toHaveProperty(
      'textContent',
      'The machine’s own spread takes about 2 of 10 (too high, too low or too soon for this level; out).',
    );
  });
  test('of one that hardly takes a ball nothing is said', async () => {
    show(
      {},
      knows(() => half),
    );
    await screen.findByRole('group', { name: 'Target for half' });
    expect(screen.queryByText(/own spread takes/)).toBeNull();
  });
});
