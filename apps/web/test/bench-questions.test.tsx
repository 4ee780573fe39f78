// @vitest-environment happy-dom
import { firstSetup, SPORT_RECORDS, type Sport } from '@good-arc/core';
import { render, within } from '@testing-library/react';
import { beforeEach, expect, test } from 'vitest';
import type { GameBallRow, Kit, MachineRow } from '../src/api/rows.ts';
import Bench from '../src/views/bench/Bench.tsx';
import { aPage } from './support/page.ts';
import { profileOf } from './support/rig.ts';
import { aViewer } from './support/viewer.ts';

function benchOf(sport: Sport, kind: string, gameBalls: GameBallRow[] = []) {
  const { user } = aPage(() => undefined);
  const profile = profileOf(kind);
  const machine: MachineRow = { version: 1, id: 'm1', name: 'Bramble', profile, dials: [], today: null, linkAddress: '', notes: '' };
  const surfaceId = SPORT_RECORDS[sport].surfaces[0]!.id;
  const court = {
    version: 1,
    id: 'c1',
    name: 'Court 1',
    sport,
    surfaceId,
    indoor: false,
    ceilingM: null,
    marksM: [],
    notes: '',
  };
  const kit: Kit = { players: [], squads: [], courts: [court], balls: [], machines: [machine], gameBalls };
  const a = { ...firstSetup(court, machine, 'Building', 0), ...(gameBalls[0] && { gameBallId: gameBalls[0].id }) };
  const initial = { a, b: null, at: 'a' as const };
  const { container } = render(<Bench viewer={aViewer()} kit={kit} ladders={[]} initial={initial} edited={null} />);
  return { user, here: within(container) };
}
const QUESTIONS = [
  'Distances from the lines',
  'Where did it land?',
  'Chances',
  'Air and wind',
  'Closest to game',
  'Compare A and B',
  'Every arc',
];

// the address keeps what the bench before it showed
beforeEach(() => window.history.replaceState(null, '', '/bench'));

test('beside the picture stands what arrives, compared with an own game ball where that was chosen, and what the machine is set to', async () => {
  const loop = {
    kind: 'shaped',
    sport: 'tennis',
    level: 'Building',
    from: { y: 11.5, z: 1 },
    topspinRpm: 1800,
    landsPastM: 8,
    clearsByM: 2,
  } as const;
  const { here } = benchOf('tennis', 'Two-wheel portable', [{ version: 1, id: 'g1', name: 'Orla’s loop', notes: '', document: loop }]);
  const beside = within(await here.findByRole('complementary', { name: 'Choices and arrival' }));
  expect(beside.getByText(/dashed is the game ball: Orla’s loop, Building/)).toBeTruthy();
  expect(beside.getByRole('group', { name: 'Machine settings' })).toBeTruthy();
});
test('every question to a feed has its tab, which comes after the arc and opens', async () => {
  const { user, here } = benchOf('tennis', 'Two-wheel portable');
  const tabs = await here.findByRole('tablist', { name: 'Questions to this feed' });
  const names = within(tabs)
    .getAllByRole('tab')
    .map(({ textContent }) => textContent);
  expect(names.slice(0, -1)).toEqual(QUESTIONS);
  expect(names.at(-1)).toMatch(/^Cautions and sources/);
  for (const [name, says] of [
    ['Air and wind', /Temperature/],
    ['Where did it land?', /trim|land/i],
    ['Distances from the lines', /net|line/i],
  ] as const) {
    await user.click(within(tabs).getByRole('tab', { name }));
    expect(await within(here.getByRole('tabpanel', { name })).findAllByText(says)).not.toEqual([]);
  }
});

test('a pitch’s pace only has a place where balls are pitched', async () => {
  const { here } = benchOf('baseball', 'Two-wheel pitching machine');
  expect(await here.findByRole('tab', { name: 'Pace' })).toBeTruthy();
  expect(here.getByRole('tab', { name: 'Where did it pass?' })).toBeTruthy();
});
