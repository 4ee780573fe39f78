import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  arrange,
  type Card,
  cardSchema,
  conditionsOf,
  type Dial,
  type DialCurve,
  firstDials,
  firstSetup,
  LONGEST_FILE,
  MACHINE_KINDS,
  makeCard,
  matchCard,
  readFile,
  rungFromSetup,
  type Sport,
  throwBall,
  writeCardJson,
  writeCardLink,
  writeCardText,
  writeMachineFile,
} from '../src/index.ts';

const SURFACE = {
  tennis: 'tennis-acrylic-medium',
  pickleball: 'pickleball-acrylic',
  baseball: 'baseball-turf',
  softball: 'softball-dirt',
} as const;
const MACHINE = {
  tennis: 'Two-wheel portable',
  pickleball: 'Holed-ball court machine',
  baseball: 'Two-wheel pitching machine',
  softball: 'Two-wheel softball machine',
} as const;
const kindOf = (kind: string) => MACHINE_KINDS.find((each) => each.kind === kind)!;
const id = '01890000-0000-7000-8000-000000000001';

function rung(sport: Sport, name: string, elevationDeg = 20, kind: string = MACHINE[sport]) {
  const profile = kindOf(kind);
  const setup = firstSetup({ id, sport, surfaceId: SURFACE[sport] }, { id, profile }, 'Building', 300);
  const chosen = sport === 'baseball' ? setup : { ...setup, hold: { elevationDeg } };
  return rungFromSetup(chosen, arrange(chosen, profile), {
    name,
    focalPoint: 'Early, “then” move = true # 1',
    ballsPerRound: 10,
    rounds: 2,
    gate: { hits: 5, of: 10 },
  })!;
}

const curve: DialCurve = {
  params: [17.123456789, 3, 3.1, 3.2, 3.1, 2.9],
  covariance: Array.from({ length: 6 }, (_, i) => Array.from({ length: 6 }, (__, j) => (i === j ? 0.01 : 0.001))),
  df: 15,
  falling: false,
  tunedAt: '2026-05-01T10:00:00.000Z',
  balls: 15,
  ballId: 'tennis-standard',
  temperatureC: 19,
};

const cardOf = (sport: Sport, names: readonly string[] = ['One', 'Two'], elevations: readonly number[] = [20, 25]): Card =>
  makeCard(
    { name: `Card of ${sport}`, sport, level: 'Building', approach: 'sweet-spot' },
    names.map((name, i) => rung(sport, name, elevations[i % elevations.length]!)),
    { name: 'Court 3', surfaceId: SURFACE[sport], indoor: false },
    { name: 'Bramble', profile: kindOf(MACHINE[sport]), dials: [] },
  );

const text = fc
  .string({ minLength: 1, maxLength: 60, unit: 'binary' })
  // what a name becomes: of one line
  .map((each) => each.replace(/[\p{Cc}\u2028\u2029]+/gu, ' '))
  .filter((each) => each.trim() !== '')
  .map((each) => each.trim());
const card = fc
  .tuple(
    fc.constantFrom<Sport>('tennis', 'pickleball', 'baseball'),
    fc.array(text, { minLength: 1, maxLength: 4 }),
    fc.array(fc.double({ min: 14, max: 34, noNaN: true }), { minLength: 1, maxLength: 4 }),
  )
  .map(([sport, names, elevations]) => cardOf(sport, names, elevations));

