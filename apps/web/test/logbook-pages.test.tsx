// @vitest-environment happy-dom
import { nextOuting, nextStepOn, type OutingRung, planSchema } from '@good-arc/core';
import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { renderToString } from 'react-dom/server';
import { describe, expect, test, vi } from 'vitest';
import type { ClubWeek, CorrectionRow, RoundRow } from '../src/api/rows.ts';
import { useOwnTime } from '../src/ui/Moment.tsx';
import { outbox } from '../src/ui/outbox.ts';
import { localMoment, printMoment, sayDay } from '../src/ui/when.ts';
import ClubPage from '../src/views/club/ClubPage.tsx';
import AddRounds from '../src/views/logbook/AddRounds.tsx';
import Logbook from '../src/views/logbook/Logbook.tsx';
import RoundPage from '../src/views/logbook/RoundPage.tsx';
import NextPage from '../src/views/next/NextPage.tsx';
import { sayMarks } from '../src/words/logbook.ts';
import { sayReason } from '../src/words/next.ts';
import { aPage } from './support/page.ts';
import { rungDocument } from './support/rig.ts';
import { aViewer } from './support/viewer.ts';

const id = (n: number): string => `0190f3a0-0000-7000-8000-${String(n).padStart(12, '0')}`;
const card = rungDocument(id(1), id(2));
const ball = (seq: number, outcome: 'in' | 'out') => ({
  id: id(100 + seq),
  seq,
  feedId: card.feeds[0]!.id,
  outcome,
  speedMps: 17.2,
  elevationDeg: 18,
  bearingDeg: 178,
  radarMps: null,
  landing: null,
  target: null,
});
const round: RoundRow = {
  id: id(3),
  outingId: id(4),
  rungId: id(5),
  playerId: id(10),
  machineId: id(2),
  courtId: id(1),
  playerName: 'Ines Rookwood',
  machineName: 'Bramble',
  courtName: 'Court 1',
  ladderName: 'Climb',
  card,
  weather: card.weather,
  confirmedBy: null,
  notes: '',
  source: 'court',
  startedAt: '2026-11-20T15:00:00.000Z',
  finishedAt: '2026-11-20T15:05:00.000Z',
  results: [ball(1, 'in'), ball(2, 'out')],
};
const PLAYERS = [
  { id: id(10), name: 'Ines Rookwood' },
  { id: id(11), name: 'Bo Tallowby' },
];

