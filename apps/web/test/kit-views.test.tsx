import {
  arrange,
  curveFrom,
  type Dial,
  firstChecklist,
  firstDials,
  firstSetup,
  fitTuneUp,
  makeCard,
  readFile,
  type TestBall,
  writeCardText,
} from '@good-arc/core';
import type { ReactNode } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, test } from 'vitest';
import type { CourtRow, Kit, LadderRow, MachineRow, TuneUpRow } from '../src/api/rows.ts';
import { demoTuneUp } from '../src/db/demo-tune-ups.ts';
import { dialWords } from '../src/ui/dialWords.ts';
import { qrPath } from '../src/ui/qrPath.ts';
import { sayMachine, sayTurn } from '../src/ui/setUpWords.ts';
import { Units } from '../src/ui/Units.tsx';
import { DialLine } from '../src/views/bench/DialLine.tsx';
import type { BenchState } from '../src/views/bench/useBench.ts';
import { SetupCard } from '../src/views/card/Card.tsx';
import { cardLines } from '../src/views/card/describe.ts';
import { MachineMore } from '../src/views/kit/MachineMore.tsx';
import { DialForm } from '../src/views/machine/DialForm.tsx';
import MachinePage from '../src/views/machine/MachinePage.tsx';
import { BallList } from '../src/views/tune/BallList.tsx';
import { FitWords } from '../src/views/tune/FitWords.tsx';
import { firstTune, newBall, tapped, withSeen } from '../src/views/tune/state.ts';
import { profileOf, rungDocument, straightCurve } from './support/rig.ts';
import { textOf } from './support/text.ts';
import { aViewer } from './support/viewer.ts';

/** What the pages about machines say, as text off their first rendering. */

const text = (node: ReactNode): string => textOf(renderToStaticMarkup(<Units system="imperial">{node}</Units>));
const profile = profileOf('Two-wheel portable');
const courtId = '01890000-0000-7000-8000-000000000001';
const tuneUpOf = (id: string) =>
  demoTuneUp({ name: 'Bramble', profile }, firstDials(profile).find((dial) => dial.id === id)!, { courtId, ballStockId: courtId });
const tuned = firstDials(profile).map((dial): Dial => {
  if (dial.moves === 'topspin') return dial;
  const tuneUp = tuneUpOf(dial.id);
  return { ...dial, curve: curveFrom(fitTuneUp(tuneUp, dial, profile)!, tuneUp, '2026-05-01T10:00:00.000Z') };
});
const machine: MachineRow = { version: 1, id: courtId, name: 'Bramble', profile, dials: tuned, today: null, linkAddress: '', notes: '' };
const court: CourtRow = {
  version: 1,
  id: courtId,
  name: 'Court 3',
  sport: 'tennis',
  surfaceId: 'tennis-clay',
  indoor: false,
  ceilingM: null,
  marksM: [],
  notes: '',
};
const viewer = aViewer({ altitudeM: 900 });
const ladder: LadderRow = {
  id: courtId,
  version: 1,
  name: 'Backhand',
  sport: 'tennis',
  level: 'Building',
  approach: 'sweet-spot',
  origin: null,
  rungs: ['Kind', 'Deeper'].map((name, position) => ({
    id: `r${position}`,
    ladderId: courtId,
    position,
    document: rungDocument(courtId, courtId, name),
  })),
};

test('a rung says where the dials of a tuned machine stand, and nothing where none is tuned', () => {
  const [{ document }] = ladder.rungs as [LadderRow['rungs'][number]];
  expect(dialWords(document, machine)).toMatch(/^Speed \d½? · Elevation \d+½?$/);
  expect(dialWords(document, { ...machine, dials: firstDials(profile) })).toBe('');
  expect(dialWords(document, undefined)).toBe('');
});

