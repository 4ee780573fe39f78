// @vitest-environment happy-dom
import { isTrimOf } from '@good-arc/core';
import { screen, waitFor, within } from '@testing-library/react';
import { expect, test } from 'vitest';
import {
  button,
  commands,
  document,
  hear,
  id,
  launch,
  player,
  props,
  ready,
  results,
  show,
  status,
  takes,
  twoKinds,
  wired,
} from './support/courtside.tsx';

const rung = { ...props().rung, document: twoKinds };
const coming = (): string[] =>
  within(screen.getByRole('list', { name: 'Coming balls' }))
    .getAllByRole('listitem')
    .map((each) => each.textContent!);

test('by hand: one again, one by choice, one kind out; each ball is kept as what it was, and the round as it was changed', async () => {
  const { asked, user } = show({ rung });
  await user.click(await ready(/^Begin round/));
  expect(button('That one again').disabled).toBe(true);
  await user.keyboard('j');
  await user.click(button('That one again'));
  expect(coming().slice(0, 3)).toEqual(['2 Wide', '3 Body', '4 Wide']);
  await user.keyboard('j');
  await user.click(button('Wide')); // the next by choice
  await user.keyboard('k');
  await user.click(screen.getByRole('checkbox', { name: 'Wide' }));
  expect(coming()).toEqual(['4 Body', '5 Body', '6 Body']);
  await user.click(screen.getByRole('checkbox', { name: 'Body' }));
  expect(await screen.findByText(/One ball has to stay/)).toBeTruthy();
  await user.keyboard('jjj');
  await user.keyboard('{Shift>}F{/Shift}');
  await waitFor(() => expect(asked.at(-1)!.path).toMatch(/finish$/));
  const balls = asked.filter(({ path, method }) => path.includes('/results/') && method === 'PUT');
  expect(balls.map(({ body }) => body.feedId)).toEqual(['w', 'w', 'w', 'b', 'b', 'b']);
  expect(asked.at(-1)!.body.notes).toBe('From ball 2: the last one again. From ball 3: Wide by choice. From ball 4: without Wide.');
});

test('three in turn, one late: out with a tap, back with another; every ball belongs to who hit it', async () => {
  const { asked, user } = show({ rung: { ...rung, document: { ...document, hitters: 2, ballsPerRound: 6 } }, mates: [id(11)] });
  await user.click(await ready(/^Begin round/));
  await user.keyboard('j');
  await user.click(screen.getByRole('checkbox', { name: 'Theo Larchmont' }));
  await user.keyboard('jj');
  await user.click(screen.getByRole('checkbox', { name: 'Ines Rookwood' }));
  expect(await screen.findByText(/Somebody has to hit/)).toBeTruthy();
  await user.click(screen.getByRole('checkbox', { name: 'Theo Larchmont' }));
  await user.keyboard('j');
  await waitFor(() => expect(results(asked)).toHaveLength(4));
  const [ines, theo] = asked.filter(({ path }) => /^rounds\/[^/]+$/.test(path)).map(({ path }) => path);
  const whose = asked.filter(({ path }) => path.includes('/results/')).map(({ path }) => path.split('/results/')[0]);
  expect(whose).toEqual([ines, ines, ines, theo]);
});

test('two lines, a third waits: in with one press for either, each ball whose it is; who went out is the next to come in', async () => {
  const lines = { ...document, hitters: 2, ballsPerRound: 6, sweep: { kind: 'two-line' as const, halfDeg: 6 } };
  const players = [...props().players, player(12, 'Juno Abasolo')];
  const { asked, user } = show({ rung: { ...rung, document: lines }, mates: [id(11)], players });
  await user.click(await ready(/^Begin round/));
  await user.keyboard('jj');
  const third = screen.getByRole('combobox', { name: 'Who comes in' });
  expect(button('for Theo Larchmont')).toHaveProperty('disabled', true);
  await user.selectOptions(third, 'Juno Abasolo');
  await user.click(button('for Theo Larchmont'));
  await user.keyboard('jj');
  expect(screen.queryByRole('checkbox', { name: 'Theo Larchmont' })).toBeNull();
  // he comes back in for the first, without being looked for
  await user.click(button('for Ines Rookwood'));
  await user.keyboard('j');
  await waitFor(() => expect(results(asked)).toHaveLength(5));
  const [ines, theo, other] = asked.filter(({ path }) => /^rounds\/[^/]+$/.test(path)).map(({ path }) => path);
  const whose = asked.filter(({ path }) => path.includes('/results/')).map(({ path }) => path.split('/results/')[0]);
  expect(whose).toEqual([ines, theo, ines, other, theo]);
});