describe('a round, ball by ball', () => {
  const page = (corrections: CorrectionRow[] = []) => (
    <RoundPage
      viewer={aViewer()}
      round={round}
      sport="tennis"
      players={PLAYERS}
      corrections={corrections}
      dials="Speed 5½"
      ladderId={id(6)}
      step={nextStepOn(card, 'sweet-spot', [round])}
    />
  );
  const show = () => render(page());

  test('drawn by a server whose clock is another, it is taken over as it stands, and its moments are the device’s', () => {
    aPage(() => undefined);
    const moved = { id: id(50), at: round.startedAt, personName: 'Ada', what: 'moment', seq: null } as const;
    const whole = page([{ ...moved, was: '2026-11-19T15:00:00.000Z', became: round.startedAt }]);
    const drawn = renderToString(whole);
    expect(drawn).toContain(card.name);
    const said = printMoment(round.startedAt);
    // one moment, which is said again when the page listens, and no field of one
    expect(drawn.split(said)).toHaveLength(2);
    expect(drawn).not.toContain('datetime-local');
    const container = document.body.appendChild(document.createElement('div'));
    container.innerHTML = drawn.replace(said, 'Mon 1 Jan, 00:00');
    const onRecoverableError = vi.fn();
    render(whole, { container, hydrate: true, onRecoverableError });
    expect(onRecoverableError).not.toHaveBeenCalled();
    expect(within(container).getByLabelText<HTMLInputElement>('When').value).toBe(localMoment(round.startedAt));
    expect(container.textContent).toContain(`now ${said}.`);
  });

  test('what the machine’s own spread took of it stands below what it was set to; without an answer nothing is said', async () => {
    const spoiled = { share: 0, parts: { net: 0, out: 0, beyond: 0 }, within90: { acrossM: 0.3, heightM: 0.2, timeS: 0.05 } };
    aPage(({ path }) => (path === `rounds/${id(3)}/spoiled` ? { status: 200, body: spoiled } : undefined));
    const { unmount } = show();
    expect(
      await screen.findByText(/takes hardly a ball\. Nine of ten of the others come within ± 1 ft to a side and ± 8 in in height/),
    ).toBeTruthy();
    unmount();
    aPage(() => ({ status: 503, body: { type: 'about:blank', title: 'The database rests.', status: 503, errors: [] } }));
    show();
    expect(screen.queryByText(/own spread/)).toBeNull();
  });

  test('what this device still has of the round is said; once the server has it the page is loaded again, but not with something typed in it, nor under somebody who leaves it', async () => {
    const reload = vi.spyOn(window.location, 'reload').mockImplementation(() => {});
    let isAway = true;
    const { user } = aPage(({ path }) =>
      path === `rounds/${id(3)}/finish` && isAway
        ? { status: 503, body: { type: 'about:blank', title: 'The database rests.', status: 503, errors: [] } }
        : undefined,
    );
    const send = async (): Promise<void> => {
      isAway = false;
      await act(() => outbox().flush(true));
      isAway = true;
    };
    const finish = { method: 'POST', path: `rounds/${id(3)}/finish`, body: {}, what: 'Round finished' } as const;
    act(() => outbox().add({ ...finish, path: `rounds/${id(4)}/finish` }));
    const { unmount } = show();
    expect(screen.queryByText(/still sending/)).toBeNull();
    act(() => outbox().add(finish));
    expect(await screen.findByText(/still sending/)).toBeTruthy();
    await send();
    expect(reload).toHaveBeenCalledTimes(1);
    act(() => outbox().add(finish));
    await user.type(screen.getByRole('textbox', { name: /Notes/ }), 'Windy');
    await send();
    expect(reload).toHaveBeenCalledTimes(1);
    fireEvent.click(screen.getByRole('button', { name: 'Show it' }));
    expect(reload).toHaveBeenCalledTimes(2);
    unmount();
    show();
    act(() => outbox().add(finish));
    expect(await screen.findByText(/still sending/)).toBeTruthy();
    fireEvent(window, new Event('beforeunload'));
    await send();
    expect(reload).toHaveBeenCalledTimes(2);
  });
  test('a ball is put right with one press, and its history says what it was', async () => {
    const { asked, user } = aPage();
    show();
    expect(document.body.textContent).toContain('Speed 5½, by today’s curve');
    await user.click(screen.getByRole('button', { name: 'Ball 2: out' }));
    await user.click(within(screen.getByRole('group', { name: 'Ball 2 was' })).getByRole('button', { name: 'In' }));
    expect(asked).toMatchObject([{ method: 'PATCH', path: `rounds/${id(3)}`, body: { balls: [{ seq: 2, outcome: 'in' }] } }]);
    expect(screen.getByRole('button', { name: 'Ball 2: in' })).toBeTruthy();
    expect(screen.getByRole('region', { name: 'Put right' }).textContent).toContain('Ball 2: out, now in.');
    expect(document.body.textContent).toContain('2 of 2');
  });
  test('whose it was and a note are saved together; what the server refuses is not shown as done', async () => {
    let status = 503;
    const { asked, user } = aPage(() => ({ status, body: { type: 'about:blank', title: 'The database rests.', status, errors: [] } }));
    show();
    await user.selectOptions(screen.getByLabelText('Player'), id(11));
    await user.type(screen.getByLabelText(/Notes/), 'Look at 3:12');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    expect(screen.getByRole('heading', { level: 1 }).textContent).toContain('Ines');
    status = 204;
    await user.click(screen.getByRole('button', { name: 'Save' }));
    expect(screen.getByRole('heading', { level: 1 }).textContent).toContain('Bo Tallowby');
    expect(asked.at(-1)!.body).toEqual({ playerId: id(11), notes: 'Look at 3:12' });
  });
});

const OwnTime = () => {
  useOwnTime();
  return null;
};

describe('the list of rounds', () => {
  const line = {
    id: id(3),
    startedAt: round.startedAt,
    isFinished: true,
    playerName: 'Ines Rookwood',
    rungName: card.name,
    ladderName: 'Climb',
    forLearning: false,
    hits: 1,
    balls: 2,
  };
  const asked = { player: null, ladder: null, from: null, to: null, word: null };
  const show = () =>
    render(
      <Logbook
        viewer={aViewer()}
        rounds={[line]}
        open={null}
        players={PLAYERS}
        ladders={[]}
        asked={asked}
        views={[]}
        playerId={null}
        older={null}
        isFirst
        progress={null}
      />,
    );

  test('knows its count without a ball; the balls are asked for when it is opened, and what the server refuses is said there', async () => {
    let status = 503;
    const { asked: sent, user } = aPage(() =>
      status === 200
        ? { status, body: round }
        : { status, body: { type: 'about:blank', title: 'The database rests.', status, errors: [] } },
    );
    show();
    expect(sent).toEqual([]);
    const row = screen.getByRole('button', { name: new RegExp(card.name) });
    expect(row.closest('tr')!.textContent).toContain('1 of 2');
    await user.click(row);
    expect((await screen.findByRole('alert')).textContent).toContain('The database rests.');
    await user.click(row);
    status = 200;
    await user.click(row);
    expect((await screen.findByRole('list', { name: 'Balls' })).children).toHaveLength(2);
    expect(sent.map(({ path }) => path)).toEqual([`rounds/${id(3)}`, `rounds/${id(3)}`]);
  });
  test('a moment that the server drew in its own time is said again in that of the device', () => {
    document.body.innerHTML = `<time datetime="${round.startedAt}" data-said="moment">Fri 20 Nov, 99:00</time><time datetime="${round.startedAt}" data-said="day">0 Nov</time>`;
    render(<OwnTime />);
    expect([...document.querySelectorAll('time')].map(({ textContent }) => textContent)).toEqual([
      printMoment(round.startedAt),
      sayDay(round.startedAt),
    ]);
  });
});