describe('the setup card', () => {
  const card = (over: Partial<MachineRow> = {}, of = ladder, machines = [{ ...machine, ...over }]): string =>
    text(
      <SetupCard
        ladder={of}
        machine={{ ...machine, ...over }}
        machines={machines}
        court={court}
        stock={[]}
        checks={firstChecklist(profile)}
        address="http://127.0.0.1/card"
        day="2026-05-02"
      />,
    );
  test('dial values where dials are tuned, every rung with the hardest on top, checks and cautions', () => {
    const said = card();
    expect(said).toMatch(/Speed \d+½? \d+ mph, ± [\d.]+ mph/);
    expect(said).toMatch(/Elevation \d½? 18°/);
    expect(said.indexOf('Deeper')).toBeLessThan(said.indexOf('Kind'));
    expect(said).toContain('5 of 10');
    expect(said).toContain('battery above half');
    expect(said).toContain('The machine’s manual and the club’s rules come first.');
    expect(said).toContain('of the centre line');
  });
  test('figures where no dial is tuned, with that said', () => {
    const said = card({ dials: firstDials(profile) });
    expect(said).toMatch(/Speed 39 mph dial not tuned/);
    expect(card({ dials: [] })).toContain('set in figures');
  });
  test('a machine’s own safety note is printed; a shift of the day moves the dial', () => {
    expect(card({ profile: { ...profile, safety: 'Left cover is sharp.' } })).toContain('Left cover is sharp.');
    const reading = (said: string): number =>
      Number.parseFloat(
        /Speed (\d+)(½)?/
          .exec(said)!
          .slice(1, 3)
          .map((s) => (s === '½' ? '.5' : (s ?? '')))
          .join(''),
      );
    expect(reading(card({ today: { day: '2026-05-02', speedShare: 0.85 } }))).toBeGreaterThan(reading(card()));
    expect(reading(card({ today: { day: '2026-05-01', speedShare: 0.85 } }))).toBe(reading(card())); // yesterday's
  });
  test('the target that is hit to, apart from where the ball comes down', () => {
    const said = card();
    expect(said).toMatch(/Ball arrives: .* near .*\. Hit to: box .* × .*: deep (left|right) corner, middle .* far (baseline|service line)/);
    const { targetAt: _none, ...open } = ladder.rungs[0]!.document;
    const first = { ...ladder, rungs: [{ ...ladder.rungs[0]!, document: open }] };
    expect(card({}, first)).not.toContain('Hit to:');
  });
  test('a rung of several balls says where the dials stand for each, with the machine that throws it', () => {
    const document = ladder.rungs[0]!.document;
    const [feed] = document.feeds as [(typeof document.feeds)[number]];
    const second = { ...machine, id: '01890000-0000-7000-8000-0000000000b2', name: 'Wren', dials: [] };
    const feeds = [
      feed,
      { ...feed, name: 'Slow one', launch: { ...feed.launch, speedMps: feed.launch.speedMps * 0.8 } },
      { ...feed, name: 'Other machine', machineId: second.id },
      { ...feed, name: 'Left out', on: false },
    ];
    const said = card({}, { ...ladder, rungs: [{ ...ladder.rungs[0]!, document: { ...document, feeds } }] }, [machine, second]);
    expect(said).toMatch(/1 \S.* \d+½? · \d½? · .*2 Slow one \d+½? · \d½? · .*3 Other machine \(Wren\) 39 mph · 18° · /);
    expect(said).not.toContain('Left out');
  });
  test('a cage’s painted marks say where it stands', () => {
    const feet = (m: number): string => `${(m / 0.3048).toFixed(0)} ft`;
    const marks = [12.192, 13.716];
    expect(sayMachine('baseball', { x: 0, y: 13.75 }, marks, feet)).toBe('on the painted 45 ft mark, on the middle line');
    expect(sayMachine('baseball', { x: 0.6, y: 12.6 }, marks, feet)).toBe(
      '1 ft behind the painted 40 ft mark, 2 ft to the first-base side of the middle line',
    );
    expect(sayMachine('baseball', { x: 0, y: 16 }, marks, feet)).not.toContain('painted');
    expect(sayTurn(190)).toBe('10° right');
    expect(sayTurn(168)).toBe('12° left');
    expect(sayTurn(0.2)).toBe('straight');
  });
});

