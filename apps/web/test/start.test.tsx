// @vitest-environment happy-dom
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, test } from 'vitest';
import { thumbOf } from '../src/ui/thumb.ts';
import { AS_BEGUN, saveRun } from '../src/views/courtside/run.ts';
import Start from '../src/views/courtside/Start.tsx';
import { aPage } from './support/page.ts';
import { rungDocument } from './support/rig.ts';
import { aViewer } from './support/viewer.ts';

const id = (n: number): string => `0190f3a0-0000-7000-8000-${String(n).padStart(12, '0')}`;
const card = rungDocument(id(1), id(2));
const rungs = [
  { rungId: id(5), number: 1, name: 'Easy and true', ladderName: 'Cage climb', sport: 'baseball' },
  { rungId: id(6), number: 2, name: 'Deep and kind', ladderName: 'Backhand', sport: 'tennis' },
] as const;
const last = [
  {
    rungId: id(6),
    number: 2,
    ladderName: 'Backhand',
    sport: 'tennis' as const,
    name: card.name,
    speedMps: 17,
    thumb: thumbOf(card, 'tennis'),
    playerId: id(10),
    playerName: 'Ines Rookwood',
    courtName: 'Court 1',
    machineName: 'Bramble',
    hits: 6,
    balls: 10,
  },
];
const turns = [
  {
    planName: 'Tuesday squad',
    rungId: id(6),
    number: 2,
    rungName: 'Deep and kind',
    balls: 12,
    half: true,
    players: [
      { id: id(10), name: 'Ines Rookwood' },
      { id: id(11), name: 'Bo Tallowby' },
    ],
  },
];
const show = (part: Partial<Parameters<typeof Start>[0]> = {}) =>
  render(<Start viewer={aViewer()} turns={[]} last={last} rungs={rungs} {...part} />);
const hrefOf = (name: string | RegExp): string => screen.getByRole('link', { name }).getAttribute('href')!;

describe('courtside without a rung', () => {
  test('the round that is open on this device comes first', async () => {
    aPage();
    const left = { outingId: id(4), rungId: id(5), playerId: id(10), weather: card.weather, startedAt: '2026-05-01T10:00:00.000Z' };
    saveRun(id(5), { ...AS_BEGUN, ...left, roundId: id(3), card, others: [] });
    show();
    expect(await screen.findByRole('heading', { name: 'A round is open' })).toBeTruthy();
    expect(hrefOf('Go on')).toBe(`/courtside?rung=${id(5)}&player=${id(10)}`);
  });
  test('the next turn of a plan carries all who hit in it; what was run last carries its player', () => {
    aPage();
    show({ turns });
    expect(hrefOf('Take the turn')).toBe(`/courtside?rung=${id(6)}&player=${id(10)}&with=${id(11)}&half=1`);
    expect(hrefOf('Ines, again')).toBe(`/courtside?rung=${id(6)}&player=${id(10)}`);
  });
  test('any rung is found by a word of it or of its ladder, in the sport that is chosen', async () => {
    aPage();
    show();
    const user = userEvent.setup();
    const field = screen.getByLabelText('Find a rung by a word of it or of its ladder');
    await user.type(field, 'cage true');
    expect(hrefOf(/Easy and true/)).toBe(`/courtside?rung=${id(5)}`);
    await user.selectOptions(screen.getByLabelText('Sport'), 'tennis');
    expect(screen.getByText(/No rung has these words/)).toBeTruthy();
  });
  test('before any round every ladder stands there with its rungs, the first one open; later they are closed', () => {
    aPage();
    const [first, second] = rungs;
    const two = [first, { ...second, number: 1 }, { ...second, rungId: id(7), number: 2, name: 'Deeper' }];
    show({ last: [], rungs: two });
    const ladders = screen.getAllByRole('group').map((each) => [each.querySelector('summary')!.textContent, each.hasAttribute('open')]);
    expect(ladders).toEqual([
      ['Cage climb1 rung', true],
      ['Backhand2 rungs', false],
    ]);
    expect(hrefOf(/Easy and true/)).toBe(`/courtside?rung=${id(5)}`);
    cleanup();
    show({ rungs: two });
    expect(screen.getAllByRole('group').some((each) => each.hasAttribute('open'))).toBe(false);
  });
  test('an empty club is told how to begin', () => {
    aPage();
    show({ rungs: [], last: [] });
    expect(screen.getByText(/Nothing to run yet/)).toBeTruthy();
  });
});