test('nudged by hand: it says what to set now; no further than a trim', async () => {
  const { user } = show();
  await user.click(await ready(/^Begin round/));
  await user.click(button('Longer'));
  expect(screen.getByText(/^Set now: .*elevation \d/)).toBeTruthy();
  const refusals = () => screen.queryAllByText(/it would be another ball/).length;
  for (let press = 0; press < 40 && refusals() === 0; press++) await user.click(button('Left'));
  await waitFor(() => expect(refusals()).toBeGreaterThan(0));
});

test('on a line: the machine is told the balls that are left, and only what it takes is shown', async () => {
  let refuse = false;
  const { asked, user } = show({ rung, machine: wired }, (each) =>
    each.body?.do === 'rest' && refuse
      ? { status: 200, body: { ok: false, state: 'feeding', text: 'A ball left meanwhile.' } }
      : takes(each),
  );
  await hear(status('idle'));
  await user.click(await ready(/^Arm/));
  const { roundId } = commands(asked)[0];
  const program = { id: roundId, name: 'x' };
  await hear(status('feeding', { program, count: 6 }), { event: 'release', seq: 1, feed: 0, launch });
  await user.click(button('Skip the next'));
  const rest = { do: 'rest', rungId: id(5), roundId, from: 1, armedFrom: 0, intervalS: twoKinds.intervalS, playerId: id(10) };
  expect(commands(asked).at(-1)).toMatchObject({ ...rest, document: twoKinds, dealt: [0, 0, 1, 0, 1, 1] });
  expect(coming()[0]).toBe('2 Wide');
  refuse = true;
  await user.click(button('Body'));
  expect(await screen.findByText('A ball left meanwhile.')).toBeTruthy();
  expect(coming()[0]).toBe('2 Wide');
  refuse = false;
  await user.click(button('Longer'));
  const { document: longer } = commands(asked).at(-1);
  expect(longer.feeds[0].launch).not.toEqual(twoKinds.feeds[0]!.launch);
  expect(isTrimOf(longer, twoKinds)).toBe(true);
  // it echoes what it turns to: the ball that is shown, or the page says that it is another
  const { speedMps, elevationDeg, bearingDeg } = longer.feeds[0].launch;
  await hear(status('feeding', { program, thrown: 1, count: 6, next: { speedMps, elevationDeg, bearingDeg } }));
  expect(screen.queryByText(/turns to another ball/)).toBeNull();
  await hear(status('feeding', { program, thrown: 1, count: 6, next: { speedMps, elevationDeg: elevationDeg + 2, bearingDeg } }));
  expect(screen.getByText(/turns to another ball than this page shows/)).toBeTruthy();
});

test('two machines on lines are both told what is left, and when; if one does not take it, both are held', async () => {
  const second = { ...wired, id: id(3), name: 'Wren', linkAddress: '127.0.0.1:4322' };
  const shared = { ...twoKinds, feeds: [twoKinds.feeds[0]!, { ...twoKinds.feeds[1]!, machineId: id(3) }] };
  let refuse = false;
  const { asked, user } = show({ rung: { ...rung, document: shared }, machine: wired, second }, (each) =>
    refuse && each.body?.do === 'rest' && each.path === `machines/${id(3)}/command`
      ? { status: 200, body: { ok: false, state: 'feeding', text: 'Too late.' } }
      : takes(each),
  );
  const told = (what: string) => asked.filter(({ body }) => body?.do === what).map(({ path }) => path);
  const both = [`machines/${id(2)}/command`, `machines/${id(3)}/command`];
  await hear(status('idle'));
  await user.click(await ready(/^Arm/));
  await hear(status('feeding', { nextInS: 30 }));
  await user.click(button('Skip the next'));
  expect(told('rest')).toEqual(both);
  const { nextInS, dealt } = asked.find(({ body }) => body?.do === 'rest')!.body;
  expect(dealt).toEqual([1, 0, 1, 0, 1, 0]);
  expect(nextInS).toBeGreaterThan(20);
  refuse = true;
  await user.click(button('Skip the next'));
  expect(await screen.findByText(/One of the machines did not take it: both are on hold/)).toBeTruthy();
  expect(told('hold')).toEqual(both);
  expect(coming()[0]).toBe('1 Body');
});

test('a machine on a line whose line is away is worked by hand, and its code is said to be wrong', async () => {
  const { asked, user } = show({ machine: wired }, takes);
  await hear(status('idle'));
  await hear({ event: 'link', up: false, why: 'wrong-code' });
  expect(await screen.findByText(/does not take our code/)).toBeTruthy();
  await user.click(button('Work it by hand'));
  await user.click(await ready(/^Begin round/));
  await user.keyboard('jk');
  await waitFor(() => expect(results(asked)).toHaveLength(2));
  expect(commands(asked)).toEqual([]);
  expect(screen.getByText(/worked by hand for now/)).toBeTruthy();
});