describe('rounds without the app', () => {
  const rungs = [{ id: id(5), number: 1, name: card.name, ladderName: 'Climb', document: card, kinds: [{ index: 0, balls: 10 }] }];
  const show = () =>
    render(<AddRounds viewer={aViewer()} players={PLAYERS} rungs={rungs} playerId={id(11)} rungId={id(5)} today="2026-11-26" />);

  test('one from paper goes with its player, its moment and every ball', async () => {
    const { asked, user } = aPage();
    vi.stubGlobal('location', { assign: vi.fn() });
    show();
    fireEvent.change(screen.getByLabelText('When'), { target: { value: '2026-11-20T16:30' } });
    fireEvent.change(screen.getByLabelText('Hits'), { target: { value: '7' } });
    fireEvent.blur(screen.getByLabelText('Hits'));
    await user.click(screen.getByRole('button', { name: 'Add this round' }));
    const [sent] = asked[0]!.body.rounds;
    expect(sent).toMatchObject({ playerId: id(11), rungId: id(5), startedAt: new Date('2026-11-20T16:30').toISOString() });
    expect(sent.outcomes.filter((each: string) => each === 'in')).toHaveLength(7);
    expect(sent.outcomes).toHaveLength(10);
  });
  test('one that is still to come, or of nobody, is not sent', async () => {
    const { asked, user } = aPage();
    show();
    fireEvent.change(screen.getByLabelText('When'), { target: { value: '2099-11-20T16:30' } });
    await user.click(screen.getByRole('button', { name: 'Add this round' }));
    expect(screen.getByRole('alert').textContent).toContain('still to come');
    await user.selectOptions(screen.getByLabelText('Player'), '');
    await user.click(screen.getByRole('button', { name: 'Add this round' }));
    expect(screen.getByRole('alert').textContent).toContain('whose round');
    expect(asked).toEqual([]);
  });
  test('a sheet names what is wrong, and sends only what is right, once it is told to', async () => {
    const { asked, user } = aPage();
    show();
    const text = `day,player,rung,hits,balls\n2026-11-20,Bo Tallowby,${card.name},6,10\n2026-11-20,Nobody,${card.name},6,10\n`;
    await user.upload(screen.getByLabelText('Choose a file'), new File([text], 'may.csv', { type: 'text/csv' }));
    expect(await screen.findByText(/“Nobody” is no player of the club/)).toBeTruthy();
    expect(asked).toEqual([]);
    await user.click(screen.getByRole('button', { name: 'Add the 1 that are right' }));
    expect(asked[0]!.body.rounds).toMatchObject([{ playerId: id(11), source: 'sheet' }]);
    expect((await screen.findByRole('status')).textContent).toContain('1 round was added');
  });
});

