// @vitest-environment happy-dom
import { judgeRung, type Level, sameCard, targetOf } from '@good-arc/core';
import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, test, vi } from 'vitest';
import { device } from '../src/device/store.ts';
import Courtside from '../src/views/courtside/Courtside.tsx';
import { AS_BEGUN, saveRun } from '../src/views/courtside/run.ts';
import {
  button,
  commands,
  document,
  hear,
  id,
  launch,
  machine,
  player,
  profile,
  props,
  ready,
  results,
  show,
  status,
  takes,
  tally,
  wired,
} from './support/courtside.tsx';
import { aPage, FakeStream } from './support/page.ts';
import { profileOf, rungDocument } from './support/rig.ts';

/** A pitch of 34 m/s from 9 m. */
function hardBall() {
  const hard = { ...rungDocument(id(1), id(2)), ballId: 'baseball', machineId: id(2), level: 'Starting' as const };
  const from = { x: 0, y: 9, z: 1.6 };
  const feeds = [
    {
      ...hard.feeds[0]!,
      launch: { ...hard.feeds[0]!.launch, ...from, speedMps: 34, elevationDeg: -3, bearingDeg: 180, topspinRpm: -1500 },
      target: { kind: 'plane' as const, planeY: 0.2, x: 0, z: 0.9 },
      gameBallId: null,
      stroke: 'swing' as const,
    },
  ];
  return {
    rung: {
      id: id(5),
      ladderId: id(9),
      position: 0,
      document: { ...hard, feeds, surfaceId: 'baseball-turf', player: { start: { x: 0.7, y: 0.2 }, recover: null } },
    },
    ladder: { ...props().ladder, sport: 'baseball' as const },
    machine: { ...machine, profile: profileOf('Three-wheel pitching machine') },
  };
}

