import {
  diamondOf,
  fieldingSetup,
  firstSetup,
  ftToM,
  GAME_BOOK,
  hazardsOfSetup,
  mphToMps,
  type Setup,
  SPORT_RECORDS,
  type Sport,
} from '@good-arc/core';
import type { ReactNode } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, test } from 'vitest';
import type { Kit, MachineRow, Viewer } from '../src/api/rows.ts';
import { Units } from '../src/ui/Units.tsx';
import { ArcSlider } from '../src/views/bench/ArcSlider.tsx';
import { ArrivalBesideGame } from '../src/views/bench/ArrivalBesideGame.tsx';
import Bench from '../src/views/bench/Bench.tsx';
import { Choices } from '../src/views/bench/Choices.tsx';
import { FieldingFigures } from '../src/views/bench/Fielding.tsx';
import { Impossible } from '../src/views/bench/Impossible.tsx';
import { PlateWindow } from '../src/views/bench/PlateWindow.tsx';
import { AirPanel } from '../src/views/bench/panels/AirPanel.tsx';
import { CautionsPanel } from '../src/views/bench/panels/CautionsPanel.tsx';
import { ChancesPanel } from '../src/views/bench/panels/ChancesPanel.tsx';
import { ClosestPanel } from '../src/views/bench/panels/ClosestPanel.tsx';
import { ComparePanel } from '../src/views/bench/panels/ComparePanel.tsx';
import { FamilyPanel } from '../src/views/bench/panels/FamilyPanel.tsx';
import { PacePanel } from '../src/views/bench/panels/PacePanel.tsx';
import { TrimPanel } from '../src/views/bench/panels/TrimPanel.tsx';
import { Settings } from '../src/views/bench/Settings.tsx';
import { type BenchState, type Worked, workedOut } from '../src/views/bench/useBench.ts';
import { profileOf } from './support/rig.ts';
import { textOf } from './support/text.ts';

/** What the bench says, read as text off its first rendering: the figures behind it are the core's and are checked there. */

const machineOf = (kind: string, name = 'Bramble'): MachineRow => ({
  version: 1,
  id: 'm1',
  name,
  profile: profileOf(kind),
  dials: [],
  today: null,
  linkAddress: '',
  notes: '',
});
const KIND: Record<Sport, string> = {
  tennis: 'Two-wheel portable',
  pickleball: 'Holed-ball court machine',
  baseball: 'Two-wheel pitching machine',
  softball: 'Two-wheel softball machine',
};
const surfaceOf = (sport: Sport): string => (sport === 'tennis' ? 'tennis-acrylic-medium' : SPORT_RECORDS[sport].surfaces.at(-1)!.id);

const first = (sport: Sport, machine: MachineRow, over: Partial<Setup> = {}): Setup => ({
  ...firstSetup({ id: 'c1', sport, surfaceId: surfaceOf(sport) }, machine, 'Building', 900),
  ...over,
});

/** A bench in one state; nothing on it can be changed. */
function benchOf(sport: Sport, over: Partial<Setup> = {}, second?: Partial<Setup>, kind = KIND[sport]): BenchState {
  const machine = machineOf(kind);
  const a = first(sport, machine, over);
  const b = second ? { ...a, ...second } : null;
  const now = workedOut(a, machine);
  const nothing = (): void => {};
  return {
    pair: { a, b, at: 'a' },
    setup: a,
    court: {
      version: 1,
      id: 'c1',
      name: 'Court 1',
      sport,
      surfaceId: surfaceOf(sport),
      indoor: false,
      ceilingM: null,
      marksM: [],
      notes: '',
    },
    machine,
    now,
    other: b && workedOut(b, machine),
    edited: null,
    setEdited: nothing,
    ownRows: [],
    setOwnRows: nothing,
    change: nothing,
    put: nothing,
    close: nothing,
    isDrawn: true,
    hasArc: true,
    undo: nothing,
    redo: nothing,
    canUndo: false,
    canRedo: false,
    chooseCourt: nothing,
    chooseMachine: nothing,
    chooseLevel: nothing,
    meetAt: nothing,
    split: nothing,
    look: nothing,
    join: nothing,
  };
}

