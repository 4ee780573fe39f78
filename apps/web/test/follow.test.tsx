// @vitest-environment happy-dom
import type { RungDocument } from '@good-arc/core';
import { render, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { type LiveShown, liveBody } from '../src/api/live.ts';
import { AS_BEGUN, withBall } from '../src/views/courtside/run.ts';
import { shownOf } from '../src/views/courtside/shown.ts';
import Follow, { type Look } from '../src/views/live/Follow.tsx';
import { phaseOf } from '../src/words/live.ts';
import { button, document, id, machine, props, ready, show, twoKinds, wired } from './support/courtside.tsx';
import { type Asked, aPage } from './support/page.ts';
import { aViewer } from './support/viewer.ts';

/** The second kind from a second machine. */
const two: RungDocument = {
  ...twoKinds,
  feeds: twoKinds.feeds.map((feed) => (feed.id === 'b' ? { ...feed, machineId: id(3) } : feed)),
};
const run = {
  ...AS_BEGUN,
  ...{
    roundId: id(30),
    outingId: id(31),
    rungId: id(5),
    playerId: id(10),
    weather: document.weather,
    startedAt: '2026-05-01T10:00:00.000Z',
  },
  card: two,
  others: [],
};
const inputs = (part: object = {}) => ({
  ...{ run, document: two, program: [0, 1, 0, 1, 0, 1].map((index) => ({ index })), names: ['Ines Rookwood'], courtName: 'Court 1' },
  ...{ machine: wired, second: { ...machine, id: id(3), name: 'Wren' }, state: 'feeding', everyS: 4, dueAt: 5000, ...part },
});

/** A page that follows a round that stands like this. */
function follow(look: Look, part: Partial<LiveShown> = {}, row: object = {}) {
  const shown = { ...shownOf(inputs(), 2000), ...part };
  const page = aPage(({ path }: Asked) =>
    path.endsWith('/live') ? { status: 200, body: { id: id(30), shown, ageS: 0, isFinished: false, ...row } } : undefined,
  );
  render(<Follow viewer={aViewer()} roundId={id(30)} look={look} />);
  return page;
}

describe('what a device shows of its round', () => {
  test('fits the contract: count, streak, whose, what comes from which machine, and the seconds to it', () => {
    const balls = ['in', 'out', 'in', 'not-judged', 'in'].reduce(
      (all, outcome, i) => withBall(all, i + 1, { outcome: outcome as 'in', resultId: id(40 + i), feedId: i % 2 ? 'b' : 'w' }),
      [] as typeof run.balls,
    );
    const shown = shownOf(inputs({ run: { ...run, balls, out: [1] } }), 2000);
    expect(liveBody.parse(shown)).toEqual(shown);
    expect(shown).toMatchObject({ thrown: 5, of: 6, scores: [{ hits: 3, balls: 4 }], streak: 2, last: 'in', nextInS: 3 });
    expect(shown.machines).toEqual([
      { name: 'Bramble', lineOf: id(2) },
      { name: 'Wren', lineOf: null },
    ]);
    expect(shown.kinds).toEqual([{ index: 0, name: 'Wide' }]);
    expect(shown.coming).toEqual([{ index: 1, machine: 1 }]);
  });
  test('of two in turn each has a score, and the next is somebody’s', () => {
    const pair = { ...run, card: { ...two, hitters: 2 }, others: [{ playerId: id(11), roundId: id(33) }] };
    const balls = withBall(withBall([], 1, { outcome: 'in', resultId: id(40) }), 2, { outcome: 'out', resultId: id(41) });
    const shown = shownOf(inputs({ run: { ...pair, balls }, document: pair.card, names: ['Ines', 'Bo'] }), 0);
    expect([shown.scores, shown.whose]).toEqual([
      [
        { hits: 1, balls: 1 },
        { hits: 0, balls: 1 },
      ],
      'Ines',
    ]);
  });
  test('with speeds in secret each ball is shown as its own, not as the slower or quicker one it comes as', () => {
    const quicker = { ...twoKinds.feeds[1]!, id: 'b-quicker', variantOf: 'b' } as RungDocument['feeds'][number];
    const secretly: RungDocument = { ...twoKinds, feeds: [...twoKinds.feeds, quicker], secret: { byMps: 1.3, order: twoKinds.order } };
    const program = [0, 2, 1].map((index) => ({ index }));
    const shown = shownOf(inputs({ run: { ...run, card: secretly }, document: secretly, program, second: null }), 0);
    expect(shown.kinds.map(({ name }) => name)).toEqual(['Wide', 'Body']);
    expect(shown.coming.map(({ index }) => index)).toEqual([0, 1, 1]);
  });
  test('while a round goes on it is shown, and a wish from another screen is taken up once', async () => {
    const wish = { id: id(50), change: { kind: 'next', index: 1 } };
    const { user, shows } = show({ rung: { ...props().rung, document: twoKinds } }, (each) =>
      each.path.endsWith('/live') ? { status: 200, body: { isFollowed: true, wish } } : undefined,
    );
    await user.click(await ready(/^Begin round/));
    await waitFor(() => expect(shows.length).toBeGreaterThan(1));
    expect(liveBody.safeParse(shows[0]!.body).success).toBe(true);
    expect(await screen.findByText(/Another screen asked/)).toBeTruthy();
    await waitFor(() => expect(shows.at(-1)!.body.coming.map(({ index }: { index: number }) => index)).toEqual([1, 1, 0, 1, 0, 1]));
    await user.keyboard('j');
    await waitFor(() => expect(shows.at(-1)!.body.thrown).toBe(1));
    expect(shows.at(-1)!.body.coming[0].index).toBe(1); // the order of the card again: the wish was for one ball
    expect(screen.getAllByText(/Another screen asked/)).toHaveLength(1);
  });
});

describe('screens that follow', () => {
  test('the far screen tells the count and the seconds, and nothing of what comes', async () => {
    follow('far', { scores: [{ hits: 7, balls: 9 }], thrown: 9, of: 20, streak: 3 });
    expect((await screen.findByTestId('far-score')).textContent).toBe('7 of 9');
    const said = screen.getByLabelText('Far screen').textContent!;
    expect(said).toContain('ball 10 of 20');
    expect(said).toContain('3 running');
    expect(said).not.toMatch(/Wide|Body|Wren/);
  });
  test('on hold the far screen says so, with the count', async () => {
    follow('far', { state: 'held', scores: [{ hits: 7, balls: 9 }] });
    expect(await screen.findByText('Hold')).toBeTruthy();
    expect(screen.getByTestId('far-score').textContent).toBe('7 of 9');
  });
  test('the caller sees what comes from which machine, and overrules it; Hold is on the page', async () => {
    const { asked, user } = follow('caller');
    expect((await screen.findByTestId('caller-next')).textContent).toBe('Wide');
    expect(within(screen.getByRole('list', { name: 'After it' })).getAllByRole('listitem')[0]!.textContent).toBe('2Body · Wren');
    await user.click(button('Body'));
    await user.click(button('Skip it'));
    await user.click(button('Hold'));
    const wishes = asked.filter(({ path }) => path.endsWith('/wish')).map(({ body }) => body.change);
    expect(wishes).toEqual([{ kind: 'next', index: 1 }, { kind: 'skip' }]);
    expect(asked.at(-1)).toMatchObject({ path: `machines/${id(2)}/command`, body: { do: 'hold' } });
  });
  test('both feeders show and lower in one rhythm; only whose turn it is puts it in', async () => {
    const words = (isMine: boolean) => [null, 5, 2.5, 1, 0.3, 0].map((inS) => phaseOf(inS, isMine));
    expect(words(true)).toEqual(['wait', 'wait', 'show', 'down', 'in', 'in']);
    expect(words(false)).toEqual(['wait', 'wait', 'show', 'down', 'keep', 'keep']);
    follow('second', { coming: [{ index: 1, machine: 1 }] });
    expect((await screen.findByTestId('feeder-turn')).textContent).toBe('Yours is next: Body');
  });
  test('a round that is over says so; one that nobody shows says where to look', async () => {
    follow('far', {}, { isFinished: true });
    expect(await screen.findByText(/This round is over/)).toBeTruthy();
    aPage(({ path }) =>
      path.endsWith('/live') ? { status: 404, body: { type: 'about:blank', title: 'No', status: 404, errors: [] } } : undefined,
    );
    render(<Follow viewer={aViewer()} roundId={id(30)} look="far" />);
    expect(await screen.findByText('Nothing to follow')).toBeTruthy();
  });
});
