import { buildLadder, fitDrill, gameBallById, LIBRARY, nextStep, type RungDocument } from '@good-arc/core';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, test } from 'vitest';
import type { Kit, LadderRow, MachineRow, PlayerRow, Viewer } from '../src/api/rows.ts';
import { Finished } from '../src/views/courtside/Finished.tsx';
import { padsFor } from '../src/views/courtside/Pads.tsx';
import BuildLadder from '../src/views/ladders/BuildLadder.tsx';
import LadderPage from '../src/views/ladders/LadderPage.tsx';
import Library from '../src/views/ladders/Library.tsx';
import { drillMinutes, NOTHING, searchLibrary } from '../src/views/ladders/search.ts';
import PlanPage from '../src/views/plan/PlanPage.tsx';
import { aPlayer } from './support/player.ts';
import { profileOf } from './support/rig.ts';
import { textOf } from './support/text.ts';
import { aViewer } from './support/viewer.ts';

/** What the pages about ladders say, as text off their first rendering. */

const id = (n: number): string => `0190f3a0-0000-7000-8000-${String(n).padStart(12, '0')}`;
const viewer = aViewer();
const machine = (n: number, name: string, kind: string): MachineRow => ({
  version: 1,
  id: id(n),
  name,
  profile: profileOf(kind),
  dials: [],
  today: null,
  linkAddress: '',
  notes: '',
});
const player = (n: number, name: string, level: PlayerRow['level']): PlayerRow =>
  aPlayer({ id: id(n), name, level, avoid: level === 'Starting' ? 'serves two days running' : '' });
const kit: Kit = {
  players: [player(11, 'Ada Thorne', 'Starting'), player(12, 'Bea Lunn', 'Building'), player(13, 'Cy Marl', 'Building')],
  squads: [],
  courts: [
    {
      version: 1,
      id: id(1),
      name: 'Court 1',
      sport: 'tennis',
      surfaceId: 'tennis-acrylic-medium',
      indoor: false,
      ceilingM: null,
      marksM: [],
      notes: '',
    },
  ],
  balls: [
    {
      version: 1,
      id: id(3),
      name: 'Green ones',
      ballId: 'tennis-stage1-green',
      count: 60,
      condition: 'good',
      openedOn: '',
      dragShare: 1,
      notes: '',
    },
    {
      version: 1,
      id: id(4),
      name: 'Standard ones',
      ballId: 'tennis-standard',
      count: 90,
      condition: 'good',
      openedOn: '',
      dragShare: 1,
      notes: '',
    },
  ],
  machines: [machine(2, 'Bramble', 'Two-wheel portable')],
  gameBalls: [],
};
const venue = {
  sport: 'tennis',
  court: { id: id(1), surfaceId: 'tennis-acrylic-medium' },
  machine: { id: id(2), profile: profileOf('Two-wheel portable') },
  ballId: 'tennis-standard',
  level: 'Building',
  weather: { temperatureC: 20, altitudeM: 0, relativeHumidity: 0.5, windXMps: 0, windYMps: 0 },
} as const;
const { rungs } = buildLadder({
  ...venue,
  gameBall: gameBallById('tennis-rally-drive-building')!,
  hand: 'right',
  wing: 'forehand',
  heightM: 1.7,
  focalPoint: 'Split as it leaves',
  minutes: 30,
  hopperBalls: 90,
  approach: 'sweet-spot',
  wanted: 'working',
});
const ladderOf = (documents: readonly RungDocument[], part: Partial<LadderRow> = {}): LadderRow => ({
  id: id(5),
  version: 1,
  name: 'Forehand',
  sport: 'tennis',
  level: 'Building',
  approach: 'in-a-row',
  origin: null,
  rungs: documents.map((document, position) => ({ id: id(20 + position), ladderId: id(5), position, document })),
  ...part,
});
const page = (ladder: LadderRow, rates: Parameters<typeof LadderPage>[0]['rates'] = [], who: Viewer = viewer): string =>
  textOf(
    renderToStaticMarkup(
      <LadderPage
        viewer={who}
        kit={kit}
        ladder={ladder}
        rates={rates}
        verdicts={[]}
        thumbs={[]}
        drill={LIBRARY.find((each) => each.id === ladder.origin?.drillId) ?? null}
      />,
    ),
  );