/** The words of a rendering, in the units given. */
const words = (node: ReactNode, system: 'imperial' | 'metric' = 'imperial'): string => textOf(html(node, system));
const html = (node: ReactNode, system: 'imperial' | 'metric' = 'imperial'): string =>
  renderToStaticMarkup(<Units system={system}>{node}</Units>);
const impossible = (bench: BenchState): string =>
  words(<Impossible setup={bench.setup} arrangement={bench.now.arrangement} machine={bench.machine} onChange={() => {}} />);

describe('what cannot be done is said with the limit and the nearest', () => {
  test.each<[string, Partial<Setup>, RegExp, string?]>([
    ['too flat for the net', { hold: { elevationDeg: 2 } }, /at 2°.*(hits the net|has at most)/],
    ['too fast', { hold: { elevationDeg: 3 } }, /It takes \d+ mph at 3°.*at most 65 mph/],
    ['too slow a speed', { hold: { speedMps: mphToMps(12) } }, /No arc at 12 mph reaches this spot/],
    ['a ceiling', { hold: { elevationDeg: 48 }, ceilingM: 3 }, /touches the ceiling at 9 ft 10 in/],
    ['a clearance that takes too steep an arc', { hold: { netClearanceM: 12 } }, /goes up to 50°|at most/],
    [
      'between the heights of a tosser',
      { hold: { elevationDeg: 33 }, from: { x: 0, y: -1.2, z: 0.35 }, target: { kind: 'landing', x: 0, y: -4 } },
      /Nearest possible: (20|40|60)/,
      'Pocket tosser',
    ],
  ])('%s', (_name, over, says, kind) => {
    const text = impossible(benchOf('tennis', over, undefined, kind));
    expect(text).toMatch(says);
    expect(text).toMatch(/Nearest possible|Nothing this machine/);
  });
  test('a feed that can be thrown says nothing', () => {
    expect(impossible(benchOf('tennis'))).toBe('');
  });
});

describe('the settings', () => {
  test.each<[string, Partial<Setup>, string]>([
    ['elevation', { hold: { elevationDeg: 20 } }, 'Elevation'],
    ['speed', { hold: { speedMps: mphToMps(40) } }, 'Speed'],
    ['net clearance', { hold: { netClearanceM: 1.2 } }, 'Over the net'],
    ['flight time', { hold: { flightTimeS: 1.2 } }, 'In the air'],
  ])('held %s is marked, and only it', (_name, over, label) => {
    const text = words(<Settings bench={benchOf('tennis', over)} />);
    expect(text.match(/held/g)).toHaveLength(1);
    expect(text.indexOf('held')).toBeGreaterThan(text.indexOf(label));
  });
  test('a held flight time stands in its field to the hundredth', () => {
    expect(html(<Settings bench={benchOf('tennis', { hold: { flightTimeS: 1.23 } })} />)).toContain('value="1.23 s"');
  });
  test('a wheel whose spin follows the speed shows it and lets nobody type it', () => {
    const text = words(<Settings bench={benchOf('tennis', {}, undefined, 'One-wheel portable')} />);
    expect(text).toContain('follows the speed');
    expect(text).toContain('not this machine');
  });
  test('a pitch has no net, and both arcs to choose from at a held speed', () => {
    const text = words(<Settings bench={benchOf('baseball')} />);
    expect(text).toMatch(/no net here.*To the plate.*Low arc High arc/);
  });
});