describe('setup cards', () => {
  test('written as a file and read back, whatever the names: the same card', () => {
    fc.assert(
      fc.property(card, (each) => {
        expect(readFile('card', writeCardJson(each))).toEqual({ ok: true, value: each });
      }),
      { numRuns: 40 },
    );
  });
  test('a name with line breaks is one line when it is read', () => {
    const read = readFile('card', writeCardJson({ ...cardOf('tennis'), name: ' Deep\r\nand\tkind\u2028again ' }));
    expect(read.ok && read.value.name).toBe('Deep and kind again');
  });
  test('written as a message and read back, quoted, re-indented or with other line ends: the same card', () => {
    fc.assert(
      fc.property(card, fc.constantFrom('', '> ', '    ', '\t'), fc.boolean(), (each, quote, dos) => {
        const message = writeCardText(each, ['Court 3, dial 4½ = 40 mph']);
        const sent = message
          .split('\n')
          .map((line) => quote + line)
          .join(dos ? '\r\n' : '\n');
        expect(readFile('card', sent)).toEqual({ ok: true, value: each });
      }),
      { numRuns: 40 },
    );
  });
  test('as a link that carries all of it: the same card, and a rung is short enough for a code on paper', () => {
    fc.assert(
      fc.property(card, (each) => {
        expect(readFile('card', `  ${writeCardLink(each, 'https://arc.example')}\n`)).toEqual({ ok: true, value: each });
      }),
      { numRuns: 40 },
    );
    const link = writeCardLink(cardOf('tennis', ['Across the net, deeper'], [24]), 'https://arc.example');
    expect(link.length).toBeLessThan(600);
    expect(readFile('card', link.split('#')[1]!).ok).toBe(true);
    for (const cut of [
      link.slice(0, -9),
      link.slice(0, 60),
      link.replace('arc1.', 'arc1.AA'),
      `${link.slice(0, 200)}x${link.slice(201)}`,
    ]) {
      const read = readFile('card', cut);
      expect(!read.ok && read.problems[0]!.detail).toMatch(/not whole/);
    }
    const newer = readFile('card', link.replace('arc1.', 'arc2.'));
    expect(!newer.ok && newer.problems[0]!.detail).toMatch(/newer Good Arc/);
  });
  test('cut off anywhere, nothing is taken, and it says where', () => {
    const whole = { json: writeCardJson(cardOf('tennis')), text: writeCardText(cardOf('tennis')) };
    for (const share of [0.02, 0.1, 0.33, 0.5, 0.77, 0.95, 0.99]) {
      const json = readFile('card', whole.json.slice(0, Math.floor(share * whole.json.length)));
      expect(json.ok).toBe(false);
      const said = readFile('card', whole.text.slice(0, Math.floor(share * whole.text.length)));
      expect(said.ok, `text cut at ${share}`).toBe(false);
      if (!said.ok) expect(said.problems[0]!.detail.length + said.problems[0]!.pointer.length).toBeGreaterThan(8);
    }
    const cut = readFile('card', whole.json.slice(0, 300));
    expect(!cut.ok && cut.problems[0]!.detail).toMatch(/ends in the middle/);
  });
  test.each([
    ['not a card', '{"format":"other","version":1}', /format/],
    ['a later version', JSON.stringify({ ...cardOf('tennis'), version: 2 }), /version/],
    ['an unknown key', JSON.stringify({ ...cardOf('tennis'), extra: 1 }), /\/extra/],
    [
      'a speed no machine has',
      writeCardJson(cardOf('tennis')).replace(/"speedMps": [\d.]+/, '"speedMps": 900'),
      /\/rungs\/0\/rung\/feeds\/0\/launch\/speedMps/,
    ],
    ['no rung', JSON.stringify({ ...cardOf('tennis'), rungs: [] }), /\/rungs/],
    ['a list', '[]', /object/],
    ['nothing', '{}', /\/format/],
    ['a line without a value', 'format = "good-arc-card"\nversion', /Line 2/],
    ['a line said twice', 'format = "good-arc-card"\nformat = "good-arc-card"', /Line 2/],
    ['a name that reaches into the program', '__proto__ polluted = true', /Line 1/],
    ['a branch under a value', 'format = 1\nformat a = 2', /Line 2/],
    ['a whole document as a value', 'rungs = {"a":1}', /Line 1/],
    ['too long', `{"format":"${'x'.repeat(LONGEST_FILE)}"}`, /at most/],
  ])('%s is refused, with its place', (_name, given, place) => {
    const read = readFile('card', given);
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.problems.map(({ pointer, detail }) => `${pointer} ${detail}`).join('\n')).toMatch(place);
    expect(({} as Record<string, unknown>).polluted).toBeUndefined();
  });
  test('a message that lost its last rung between two lines is refused', () => {
    const message = writeCardText(cardOf('tennis'));
    const cut = readFile('card', message.slice(0, message.indexOf('rungs 2 ')));
    expect(!cut.ok && cut.problems[0]!.detail).toMatch(/^\d+ of \d+ lines came/);
  });
  test('random noise is never a card and never an exception', () => {
    fc.assert(fc.property(fc.string({ maxLength: 400, unit: 'binary' }), (noise) => !readFile('card', noise).ok));
    fc.assert(fc.property(fc.json(), (noise) => !readFile('card', noise).ok));
  });
  test('no id of the club leaves with it', () => expect(writeCardJson(cardOf('tennis'))).not.toContain(id));
});