describe('the machine page', () => {
  const tuneUps: TuneUpRow[] = [
    { id: 't', machineId: courtId, personName: 'Dara', document: tuneUpOf('speed'), tunedAt: '2026-05-01T10:00:00.000Z' },
  ];
  const page = (row: MachineRow = machine, spares: string[] = []): string =>
    text(
      <MachinePage
        viewer={viewer}
        machine={row}
        tuneUps={tuneUps}
        stock={[
          {
            version: 1,
            id: 'b',
            name: 'Red foam',
            ballId: 'tennis-stage3-red',
            count: 20,
            condition: 'new',
            openedOn: '',
            dragShare: 1,
            notes: '',
          },
        ]}
        spares={spares}
      />,
    );
  test('what each dial gives and how well that is known, and which are not tuned', () => {
    const said = page();
    expect(said).toMatch(/5 is [\d.]+ mph, give or take [\d.]+ mph/);
    expect(said).toContain('Not tuned: nobody knows yet');
    expect(said).toContain('14 of 15 balls');
  });
  test('balls too wide for it are warned of', () => expect(page()).toMatch(/Too wide for this machine: Red foam/));
  test('a machine by hand may take a spare simulated line; one with no dials says so', () => {
    expect(page(machine, ['127.0.0.1:7001'])).toContain('Use a simulated machine');
    expect(page({ ...machine, linkAddress: '127.0.0.1:7000' })).toContain('On a line at 127.0.0.1:7000');
    expect(page({ ...machine, dials: [] })).toContain('this machine is set in figures');
  });
});

describe('test balls', () => {
  let n = 0;
  const make = (): string => `b${++n}`;
  test('a mark, a time and a reading go to the ball they belong to', () => {
    let balls: TestBall[] = [newBall('x', 5), newBall('y', 5)];
    balls = withSeen(balls, 5, { mark: tapped({ x: 0.123, y: -8 }) }, make);
    balls = withSeen(balls, 5, { mark: tapped({ x: 1, y: -7 }) }, make);
    expect(balls.map(({ mark }) => mark?.x)).toEqual([0.12, 1]);
    balls = withSeen(balls, 5, { mark: tapped({ x: 2, y: -7 }) }, make); // nobody waits: a third ball
    expect(balls).toHaveLength(3);
    balls = withSeen(balls, 5, { timeS: 1.2 }, make);
    expect(balls[0]).toMatchObject({ id: 'x', timeS: 1.2 });
    balls = withSeen(balls, 6, { radarMps: 18 }, make);
    expect(balls.at(-1)).toMatchObject({ reading: 6, radarMps: 18, mark: null });
  });
  test('a first tune-up stands as such machines stand; the next as the last one stood', () => {
    const kit: Kit = { players: [], squads: [], courts: [court], balls: [], machines: [machine], gameBalls: [] };
    const first = firstTune(kit, machine, tuned[0]!, null, 900);
    expect(first.document).toMatchObject({ ballId: 'tennis-standard', courtId, elevationDeg: 20, battery: 'full', balls: [] });
    const last = { ...tuneUpOf('speed'), elevationDeg: 33 };
    expect(firstTune(kit, machine, tuned[0]!, last, 900).document).toMatchObject({ elevationDeg: 33, balls: [] });
  });
  test('the words: what a mark gives, the next mark, an outlier by name, what cannot be told apart', () => {
    const tuneUp = { ...tuneUpOf('speed'), elevationKnown: 'eye' as const };
    const balls = tuneUp.balls.map((ball) => ({ ...ball, radarMps: null, leftOut: false }));
    const fit = fitTuneUp({ ...tuneUp, balls }, tuned[0]!, profile)!;
    const said = text(
      <FitWords fit={fit} dial={tuned[0]!} tuneUp={{ ...tuneUp, balls }} reading={5} onSetReading={() => {}} onLeaveOut={() => {}} />,
    );
    expect(said).toMatch(/5 is [\d.]+ mph, give or take [\d.]+ mph/);
    expect(said).toMatch(/Most useful next: /);
    expect(said).toMatch(/Ball 3 at 5 is .* short of what the others say/);
    expect(said).toContain('The marks cannot tell a wrong elevation from a wrong speed');
  });
  test('the list says of every ball how it was seen', () => {
    const said = text(
      <BallList
        dial={tuned[0]!}
        balls={[newBall('a', 5), newBall('b', 5, { radarMps: 17.9 }), newBall('c', 5, { radarMps: 18, leftOut: true })]}
        stand={null}
        onLeaveOut={() => {}}
        onRemove={() => {}}
      />,
    );
    expect(said).toContain('not seen yet');
    expect(said).toContain('radar 40.0 mph');
    expect(said).toContain('kept out');
  });
});