describe('the arc slider', () => {
  const slider = ({ arrangement, family }: Pick<Worked, 'arrangement' | 'family'>): string =>
    words(<ArcSlider arrangement={arrangement} family={family} onElevation={() => {}} onDone={() => {}} />);
  test('runs from slow and high to fast and flat, with each blocked stretch and its reason', () => {
    const text = slider(benchOf('tennis').now);
    expect(text).toMatch(/slow and high .*mph · 72° .*fast and flat/);
    expect(text).toMatch(/72°: This needs a higher elevation than the machine can set\./);
  });
  test('until its arcs are worked out it says nothing of them', () => {
    const { now } = benchOf('tennis');
    expect([slider({ ...now, family: null }), slider({ ...now, family: [] })]).toEqual(['', 'No arc of any kind reaches this spot.']);
    expect(words(<FamilyPanel bench={{ ...benchOf('tennis'), now: { ...now, family: null } }} />)).toBe('Working them out …');
  });
  test('a low ceiling is one of the reasons', () => {
    expect(slider(benchOf('tennis', { ceilingM: 3 }).now)).toContain('This arc would touch the ceiling.');
  });
});

describe('air and wind', () => {
  const says = (weather: Partial<Setup['weather']>, sport: Sport = 'tennis'): string => {
    const { setup } = benchOf(sport);
    return words(<AirPanel bench={benchOf(sport, { weather: { ...setup.weather, ...weather } })} />);
  };
  test('hot and high is deeper, cold and low is shorter, the usual air is neither', () => {
    expect(says({ temperatureC: 36, altitudeM: 2200 })).toMatch(/Hot and high: it lands .* deeper.*The air is \d+ % thinner/);
    expect(says({ temperatureC: -5, altitudeM: 0 })).toMatch(/Cold and dense: it lands .* shorter.*denser/);
    expect(says({ temperatureC: 20, altitudeM: 0 })).toMatch(/It lands as deep than|It lands as deep/);
  });
  test('a wind across drifts it, told from behind the ball', () => {
    expect(says({ temperatureC: 20, altitudeM: 0, windXMps: 4 })).toMatch(/to the left of its way/);
    expect(says({ temperatureC: 20, altitudeM: 0, windXMps: -4 })).toMatch(/to the right of its way/);
  });
  test('a pitch passes higher or lower; a station pressure takes the place of the altitude', () => {
    expect(says({ temperatureC: 35, altitudeM: 2000 }, 'baseball')).toMatch(/passes .* (higher|lower)/);
    const text = says({ pressureHpa: 1013 });
    expect(text).toContain('Station pressure');
    expect(text).not.toContain('Altitude');
  });
});

describe('cautions and sources', () => {
  test('each caution says what, why and what to do; the manual always comes first', () => {
    const bench = benchOf('tennis', { weather: { ...first('tennis', machineOf(KIND.tennis)).weather, windXMps: 9 } });
    const text = words(<CautionsPanel bench={bench} hazards={hazardsOfSetup(bench.setup, bench.now.arrangement)} />);
    expect(text).toMatch(/Too much wind for this ball\..*Feed with the wind at the machine’s back/);
    expect(text).toContain('The machine’s manual and local rules come first.');
  });
  test('without any, it says so, and still names what the figures rest on', () => {
    const text = words(<CautionsPanel bench={benchOf('pickleball')} hazards={[]} />);
    expect(text).toContain('Nothing stands out');
    expect(text).toContain('confidence low');
    expect(text).toMatch(/assumption : /);
  });
});

describe('chances', () => {
  test('the ellipse’s answer stands there at once, while ten thousand balls are still being thrown', () => {
    const bench = benchOf('tennis');
    const text = words(<ChancesPanel bench={bench} />);
    expect(text).toContain('Throwing 10,000 balls …');
    expect(text).toContain(`in the target ${Math.round(100 * bench.now.spread!.chance.inTarget)} %`);
    expect(text).toMatch(/into the net \d/);
    expect(text).toMatch(/speed .*elevation .*bearing .*spin .*gusts .*together/);
  });
  test('a pitch knows no net, but low and high; what cannot be thrown has no chances', () => {
    const text = words(<ChancesPanel bench={benchOf('baseball')} />);
    expect(text).not.toContain('into the net');
    expect(text).toMatch(/low .*high .*wide of it/);
    expect(words(<ChancesPanel bench={benchOf('tennis', { hold: { elevationDeg: 2 } })} />)).toContain('No ball, no chances');
  });
});