describe('a machine that is worked by hand', () => {
  test('by keys: begun, judged, one taken back, finished; each goes to the server once, in order, and the verdict is said', async () => {
    const { asked, user } = show();
    expect(screen.queryByRole('button', { name: /^Hold/ })).toBeNull();
    await ready(/^Begin round/);
    await user.keyboard('j'); // there is no round yet
    await user.keyboard('{Shift>}A{/Shift}');
    await user.keyboard('jku');
    expect(tally()).toBe('1 of 1');
    await user.keyboard('l j'); // space: let go, which is no attempt
    expect(tally()).toBe('2 of 3');
    await user.keyboard('j'); // all are thrown
    expect(tally()).toBe('2 of 3');
    await user.keyboard('{Shift>}F{/Shift}');
    expect(screen.getByRole('status').textContent).toMatch(/Round finished: 2 of 3\..*Climb to “Deeper”/s);
    await waitFor(() => expect(asked.at(-1)!.path).toMatch(/finish$/));
    const round = asked[0]!;
    expect(round).toMatchObject({ method: 'PUT', body: { playerId: id(10), rungId: id(5), card: document } });
    expect(results(asked)).toEqual([
      [1, 'in'],
      [2, 'near'],
      [2, 'out'],
      [3, 'let-go'],
      [4, 'in'],
    ]);
    expect(asked.filter(({ method }) => method === 'DELETE')).toHaveLength(1);
    expect(asked.every(({ path }) => path.startsWith(round.path))).toBe(true);
    expect(device().keys('').sort()).toEqual([`hopper:${id(2)}`, `lying:${id(1)}`, 'outing']); // of the day: nothing waits
  });
  test('before the first ball it says how to set it up: stand, dials, elevation, aim, player, cones', () => {
    show({ below: { ...document, feeds: [{ ...document.feeds[0]!, launch: { ...document.feeds[0]!.launch, x: 3 } }] } });
    const said = screen.getByLabelText('Set it up').textContent!;
    for (const word of ['Machine', 'Dials', 'Elevation', 'Point it', 'Feed', 'Player']) expect(said).toContain(word);
    expect(said).toMatch(/It moves: on the rung below it stood/);
    expect(said).toMatch(/of the middle of the net|at the middle of the net/);
  });
  test('in wind the rung is turned for today with one press: what is set, thrown and kept is that; the next rung on this court remembers', async () => {
    const { asked, user } = show();
    fireEvent.change(screen.getByLabelText(/^Wind to the far end/), { target: { value: '6 mph' } });
    fireEvent.blur(screen.getByLabelText(/^Wind to the far end/));
    const said = await screen.findByText(/In today’s air it lands .* short/);
    expect(said.textContent).toMatch(/elevation \d+\.\d°/);
    const asCard = screen.getByLabelText('Set it up').textContent;
    await user.click(button('Set it so today'));
    expect(screen.getByLabelText('Set it up').textContent).not.toBe(asCard);
    await user.click(await ready(/^Begin round/));
    await waitFor(() => expect(asked).toHaveLength(1));
    const { card, weather } = asked[0]!.body;
    expect(weather.windYMps).toBeCloseTo(2.68, 1);
    expect(card.feeds[0].launch.elevationDeg).toBeGreaterThan(document.feeds[0]!.launch.elevationDeg + 0.25);
    expect(sameCard(card, document)).toBe(true);
    expect(JSON.parse(device().getItem(`air:${id(1)}`)!)).toMatchObject({ taken: true, air: { windYMps: weather.windYMps } });
  });
  test('when too many balls lie about it says so, from round to round, until they are picked up', async () => {
    const { user } = show({ rung: { id: id(5), ladderId: id(9), position: 0, document: { ...document, ballsPerRound: 15 } } });
    const round = async (): Promise<void> => {
      await user.click(await ready(/^Begin round/));
      await user.keyboard('jjjjjjjjjjjjjjj');
      await user.click(screen.getAllByRole('button', { name: /^Finish round/ })[0]!);
    };
    await round();
    expect(screen.queryByText(/balls lie about/)).toBeNull();
    await round();
    expect(screen.getByText('About 30 balls lie about.')).toBeTruthy();
    await user.click(button('Picked up'));
    expect(screen.queryByText(/balls lie about/)).toBeNull();
  });
  test('a hopper that does not hold the round, or must be empty by now, asks to be refilled', async () => {
    const small = { ...machine, profile: { ...machine.profile, hopper: 6 } };
    const { user } = show({
      machine: small,
      rung: { id: id(5), ladderId: id(9), position: 0, document: { ...document, ballsPerRound: 8 } },
    });
    expect(screen.getByText(/About 6 balls are left in the hopper/).parentElement!.textContent).toContain('this round throws 8');
    await user.click(await ready(/^Begin round/));
    await user.keyboard('jjjjj');
    expect(screen.queryByText(/hopper/)).toBeNull();
    await user.keyboard('j');
    expect(screen.getByText('The hopper must be empty.')).toBeTruthy();
    await user.click(button('Refilled'));
    await user.keyboard('jj');
    expect(screen.queryByText('The hopper must be empty.')).toBeNull();
  });
  test('after rounds that were too easy the target that one in two would hit is set on the rung with one press, and taken back with another', async () => {
    const wide = { ...document, targetSize: { widthM: 6, depthM: 6 }, ballsPerRound: 10 };
    const eight = { id: id(40), playerId: id(10), same: true, hits: 46, balls: 50, longestRun: 9 };
    const { asked, user } = show({
      rung: { id: id(5), ladderId: id(9), position: 0, document: wide },
      ladder: { id: id(9), name: 'Climb', sport: 'tennis', approach: 'sweet-spot' },
      history: [eight],
    });
    await user.click(await ready(/^Begin round/));
    await user.keyboard('jjjjjjjjjk');
    await user.click(screen.getAllByRole('button', { name: /^Finish round/ })[0]!);
    await user.click(await screen.findByRole('button', { name: /wide from here on: one in two would be in/ }));
    await waitFor(() => expect(asked.at(-1)).toMatchObject({ method: 'PUT', path: `rungs/${id(5)}` }));
    const { widthM, depthM } = asked.at(-1)!.body.document.targetSize;
    expect(widthM).toBeLessThan(4);
    expect(depthM / widthM).toBeCloseTo(1, 6);
    await user.click(await screen.findByRole('button', { name: 'Undo' }));
    await waitFor(() => expect(asked.at(-1)!.body.document).toEqual(wide));
  });
  test('a tap on the court says where it came down and what it counts as', async () => {
    const { asked, user } = show();
    await user.click(await ready(/^Begin round/));
    await user.click(button('Tap where it lands'));
    const plan = screen.getByTestId('landing-plan');
    plan.focus();
    await user.keyboard('{Enter}');
    await waitFor(() => expect(results(asked)).toHaveLength(1));
    const { body } = asked.at(-1)!;
    expect(body).toMatchObject({ landXM: expect.any(Number), landYM: expect.any(Number) });
    const { x, y, widthM, depthM } = targetOf(document, document.feeds[0]!)!;
    const isIn = Math.abs(body.landXM - x) <= widthM / 2 && Math.abs(body.landYM - y) <= depthM / 2;
    expect(body.outcome === 'in').toBe(isIn);
    expect(screen.getByText('Tap where ball 2 came down.')).toBeTruthy();
  });
  test('a moment is marked for the film, and noted with the round; a note goes by itself when it is written', async () => {
    const { asked, user } = show();
    await user.click(await ready(/^Begin round/));
    await user.keyboard('jj');
    await user.click(button('Mark for the film'));
    await user.click(button('Finish round'));
    await waitFor(() => expect(asked.at(-1)!.path).toMatch(/finish$/));
    expect(asked.at(-1)!.body.notes).toMatch(/^On film, look at \d:\d\d, ball 2\.$/);
    await user.type(screen.getByLabelText(/^A note/), ' Elbow.');
    await user.tab();
    await waitFor(() => expect(asked.at(-1)).toMatchObject({ method: 'PATCH' }));
    expect(asked.at(-1)!.body.notes).toMatch(/ball 2\. Elbow\.$/);
  });
  test('balls nobody saw are not judged and count for nothing; the others come by a number', async () => {
    const { asked, user } = show();
    await user.click(await ready(/^Begin round/));
    await user.click(button(/^Ball 1 not judged/));
    expect(tally()).toBe('0 of 0');
    await user.click(screen.getByText('Count them by a number'));
    await user.click(button('One more'));
    await user.click(button('One more'));
    await user.click(button('Count them'));
    expect(tally()).toBe('2 of 3');
    await waitFor(() => expect(results(asked)).toHaveLength(4));
    expect(results(asked).map((each) => (each as [number, string])[0])).toEqual([1, 2, 3, 4]);
    expect(screen.queryByText('Count them by a number')).toBeNull();
  });
  test('two who hit in turn: both are named, each has a round and a verdict, and every ball is somebody’s', async () => {
    const pair = { ...document, hitters: 2 };
    const { asked, user } = show({ rung: { id: id(5), ladderId: id(9), position: 0, document: pair } });
    expect(screen.queryByRole('button', { name: /^Begin round/ })).toBeNull();
    await user.selectOptions(screen.getByLabelText('Hits second'), 'Ines Rookwood');
    expect(screen.queryByRole('button', { name: /^Begin round/ })).toBeNull(); // nobody plays against themselves
    await user.selectOptions(screen.getByLabelText('Hits second'), 'Theo Larchmont');
    await user.click(await ready(/^Begin round/));
    await user.keyboard('jljj');
    expect(screen.getAllByTestId('tally').map(({ textContent }) => textContent)).toContain('Ines2 of 2');
    await user.keyboard('{Shift>}F{/Shift}');
    const said = screen.getByRole('status').textContent!;
    expect(said).toMatch(/Ines Rookwood: 2 of 2\./);
    expect(said).toMatch(/Theo Larchmont: 1 of 2\./);
    await waitFor(() => expect(asked.filter(({ path }) => path.endsWith('/finish'))).toHaveLength(2));
    const rounds = asked.filter(({ path, method }) => method === 'PUT' && /^rounds\/[^/]+$/.test(path));
    expect(rounds.map(({ body }) => body.playerId)).toEqual([id(10), id(11)]);
  });
  test('two are judged by the one who needs most: the youngest, and the swings of the one who has most behind them', async () => {
    const pair = { ...document, hitters: 2, level: 'Building' as const };
    const child = { ...player(11, 'Theo Larchmont'), bornYear: new Date().getFullYear() - 10 };
    const { user } = show({
      rung: { id: id(5), ladderId: id(9), position: 0, document: pair },
      players: [player(10, 'Ines Rookwood'), child],
      swingsToday: [{ playerId: id(11), rungId: id(77), swings: 180 }],
    });
    expect(screen.queryByText(/swings are in this day already/)).toBeNull();
    await user.selectOptions(screen.getByLabelText('Hits second'), 'Theo Larchmont');
    expect(screen.getByText(/180 swings are in this day already/)).toBeTruthy();
  });
  test('the interval of the round is changed from the next ball on', async () => {
    const { user } = show();
    expect(button('Half a second later').disabled).toBe(true); // there is no round yet
    await user.click(await ready(/^Begin round/));
    await user.click(button('Half a second later'));
    expect(screen.getByText(`every ${(document.intervalS + 0.5).toFixed(1)} s`)).toBeTruthy();
  });
  test('nobody is chosen: it does not begin', async () => {
    const { asked, user } = show({ playerId: null });
    expect(screen.queryByRole('button', { name: /^Begin round/ })).toBeNull();
    await user.click(button('Choose who hits'));
    expect(window.document.activeElement).toBe(screen.getByLabelText('Who is hitting'));
    await user.selectOptions(screen.getByLabelText('Who is hitting'), 'Theo Larchmont');
    await user.click(await ready(/^Begin round/));
    await waitFor(() => expect(asked).toMatchObject([{ body: { playerId: id(11) } }]));
  });
  test('a round that was left goes on with its own card, player and wind', async () => {
    aPage();
    const card = { ...document, name: 'As it was', ballsPerRound: 2 };
    const left = { outingId: id(4), rungId: id(5), playerId: id(11), weather: document.weather, startedAt: '2026-05-01T10:00:00.000Z' };
    saveRun(id(5), { ...AS_BEGUN, ...left, roundId: id(3), card, others: [] });
    render(<Courtside {...props()} />);
    expect(await screen.findByRole('heading', { level: 1, name: '1 · As it was' })).toBeTruthy();
    expect(screen.getByText(/This rung was changed meanwhile/)).toBeTruthy();
    expect(screen.getByText(/Theo Larchmont/)).toBeTruthy();
  });
  test('the server is away: what was tapped waits on the device and says so', async () => {
    const { user } = show({}, () => ({ status: 503, body: { type: 'about:blank', title: 'Away', status: 503, errors: [] } }));
    await user.click(await ready(/^Begin round/));
    await user.click(button(/^In/));
    expect(tally()).toBe('1 of 1');
    expect(await screen.findByText('2 entries are kept on this device until the server has taken them.')).toBeTruthy();
  });
  test('a hard ball that leaves too little time asks for a name before anything else', async () => {
    const { user, asked } = show(hardBall());
    expect(button(/^Begin round/).disabled).toBe(true);
    await user.keyboard('{Shift>}A{/Shift}');
    expect(asked).toEqual([]);
    await user.type(screen.getByLabelText(/name/i), 'Ada Wick');
    await user.click(screen.getByRole('button', { name: 'It is meant' }));
    expect(screen.getByText('Confirmed by Ada Wick.')).toBeTruthy();
    await user.click(await ready(/^Begin round/));
    await waitFor(() => expect(asked[0]!.body.confirmedBy).toBe('Ada Wick'));
  });
  test('a verdict that the page brought stands for whom it was given, and for nobody else', () => {
    const kind = judgeRung(document, { sport: 'tennis', machine: profile, gameBall: () => undefined });
    const asks = (level: Level): boolean => {
      const { unmount } = render(<Courtside {...props({ ...hardBall(), verdict: { judgement: kind, level, around: {}, inSight: [] } })} />);
      const isAsked = screen.queryByRole('button', { name: 'It is meant' }) !== null;
      unmount();
      return isAsked;
    };
    expect([asks('Building'), asks('Competing')]).toEqual([false, true]);
  });
});