describe('a card from elsewhere', () => {
  const kit = {
    machines: [
      { id: 'm1', name: 'Wren', profile: kindOf('One-wheel portable'), dials: [] },
      { id: 'm2', name: 'Thorn', profile: kindOf('Two-wheel portable'), dials: [] },
      { id: 'm3', name: 'Moss', profile: kindOf('Pocket tosser'), dials: [] },
    ],
    courts: [
      { id: 'c1', name: 'Clay', sport: 'tennis' as const, surfaceId: 'tennis-clay', indoor: false },
      { id: 'c2', name: 'Hard', sport: 'tennis' as const, surfaceId: 'tennis-acrylic-medium', indoor: false },
    ],
  };
  test('goes to the machine of its kind and the court of its surface, and its balls land where they did', () => {
    const sent = cardOf('tennis');
    const match = matchCard(sent, kit)!;
    expect(match).toMatchObject({ machineId: 'm2', courtId: 'c2' });
    expect(match.unmatched.map(({ code }) => code)).toEqual(['machine']);
    for (const [i, each] of match.rungs.entries()) {
      const { launch, target } = each.feeds[0]!;
      const [touch] = throwBall(conditionsOf(each), launch, each.player.start.y).flight.bounces;
      expect(target.kind === 'landing' && Math.hypot(touch!.x - target.x, touch!.y - target.y)).toBeLessThan(0.01);
      expect(each.name).toBe(sent.rungs[i]!.rung.name);
    }
  });
  test('on a machine of another kind it says what that cannot do', () => {
    const onWren = matchCard(cardOf('tennis'), kit, { machineId: 'm1', courtId: 'c1' })!;
    expect(onWren.unmatched.map(({ code }) => code)).toEqual(expect.arrayContaining(['kind', 'surface', 'spin']));
    const onMoss = matchCard(cardOf('tennis'), kit, { machineId: 'm3' })!;
    expect(onMoss.unmatched.filter(({ rung: at }) => at === 1).map(({ code }) => code)).toEqual(expect.arrayContaining(['spin']));
    expect(onMoss.unmatched.some(({ code }) => code === 'reach' || code === 'unaimed')).toBe(true);
  });
  test('a ball that names a machine of another club does not bring it along', () => {
    const foreign = '01890000-0000-7000-8000-0000000000ff';
    const sent = cardOf('tennis');
    const [first] = sent.rungs as [(typeof sent.rungs)[number]];
    const [feed] = first.rung.feeds as [(typeof first.rung.feeds)[number]];
    const two = { ...sent, rungs: [{ ...first, rung: { ...first.rung, feeds: [feed, { ...feed, id: 'b2', machineId: foreign }] } }] };
    expect(matchCard(two, kit)!.rungs[0]!.feeds.map(({ machineId }) => machineId)).toEqual([undefined, undefined]);
  });
  test('two machines: each ball with its thrower and that one’s dials, no id of the club; matched by name and kind, else by kind', () => {
    const other = '01890000-0000-7000-8000-0000000000ff';
    const one = rung('tennis', 'Both', 20);
    const both = { ...one, feeds: [one.feeds[0]!, { ...one.feeds[0]!, id: 'b2', machineId: other }] };
    const main = { id, name: 'Bramble', profile: kindOf('Two-wheel portable'), dials: [] };
    const wren = kit.machines[0]!;
    const tuned = {
      ...wren,
      id: other,
      dials: firstDials(wren.profile).map((dial): Dial => (dial.moves === 'speed' ? { ...dial, curve } : dial)),
    };
    const head = { name: 'Both', sport: 'tennis', level: 'Building', approach: 'sweet-spot' } as const;
    const sent = makeCard(head, [one, both], { name: 'Hard', surfaceId: SURFACE.tennis, indoor: false }, main, [main, tuned]);
    expect(sent.others).toEqual([{ name: 'Wren', kind: 'One-wheel portable', safety: wren.profile.safety }]);
    expect(sent.rungs[0]!.balls).toBeUndefined();
    expect(sent.rungs[1]!.balls!.map(({ machine }) => machine)).toEqual([0, 1]);
    expect(sent.rungs[1]!.balls!.map(({ dials }) => dials.length > 0)).toEqual([false, true]);
    const file = writeCardJson(sent);
    expect(file).not.toContain(id);
    expect(file).not.toContain(other);
    expect(readFile('card', file)).toEqual({ ok: true, value: sent });
    expect(readFile('card', writeCardText(sent))).toEqual({ ok: true, value: sent });
    const throwersIn = (machines: typeof kit.machines) =>
      matchCard(sent, { ...kit, machines })!.rungs[1]!.feeds.map(({ machineId }) => machineId);
    expect(throwersIn(kit.machines)).toEqual([undefined, 'm1']);
    const [m1, m2, m3] = kit.machines as [typeof wren, typeof wren, typeof wren];
    expect(throwersIn([m3, m2, { ...m1, id: 'm4', name: 'Lark' }])).toEqual([undefined, 'm4']);
    expect(throwersIn([m3, m2])).toEqual([undefined, 'm3']);
    expect(throwersIn([m2])).toEqual([undefined, undefined]);
    const bad = readFile('card', file.replace('"machine": 1', '"machine": 3'));
    expect(!bad.ok && bad.problems[0]!.pointer).toBe('/others');
  });
  test('without a machine or a court for the sport there is nothing to match', () => expect(matchCard(cardOf('baseball'), kit)).toBeNull());
  test('every card it gives is a card', () => expect(cardSchema.safeParse(cardOf('pickleball')).success).toBe(true));
});

describe('machine files', () => {
  test.each(MACHINE_KINDS.map((profile) => [profile.kind, profile] as const))(
    '%s, with its curves: written and read back',
    (kind, profile) => {
      const dials = firstDials({ kind }).map((dial): Dial => ({ ...dial, curve }));
      const file = writeMachineFile({ name: 'Bramble', notes: 'squeaks', profile, dials });
      expect(readFile('machine', file)).toEqual({
        ok: true,
        value: { format: 'good-arc-machine', version: 1, name: 'Bramble', notes: 'squeaks', profile, dials },
      });
    },
  );
  test('a curve that is not whole is refused at its place', () => {
    const profile = kindOf('Two-wheel portable');
    const file = writeMachineFile({ name: 'B', notes: '', profile, dials: firstDials(profile).map((dial) => ({ ...dial, curve })) });
    const read = readFile('machine', file.replace('"df": 15', '"df": "many"'));
    expect(!read.ok && read.problems[0]!.pointer).toBe('/dials/0/curve/df');
    expect(readFile('machine', writeCardJson(cardOf('tennis'))).ok).toBe(false);
    expect(readFile('machine', file.slice(0, 400)).ok).toBe(false);
  });
});