test('the trim asks where the ball landed, and has nothing to say before there is a feed', () => {
  expect(words(<TrimPanel bench={benchOf('tennis')} />)).toMatch(/Tap where it landed.*Elevation comes before speed/);
  expect(words(<TrimPanel bench={benchOf('baseball')} />)).toMatch(/As the hitter sees it/);
  expect(words(<TrimPanel bench={benchOf('tennis', { hold: { elevationDeg: 2 } })} />)).toContain('Solve a feed first');
});

describe('closest to game', () => {
  test('one figure of likeness, and the words for what differs', () => {
    const text = words(<ClosestPanel bench={benchOf('tennis')} canPlan />);
    expect(text).toMatch(/\d+ of 100 like the game ball/);
    expect(text).toMatch(/What differs: .*(too short|too low)/);
    expect(text).toContain('Save this feed as a game ball');
  });
  test('a helper may look but not save; without a game ball it asks for one', () => {
    expect(words(<ClosestPanel bench={benchOf('tennis')} canPlan={false} />)).not.toContain('Save this feed');
    expect(words(<ClosestPanel bench={benchOf('tennis', { gameBallId: '' })} canPlan />)).toContain('Choose a game ball');
  });
});

describe('two set-ups side by side', () => {
  test('what differs is marked, what is the same is not', () => {
    const rows = html(<ComparePanel bench={benchOf('tennis', {}, { hold: { elevationDeg: 30 } })} />).split('<tr');
    const row = (name: string): string => rows.find((each) => each.includes(`>${name}<`))!;
    expect(row('Elevation')).toContain('differs');
    expect(row('Leaves at')).not.toContain('differs');
  });
  test('one alone offers to set a second beside it', () => {
    expect(words(<ComparePanel bench={benchOf('tennis')} />)).toContain('Set a second one beside it');
  });
});

test('every arc: a row each, blocked ones with the reason and without a button', () => {
  const bench = benchOf('tennis');
  const rows = html(<FamilyPanel bench={bench} />)
    .split('<tr')
    .slice(2);
  expect(rows).toHaveLength(bench.now.family!.length);
  const blocked = rows.filter((row) => /too steep|too fast|net/.test(row) && !row.includes('<button'));
  expect(blocked).toHaveLength(bench.now.family!.filter((arc) => arc.blocked).length);
});

describe('baseball', () => {
  test('pace: both methods for the one that is asked, and the chart with a cell for each distance and speed', () => {
    const markup = html(<PacePanel bench={benchOf('baseball')} />);
    expect(words(<PacePanel bench={benchOf('baseball')} />)).toMatch(/By the flight \d+\.\d mph By the simple ratio .*\d+\.\d mph/);
    expect(markup.match(/<td/g)).toHaveLength(7 * 8);
    expect(words(<PacePanel bench={benchOf('baseball')} />, 'metric')).toMatch(/km\/h/);
  });
  test('one pitch: the chance of a strike; two: their gap in ms and frames, and what gives a wanted one', () => {
    expect(words(<PlateWindow bench={benchOf('baseball')} />)).toMatch(/\d+ % strikes.*One pitch so far/);
    const text = words(
      <PlateWindow bench={benchOf('baseball', { hold: { speedMps: mphToMps(60) } }, { hold: { speedMps: mphToMps(52) } })} />,
    );
    expect(text).toMatch(/\d+ ms : B comes after A/);
    expect(text).toMatch(/frames at 30 · .*frames at 60 · .*frames at 120 · .*frames at 240 per second/);
    expect(text).toMatch(/from here \d+\.\d mph/);
  });
  test('a taller batter has a higher zone; the young by a rule of their own', () => {
    const zone = (batterHeightM: number, band: string): string =>
      words(<PlateWindow bench={benchOf('baseball', { batterHeightM, gameBallId: `baseball-fastball-${band}` })} />);
    expect(zone(1.9, '13-14')).toContain('3 ft 4 in');
    expect(zone(1.3, '13-14')).toContain('2 ft 3 in');
    // 1.3 m × 0.75 (arithmetic)
    expect(zone(1.3, '11-12')).toContain('3 ft 2 in');
  });
  test.each(diamondOf('baseball')!.fieldingBalls.map((ball) => [ball.name, ball] as const))(
    '%s: called so, with hang time, rest and the nearest fielder',
    (name, ball) => {
      const machine = machineOf(KIND.baseball);
      const setup = fieldingSetup(first('baseball', machine), machine.profile, ball);
      const bench = { ...benchOf('baseball'), setup, now: workedOut(setup, machine) };
      const text = words(<FieldingFigures bench={bench} />);
      expect(text.toLowerCase()).toContain(name.toLowerCase());
      expect(text).toMatch(/Hang time \d.*Rests after .*(is under it|plays it off the ground)/);
    },
  );
  test('the arrival of a pitch is set beside the pitch of the band', () => {
    const { arrangement } = benchOf('baseball').now;
    const text = words(<ArrivalBesideGame arrangement={arrangement} />);
    expect(text).toMatch(/Fastball, 11–12, 58 mph/);
  });
});