describe('a machine on a line', () => {
  test('armed for a round that it names, fed, judged as they come; a misfeed counts as nothing', async () => {
    const { asked, user } = show({ machine: wired }, takes);
    await hear(status('idle'));
    await user.click(await ready(/^Arm/));
    const [arm] = commands(asked);
    expect(arm).toMatchObject({ do: 'arm', rungId: id(5), from: 0, document, playerId: id(10) });
    await waitFor(() => expect(asked.some(({ path, method }) => method === 'PUT' && path === `rounds/${arm.roundId}`)).toBe(true));
    await hear(status('ready'));
    await user.click(button(/^Feed 4 balls/));
    await hear(status('feeding', { nextInS: 2 }), { event: 'release', seq: 1, feed: 1, launch });
    expect(screen.getByRole('group', { name: 'Ball 1' })).toBeTruthy();
    await user.click(button(/^In/));
    await hear({ event: 'misfeed', seq: 2 }, { event: 'release', seq: 3, feed: 1, launch });
    await user.click(button(/^Out/));
    expect(tally()).toBe('1 of 2');
    expect(within(screen.getAllByRole('list', { name: 'Balls' })[0]!).getAllByRole('listitem')[1]!.textContent).toContain(
      'ball 2: not fed',
    );
    await waitFor(() => expect(results(asked)).toHaveLength(3));
    expect(asked.filter(({ path }) => path.includes('/results/')).map(({ body }) => body)).toMatchObject([
      { seq: 1, outcome: 'in', speedMps: 17.3, topspinRpm: launch.topspinRpm, feedId: document.feeds[0]!.id },
      { seq: 2, outcome: 'not-fed', speedMps: null },
      { seq: 3, outcome: 'out' },
    ]);
  });
  test('no letter alone starts it; Hold and Stow are one letter away, whatever it does', async () => {
    const { asked, user } = show({ machine: wired }, takes);
    await hear(status('idle'));
    await user.keyboard('afr');
    expect(commands(asked)).toEqual([]);
    await hear(status('feeding'));
    await user.keyboard('hs');
    expect(commands(asked)).toEqual([{ do: 'hold' }, { do: 'stow' }]);
    await user.click(screen.getByLabelText('Wind to the right'));
    await user.keyboard('h'); // typed into a field
    expect(commands(asked)).toHaveLength(2);
  });
  test('an arming that is refused begins no round, and what was changed meanwhile can be loaded', async () => {
    const problem = { type: '/problems/changed-since', title: 'The rung was changed meanwhile.', status: 409, errors: [] };
    const { asked, user } = show({ machine: wired }, ({ path }) =>
      path.endsWith('/command') ? { status: 409, body: problem } : undefined,
    );
    await hear(status('idle'));
    await user.click(await ready(/^Arm/));
    expect(await screen.findByText('The rung was changed meanwhile.')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Load it' })).toBeTruthy();
    expect(asked.filter(({ path }) => path.startsWith('rounds/'))).toEqual([]);
  });
  test('on hold, in fault, and without its line it says what to do', async () => {
    show({ machine: wired }, takes);
    await hear(status('held', { why: 'a person in the lane' }));
    expect(screen.getByText(/On hold: a person in the lane/)).toBeTruthy();
    await hear(status('fault', { why: 'jam' }));
    expect(button('Clear the fault').disabled).toBe(false);
    vi.useFakeTimers();
    try {
      await act(async () => {
        FakeStream.open[0]!.onerror?.();
      });
    } finally {
      vi.useRealTimers();
    }
    expect(await screen.findByText(/The server does not answer\. A machine without its line stops/)).toBeTruthy();
  });
  test('another’s round on hold: whose it is is said, nobody resumes it unawares, and it is taken over by arming', async () => {
    const { asked, user } = show({ machine: wired }, takes);
    await hear(status('held', { program: { id: id(77), name: 'Deep and kind, Peregrine' } }));
    expect(screen.getByText(/Another round is on hold in the machine: Deep and kind, Peregrine\./)).toBeTruthy();
    expect(screen.queryByRole('button', { name: /^Resume/ })).toBeNull();
    await user.keyboard('{Shift>}R{/Shift}');
    expect(commands(asked)).toEqual([]);
    await user.click(await ready(/^Take it over/));
    await waitFor(() => expect(commands(asked)).toMatchObject([{ do: 'arm' }]));
    const { roundId } = commands(asked)[0];
    await hear(status('held', { program: { id: roundId, name: 'Mine' } }));
    expect(screen.queryByText(/Another round/)).toBeNull();
    await user.click(button(/^Resume/));
    await waitFor(() => expect(commands(asked).at(-1)).toEqual({ do: 'resume', program: roundId }));
  });
  test('another interval goes to the machine, and only what it takes is shown; armed anew it is told again', async () => {
    let refuse = false;
    const { asked, user } = show({ machine: wired }, (each) =>
      each.body?.do === 'pace' && refuse ? { status: 200, body: { ok: false, state: 'feeding', text: 'Too quick for it.' } } : takes(each),
    );
    await hear(status('idle'));
    await user.click(await ready(/^Arm/));
    const roundId = commands(asked)[0].roundId as string;
    await hear(status('feeding', { program: { id: roundId, name: 'x' }, intervalS: document.intervalS }));
    await user.click(button('Half a second later'));
    const slower = document.intervalS + 0.5;
    expect(commands(asked).at(-1)).toEqual({ do: 'pace', program: roundId, intervalS: slower });
    await hear(status('feeding', { program: { id: roundId, name: 'x' }, intervalS: slower }));
    expect(screen.queryByText(/Not what is shown/)).toBeNull();
    refuse = true;
    await user.click(button('Half a second sooner'));
    expect(await screen.findByText('Too quick for it.')).toBeTruthy();
    expect(within(screen.getByRole('group', { name: 'Interval' })).getByText(`every ${slower.toFixed(1)} s`)).toBeTruthy();
    await hear(status('idle', { intervalS: null }));
    refuse = false;
    await user.click(await ready(/^Arm/));
    await waitFor(() => expect(commands(asked).at(-1)).toMatchObject({ do: 'arm', roundId, intervalS: slower }));
  });
  test('who presses start walks over first, and may stop it on the way', async () => {
    const { asked, user } = show({ machine: wired }, takes);
    await hear(status('idle'));
    await user.click(screen.getByLabelText(/^Walk over first: \d+ s/));
    await user.click(await ready(/^Arm/));
    const roundId = commands(asked)[0].roundId as string;
    await hear(status('ready', { program: { id: roundId, name: 'x' } }));
    await user.click(button(/^Feed 4 balls/));
    await user.click(button(/^First ball in \d+ s: stop/));
    expect(button(/^Feed 4 balls/)).toBeTruthy();
    expect(commands(asked).map((each) => each.do)).toEqual(['arm']);
    vi.useFakeTimers();
    try {
      await act(async () => button(/^Feed 4 balls/).click());
      await act(() => vi.advanceTimersByTimeAsync(60_000));
    } finally {
      vi.useRealTimers();
    }
    expect(commands(asked).map((each) => each.do)).toEqual(['arm', 'feed']);
  });
  test('somebody else who holds the machine meanwhile is not overruled by who walks', async () => {
    const { asked, user } = show({ machine: wired }, takes);
    await hear(status('idle'));
    await user.click(screen.getByLabelText(/^Walk over first: \d+ s/));
    await user.click(await ready(/^Arm/));
    const program = { id: commands(asked)[0].roundId as string, name: 'x' };
    await hear(status('ready', { program }));
    vi.useFakeTimers();
    try {
      await act(async () => button(/^Feed 4 balls/).click());
      await act(() => vi.advanceTimersByTimeAsync(2000));
      await hear(status('held', { program }));
      await hear(status('ready', { program }));
      await act(() => vi.advanceTimersByTimeAsync(60_000));
    } finally {
      vi.useRealTimers();
    }
    expect(commands(asked).map((each) => each.do)).toEqual(['arm']);
  });
  test('a machine that throws at another interval than the page shows is an alarm', async () => {
    const { user } = show({ machine: wired }, takes);
    await hear(status('idle'));
    await user.click(await ready(/^Arm/));
    await hear(status('ready', { intervalS: document.intervalS + 1 }));
    expect(await screen.findByText(/Not what is shown/)).toBeTruthy();
  });
});