describe('dial values on the bench', () => {
  const pitching = profileOf('Two-wheel pitching machine');
  const line = (row: MachineRow): string => {
    const cage = { id: 'c', sport: 'baseball' as const, surfaceId: 'baseball-turf' };
    const setup = { ...firstSetup(cage, { id: 'm', profile: row.profile }, 'Competing', 0), topspinRpm: -1500 };
    const bench = { machine: row, setup, now: { arrangement: arrange(setup, row.profile) } } as unknown as BenchState;
    return text(<DialLine bench={bench} />);
  };
  test('wheels: each its mark, and what they throw together', () => {
    const dials = firstDials(pitching).map((dial): Dial => ({ ...dial, curve: dial.moves === 'wheel' ? straightCurve(5, 45) : null }));
    const said = line({ ...machine, profile: pitching, dials });
    expect(said).toMatch(/Top wheel \d+ Bottom wheel \d+/);
    expect(said).toMatch(/The wheels together: 5\d\.\d mph, 1[45]\d0 rpm, pushing to 12 o’clock/);
    expect(said).toContain('Not tuned: Height screw');
  });
  test('a spin it cannot make, and what a hand has to do', () => {
    const pinned = profileOf('Lever-arm thrower');
    const said = line({ ...machine, profile: pinned, dials: firstDials(pinned) });
    expect(said).toContain('By hand: move the pin with the wheels stopped');
    expect(line({ ...machine, profile: pitching, dials: [] })).toBe('');
  });
});

describe('forms of a machine', () => {
  const form = (dial: Dial | null): string =>
    text(<DialForm dial={dial} wheels={2} save={async () => {}} {...(dial && { remove: async () => {} })} />);
  test('a dial is asked for as it is marked: a screw by its turns and its zero, pins by their number', () => {
    const [power, , screw] = firstDials(profileOf('Lever-arm thrower')) as [Dial, Dial, Dial];
    expect(form(screw)).toContain('Zero: how do you find it again?');
    expect(form(screw)).toContain('Farthest out, turns');
    expect(form(power)).toContain('How many pins');
    expect(form(null)).toContain('Lowest mark');
    expect(form(null)).not.toContain('Take it off');
    expect(form(tuned[0]!)).toContain('Other marks, or another thing moved, forget the curve.');
  });
  test('what is rarely changed: wheels, spin, power, weight, how true it repeats, its safety note', () => {
    const said = text(<MachineMore profile={profile} set={() => {}} />);
    for (const each of ['Throws balls of', 'Wheels', 'Most spin', 'Power', 'Weighs', 'Widest ball it takes', 'Direction repeats', 'Safety'])
      expect(said).toContain(each);
    expect(text(<MachineMore profile={profileOf('Lever-arm thrower')} set={() => {}} />)).toContain('Its own topspin');
  });
});

describe('a card for a message', () => {
  const facts = { ladder, machine, machines: [machine], court, day: '2026-05-02' };
  const units = {
    system: 'imperial',
    length: (m: number) => `${(m / 0.3048).toFixed(0)} ft`,
    speed: (mps: number) => `${(mps / 0.44704).toFixed(0)} mph`,
  };
  test('lines for people come first, and reading it back gives the rungs', () => {
    const lines = cardLines(facts, units as never);
    expect(lines[0]).toMatch(/^Backhand – Court 3, Bramble, printed 2 May$/);
    expect(lines[2]).toMatch(
      /^1\. Kind: Speed \S+, Elevation \S+, Feed \S+ \(39 mph, 18°\), turn \S+.*, every 4\.0 s, climb at 5 of 10; target .* wide/,
    );
    const documents = ladder.rungs.map(({ document }) => document);
    const read = readFile('card', writeCardText(makeCard(ladder, documents, court, machine), lines));
    expect(read.ok && read.value.rungs.map(({ rung }) => rung.name)).toEqual(['Kind', 'Deeper']);
    expect(read.ok && read.value.rungs[0]!.dials.map(({ name }) => name)).toEqual(['Speed', 'Elevation', 'Feed']);
  });
  test('a QR code has its three finder marks', () => {
    const { size, path } = qrPath('http://127.0.0.1:4321/card?ladder=1');
    expect(size).toBeGreaterThanOrEqual(25);
    const dark = (x: number, y: number): boolean => path.includes(`M${x} ${y}h1`);
    // ISO/IEC 18004: a 7 × 7 square in three corners, its ring of light inside; quoted from memory
    for (const [x, y] of [
      [0, 0],
      [size - 7, 0],
      [0, size - 7],
    ] as const) {
      for (let i = 0; i < 7; i++) expect(dark(x + i, y) && dark(x, y + i)).toBe(true);
      expect(dark(x + 1, y + 1)).toBe(false);
      expect(dark(x + 3, y + 3)).toBe(true);
    }
  });
});