describe('the whole bench', () => {
  const viewer: Viewer = {
    clubName: 'Marrow',
    altitudeM: 900,
    personName: 'A',
    units: 'imperial',
    canPlan: true,
    hasSession: true,
    favourites: [],
  };
  const machines = [machineOf(KIND.tennis)];
  const court = {
    version: 1,
    id: 'c1',
    name: 'Court 1',
    sport: 'tennis' as const,
    surfaceId: surfaceOf('tennis'),
    indoor: true,
    ceilingM: ftToM(24),
    marksM: [],
    notes: '',
  };
  const own = {
    version: 1,
    id: 'g1',
    name: 'Orla’s loop',
    notes: '',
    document: {
      kind: 'shaped' as const,
      sport: 'tennis' as const,
      level: 'Building' as const,
      from: { y: 11.5, z: 1 },
      topspinRpm: 1800,
      landsPastM: 8,
      clearsByM: 2,
    },
  };
  const kit: Kit = { players: [], squads: [], courts: [court], balls: [], machines, gameBalls: [own] };
  const at = (over: Partial<Setup>, b: Setup | null = null): string => {
    const a = { ...firstSetup(court, machines[0]!, 'Building', 900), ...over };
    return words(<Bench viewer={viewer} kit={kit} ladders={[]} initial={{ a, b, at: b ? 'b' : 'a' }} edited={null} />);
  };
  test('an own game ball is on the list, first', () => {
    const nothing = () => {};
    const setup = { ...firstSetup(court, machines[0]!, 'Building', 900), gameBallId: 'g1' };
    const chosen = { setup, kit, ownBalls: [own], courtId: setup.courtId, machineId: setup.machineId };
    const on = { onCourt: nothing, onMachine: nothing, onBall: nothing, onLevel: nothing, onGameBall: nothing };
    const text = words(<Choices {...chosen} {...on} />);
    expect(text.indexOf('Orla’s loop, Building (own)')).toBeLessThan(text.indexOf('Rally drive, Starting'));
  });
  test('what was worked out before it is drawn is what it would have drawn', async () => {
    const a = { ...firstSetup(court, machines[0]!, 'Building', 900), hold: { elevationDeg: 24 } };
    const props = { viewer, kit, ladders: [], initial: { a, b: { ...a, hold: { elevationDeg: 31 } }, at: 'a' as const }, edited: null };
    const drawn = words(<Bench {...props} />);
    await Bench.before(props);
    expect(words(<Bench {...props} />)).toBe(drawn);
    expect(drawn).toMatch(/hit \d\.\d\d s/);
  });
  test('two set-ups open with the one that was in hand', () => {
    const a = firstSetup(court, machines[0]!, 'Building', 900);
    const text = at({}, { ...a, hold: { elevationDeg: 31 } });
    expect(text).toMatch(/ A B /);
  });
  test('the ceiling of the court is kept by a first set-up', () => {
    expect(firstSetup(court, machines[0]!, 'Building', 900).ceilingM).toBeCloseTo(ftToM(24), 9);
    expect(GAME_BOOK.length).toBeGreaterThan(60);
  });
});