describe('a ladder', () => {
  test('hardest on top; each rung with its balls, target, gate, minutes, demand and comfort', () => {
    const said = page(ladderOf(rungs));
    expect(said.indexOf('Rally drive, quicker')).toBeLessThan(said.indexOf('From inside the service box'));
    expect(said).toMatch(/4 × \d+ balls, every 3.5 s 1\d ft( \d+ in)? wide, deep left corner climb at \d+ of \d+/);
    expect(said).toMatch(/demand \d+ calm/);
    expect(said).not.toContain('Big step');
    expect(said).toContain('A streak without a miss opens the next rung.');
  });
  test('a missing rung shows as a big step with what changes; a ladder upside down as steps down', () => {
    expect(page(ladderOf([rungs[0]!, rungs[4]!]))).toMatch(/Big step: demand \+\d+, 3 things change placement, pace, spin Even it out/);
    expect(page(ladderOf([...rungs].reverse()))).toContain('A step down: demand −');
  });
  test('survival pace is named; a rung that cannot be judged says why', () => {
    expect(page(ladderOf([{ ...rungs[4]!, intervalS: 1 }]))).toContain('survival pace');
    const off = { ...rungs[0]!, feeds: rungs[0]!.feeds.map((feed) => ({ ...feed, on: false })) };
    expect(page(ladderOf([off]))).toContain('Not judged: no ball of it is switched on.');
  });
  test('expected balls from the recent rate, and a hopeless gate is seen before it starts', () => {
    const streak = { ...rungs[0]!, ballsPerRound: 12, gate: { streak: 10 } };
    const rates = [{ playerId: id(12), name: 'Bea Lunn', hits: 14, balls: 20 }];
    const said = page(ladderOf([streak, rungs[1]!]), rates);
    expect(said).toMatch(/climb at 10 in a row in about 1[0-9]{2} balls/); // p = 0.69: (1 − p^10)/((1 − p)·p^10) is about 130
    expect(said).toContain('Bea Lunn hit 14 of the last 20 here');
    expect(page(ladderOf([streak]), [{ playerId: id(12), name: 'Bea Lunn', hits: 4, balls: 20 }])).toContain('hopeless at the recent rate');
    // two balls say nothing
    expect(page(ladderOf([streak]), [{ playerId: id(12), name: 'Bea Lunn', hits: 0, balls: 2 }])).not.toContain('hopeless');
  });
  test('a copy of a built-in says what is one’s own; a helper sees no way to change', () => {
    const drill = LIBRARY.find(({ id: drillId }) => drillId === 'tennis-baseline-groove')!;
    const fitted = fitDrill(drill, { ...venue, hand: 'right', heightM: 1.7, approach: 'sweet-spot' }).rungs;
    const origin = { drillId: drill.id, rungs: fitted };
    expect(page(ladderOf(fitted, { origin }))).toContain('Groove from the baseline , as it came.');
    expect(page(ladderOf([{ ...fitted[0]!, intervalS: 6 }, ...fitted.slice(1)], { origin }))).toContain(
      'one rung is your own: From the service line (interval).',
    );
    expect(page(ladderOf([rungs[0]!, rungs[4]!]), [], { ...viewer, canPlan: false })).not.toContain('Even it out');
  });
  test('no rungs: what to do first', () => {
    expect(page(ladderOf([]))).toContain('Build one to a game ball');
  });
});

describe('building and the library', () => {
  const build = (search: string): string => textOf(renderToStaticMarkup(<BuildLadder viewer={viewer} kit={kit} search={search} />));
  test('the address chooses player, ball and game; softer balls and what to avoid come with a beginner', () => {
    const said = build(`?player=${id(11)}`);
    expect(said).toContain('Avoid: serves two days running');
    expect(said).toContain('Lower-compression balls take the sting');
    expect(said).toContain('From near the net');
  });
  test('more swings than a young player should have in a day are said, with the minutes that keep to fewer', () => {
    const year = new Date().getFullYear();
    const young = { ...kit, players: kit.players.map((each) => (each.id === id(11) ? { ...each, bornYear: year - 10 } : each)) };
    const said = textOf(renderToStaticMarkup(<BuildLadder viewer={viewer} kit={young} search={`?player=${id(11)}&minutes=60`} />));
    expect(said).toMatch(/\d{3} swings each in a day\..*180 a day is where to think at 9/);
    const [, fewer] = /Make it (\d+) minutes/.exec(said)!;
    expect(Number(fewer)).toBeGreaterThanOrEqual(5);
    expect(Number(fewer)).toBeLessThan(40);
    expect(
      textOf(renderToStaticMarkup(<BuildLadder viewer={viewer} kit={young} search={`?player=${id(11)}&minutes=${fewer}`} />)),
    ).not.toContain('each in a day');
  });
  test('short of the game ball it says what is missing and what would help', () => {
    const said = build('?game=tennis-first-serve-advanced');
    expect(said).toMatch(/It stops short of the game ball\.|No rung can be thrown like this\./);
    expect(said).toMatch(/Move the machine closer|Another machine/);
  });
  test('a club without a court and a machine of one sport is told to add them', () => {
    expect(textOf(renderToStaticMarkup(<BuildLadder viewer={viewer} kit={{ ...kit, machines: [] }} search="" />))).toContain('Open Kit');
  });
  test('a drill: its words, its rungs here, and its copies', () => {
    const copies = [{ id: id(5), name: 'Ours', origin: { drillId: 'tennis-in-behind-it', rungs: [] } }];
    const said = textOf(renderToStaticMarkup(<Library viewer={viewer} kit={kit} ladders={copies} search="?drill=tennis-in-behind-it" />));
    for (const words of ['Common faults', 'Take care', 'Here, on Bramble', 'Approach, then volley', 'Your own copies: Ours'])
      expect(said).toContain(words);
  });
  test('search by words, also half-written and misspelt, and by what there is', () => {
    expect(searchLibrary({ ...NOTHING, text: 'marker' }).map((drill) => drill.name)).toContain('Five markers');
    expect(searchLibrary({ ...NOTHING, text: 'vollley net' }).length).toBeGreaterThan(0);
    expect(searchLibrary({ ...NOTHING, text: 'zebra' })).toEqual([]);
    expect(searchLibrary(NOTHING)).toHaveLength(LIBRARY.length);
    for (const drill of searchLibrary({ ...NOTHING, sport: 'pickleball', players: 3, minutes: 15 })) {
      expect(drill.sport).toBe('pickleball');
      expect(drillMinutes(drill)).toBeLessThanOrEqual(15);
      expect(drill.players[0]).toBeLessThanOrEqual(3);
    }
  });
});