describe('what next', () => {
  const rung = (n: number, share: number, name: string): OutingRung => ({
    rungId: id(n),
    ladderId: id(6),
    document: { ...card, name },
    isWeaker: false,
    players: [
      {
        playerId: id(10),
        share,
        interval90: [share - 0.1, share + 0.1],
        balls: 30,
        lastDay: null,
        verdict: null,
        halfWidthM: share > 0.6 ? 2 : null,
      },
    ],
  });
  const question = {
    rungs: [rung(20, 0.75, 'Kind'), rung(21, 0.5, 'Half'), rung(22, 0.3, 'Hard')],
    playerIds: [id(10)],
    day: 20_000,
    swingsLeft: null,
    minutes: 20,
  };
  const show = () =>
    render(
      <NextPage
        {...question}
        proposed={nextOuting(question)}
        thumbs={[]}
        viewer={aViewer()}
        players={PLAYERS.map((each) => ({ ...each, avoid: each.id === id(10) ? 'Serves on two days running.' : '' }))}
        courts={[{ id: id(1), name: 'Court 1' }]}
        courtId={id(1)}
        sport="tennis"
        ladderNames={{ [id(6)]: 'Climb' }}
        startsAt="2026-11-26T16:00"
      />,
    );

  test('every part has its reason; what is changed is what is kept as a plan', async () => {
    const { asked, user } = aPage();
    vi.stubGlobal('location', { assign: vi.fn() });
    show();
    expect(document.body.textContent).toContain('Ines Rookwood should avoid: Serves on two days running.');
    expect(document.body.textContent).toContain('About half will succeed (50 %)');
    const begins = screen.getByLabelText<HTMLInputElement>('Begins');
    // not as the server drew it, days ago
    expect(begins.value.slice(0, 10)).toBe(localMoment(new Date().toISOString()).slice(0, 10));
    fireEvent.change(begins, { target: { value: '2026-11-26T17:15' } });
    await user.click(screen.getByRole('button', { name: 'Take out Hard' }));
    await user.click(within(screen.getByRole('group', { name: 'Rounds of Kind' })).getByRole('button', { name: 'One round more' }));
    await user.click(screen.getByRole('button', { name: 'Keep as a plan' }));
    const plan = asked[0]!.body;
    expect(planSchema.safeParse(plan).success).toBe(true);
    expect(plan.rungs[0]).toEqual({ rungId: id(20), rounds: 2, role: 'warm-up' });
    expect(plan.rungs.map((each: { rungId: string }) => each.rungId)).not.toContain(id(22));
    expect(plan).toMatchObject({ name: 'Ines Rookwood, what next', playerIds: [id(10)], startsAt: '2026-11-26T17:15' });
  });
  test('what was changed can be proposed anew', async () => {
    const { user } = aPage();
    show();
    const before = screen.getByTestId('next-sums').textContent;
    await user.click(screen.getByRole('button', { name: 'Take out Kind' }));
    expect(screen.getByTestId('next-sums').textContent).not.toBe(before);
    await user.click(screen.getByRole('button', { name: 'Propose it anew' }));
    expect(screen.getByTestId('next-sums').textContent).toBe(before);
    // for less time less is proposed
    const minutes = screen.getByLabelText('Minutes');
    await user.clear(minutes);
    await user.type(minutes, '5{Enter}');
    const lasts = Number.parseFloat(screen.getByTestId('next-sums').textContent ?? '');
    expect(lasts).toBeGreaterThan(0);
    expect(lasts).toBeLessThan(Number.parseFloat(before ?? ''));
  });
});

test('the club: who got worse, who stands still, which rung is wrong, what wants a look, each said once', () => {
  const stalled = {
    ladderId: id(6),
    ladderName: 'Climb',
    rungId: id(5),
    rungName: 'Deep and kind',
    number: 1,
    of: 4,
    verdict: 'stay' as const,
    reason: '',
    rounds: 7,
    isStalled: true,
  };
  const week: ClubWeek = {
    players: [
      {
        id: id(10),
        name: 'Ines Rookwood',
        last: '2026-11-20T15:00:00.000Z',
        rounds: 7,
        hits: 20,
        balls: 65,
        trends: [{ sport: 'tennis', stroke: 'groundstroke', trend: 'worse' }],
        stalled: [{ ...stalled, since: '2026-10-20T15:00:00.000Z', last: '2026-11-20T15:00:00.000Z' }],
      },
    ],
    away: ['Bo Tallowby'],
    wrong: [
      {
        rungId: id(5),
        ladderId: id(6),
        name: 'Deep and kind',
        ladderName: 'Climb',
        players: 3,
        rounds: 9,
        hits: 20,
        balls: 90,
        isHard: true,
      },
    ],
    demand: { times: 1.6, players: 9 },
    kit: [
      { what: 'machine', id: id(2), name: 'Bramble', code: 'never-tuned' },
      { what: 'machine', id: id(7), name: 'Wren', code: 'never-tuned' },
      { what: 'basket', id: id(8), name: 'Old basket', code: 'opened-long-ago', days: 90 },
    ],
  };
  const said = render(<ClubPage viewer={aViewer()} week={week} />).container.textContent!;
  expect(said).toContain('Clearly worse than four weeks before.');
  expect(said).toContain('Stalled since 20 Oct on “Deep and kind”');
  expect(said).toContain('22 % of 90 balls by 3 players in 9 rounds: too hard');
  expect(said).toContain('Bramble, WrenNever tuned');
  expect(said).toContain('Opened 90 days ago');
  expect(said).toContain('1.60 times as far as off a kind one, by what 9 players here hit');
});

test('what was different on a day, and why a rung comes next, in words', () => {
  const speed = (mps: number): string => `${mps} m/s`;
  expect(sayMarks({ windMps: 5, isNewCard: true, ballId: null }, speed)).toBe('another card, wind 5 m/s');
  expect(sayMarks({ windMps: 1, isNewCard: false, ballId: null }, speed)).toBe('');
  expect(sayReason({ code: 'fading', days: 12, share: 0.8 })).toBe('Won 12 days ago: once more, so that it stays.');
  expect(sayReason({ code: 'gate', chance: 0.4, need: { hits: 8, of: 10 } })).toContain('8 of 10; the chance is 40 %');
});