describe('a plan', () => {
  const plan = (ladder: LadderRow): string =>
    textOf(
      renderToStaticMarkup(
        <PlanPage viewer={viewer} kit={kit} ladder={ladder} plan={null} rounds={[]} elsewhere={{}} startsAt="2026-12-01T16:00" />,
      ),
    );
  test('begins with the players of the level, and says who hits when', () => {
    const said = plan(ladderOf(rungs));
    expect(said).toMatch(/16:00 to 1\d:\d\d · Bea Lunn \d+ turns, \d+ balls · Cy Marl \d+ turns/);
    expect(said).toContain('16:00 1 · From inside the service box');
    expect(said).not.toContain('Call sheet');
  });
  test('a rung that is shuffled has a call sheet', () => {
    const two = {
      ...rungs[0]!,
      order: { kind: 'bag' as const },
      feeds: [rungs[0]!.feeds[0]!, { ...rungs[0]!.feeds[0]!, id: 'b2', name: 'Another' }],
    };
    expect(plan(ladderOf([two]))).toContain('Call sheet');
  });
  test('a ladder without rungs cannot be planned yet', () => {
    expect(plan(ladderOf([]))).toContain('The ladder has no rungs yet.');
  });
});

describe('courtside, by approach', () => {
  const count = { hits: 8, balls: 10, longestRun: 6 };
  const said = (approach: LadderRow['approach'], need: RungDocument['gate']): string => {
    const step = nextStep({ approach, need, roundsAsked: 2, rounds: [count] });
    const finished = [{ roundId: id(30), playerId: id(12), name: 'Ines Rookwood', ...count, shown: count, points: null, step, notes: '' }];
    return textOf(
      renderToStaticMarkup(
        <Finished finished={finished} approach={approach} next={{ id: id(31), name: 'The next' }} turn={null} rung={null} />,
      ),
    );
  };
  test('the verdict of each approach, with the way up where there is one', () => {
    expect(said('sweet-spot', { hits: 8, of: 10 })).toMatch(/climb\. .*Climb to “The next”/);
    expect(said('in-a-row', { streak: 7 })).toMatch(/stay\. .*again\./);
    expect(said('in-a-row', { streak: 7 })).not.toContain('Climb to');
    expect(said('earn-it', { hits: 7, of: 10 })).toMatch(/climb\. .*is met/);
    expect(said('coachs-eye', { hits: 7, of: 10 })).toMatch(/coach’s call\..*Climb to/);
  });
  test('under the coach’s eye the pads ask for form', () => {
    const names = (...asked: Parameters<typeof padsFor>) => padsFor(...asked).map(({ name }) => name);
    const document = rungs[0]!;
    expect(names('coachs-eye', 'tennis', document)).toEqual(['Form held', 'Unsure', 'Form lost', 'Let go']);
    expect(names('earn-it', 'tennis', document)).toEqual(['In', 'Near', 'Out', 'Let go']);
    const pitch = { feeds: [{ ...document.feeds[0]!, target: { kind: 'plane' as const, planeY: 0.2, x: 0, z: 0.8 } }] };
    expect(names('earn-it', 'baseball', pitch)).toEqual(['Hit', 'Foul', 'Miss', 'Took']);
    expect(names('earn-it', 'baseball', document)).toEqual(['Clean', 'Bobbled', 'Missed', 'Left']);
  });
});
