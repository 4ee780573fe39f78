import { arrange, diamondOf, firstSetup, mphToMps, mpsToMph, rungFromSetup, SPORT_RECORDS, SPORTS } from '@good-arc/core';
import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import type { LadderRow, MachineRow, ResultRow, RoundRow } from '../src/api/rows.ts';
import { device } from '../src/device/store.ts';
import { againOf, climbersOf, climbsOf, lastOnEach } from '../src/server/today.ts';
import { ApiError, api, messageOf } from '../src/ui/api.ts';
import { machineFor } from '../src/ui/machineFor.ts';
import { atLine, describeSpot, fromLine, nearestLine } from '../src/ui/place.ts';
import { rulerScale } from '../src/ui/scale.ts';
import { pairFromParams, setupFromText } from '../src/views/bench/address.ts';
import { setupToText } from '../src/views/bench/addressText.ts';
import { ellipse } from '../src/views/bench/ellipse.ts';
import { figuresOf, figuresText } from '../src/views/bench/figures.ts';
import { projector } from '../src/views/bench/hitter/projection.ts';
import type { Worked } from '../src/views/bench/useBench.ts';
import {
  AS_BEGUN,
  newBall,
  openRuns,
  outingOfToday,
  type Run,
  resultsOf,
  savedRun,
  saveRun,
  withBall,
} from '../src/views/courtside/run.ts';
import { verdictAfter } from '../src/views/courtside/verdict.ts';
import { emptyDevice } from './support/device.ts';
import { profileOf, rungDocument } from './support/rig.ts';

const tennis = SPORT_RECORDS.tennis.court;
const feet = (m: number): string => `${Math.round(m / 0.3048)} ft`;

describe('places on a court, in words and distances', () => {
  const line = (id: string) => tennis.references.find((each) => each.id === id)!;
  test('behind a line is away from the net on both ends; from the net is a plain distance', () => {
    expect(fromLine(line('far-service'), { x: 0, y: 7.4008 })).toBeCloseTo(1, 9);
    expect(fromLine(line('near-baseline'), { x: 0, y: -12.8872 })).toBeCloseTo(1, 9);
    expect(fromLine(line('near-baseline'), { x: 0, y: -10.8872 })).toBeCloseTo(-1, 9);
    expect(fromLine(line('net'), { x: 0, y: -3 })).toBe(3);
    expect(fromLine(line('centre'), { x: -2, y: 0 })).toBe(-2);
  });
  test('every line of every court: what is read off puts it back where it was', () => {
    const spot = fc.record({ x: fc.double({ min: -5, max: 5, noNaN: true }), y: fc.double({ min: 0.5, max: 15, noNaN: true }) });
    fc.assert(
      fc.property(fc.constantFrom(...SPORTS), spot, fc.constantFrom<1 | -1>(1, -1), (sport, { x, y }, side) => {
        const at = { x, y: y * side };
        for (const reference of SPORT_RECORDS[sport].court.references) {
          const back = atLine(reference, fromLine(reference, at), side);
          expect(back).toBeCloseTo(reference.axis === 'x' ? at.x : at.y, 9);
        }
      }),
      { seed: 4, numRuns: 100 },
    );
  });
  test('the nearest line is on the same side of the net', () => {
    expect(nearestLine(tennis, 'y', { x: 0, y: 7 }).id).toBe('far-service');
    expect(nearestLine(tennis, 'y', { x: 0, y: -11 }).id).toBe('near-baseline');
    expect(nearestLine(tennis, 'y', { x: 0, y: 0.5 }).id).toBe('net');
    expect(nearestLine(tennis, 'x', { x: 3.9, y: 0 }).id).toBe('right-singles');
  });
  test('reads like a person would say it', () => {
    expect(describeSpot(tennis, { x: 1.2192, y: 6.4008 + 0.3048 }, feet)).toBe(
      '1 ft behind the far service line, 4 ft right of the centre line',
    );
    expect(describeSpot(tennis, { x: 0, y: -11.8872 }, feet)).toBe('on the near baseline, on the centre line');
    expect(describeSpot(tennis, { x: -4.1148 - 0.6096, y: 11.2776 }, feet)).toBe(
      '2 ft inside the far baseline, 2 ft left of the left singles sideline',
    );
  });
});

describe('the one ruler', () => {
  test.each(SPORTS)('%s: far end left, near end right, and every pixel leads back to its metre', (sport) => {
    const plan = SPORT_RECORDS[sport].court;
    for (const width of [300, 820]) {
      const scale = rulerScale(plan, width, 236);
      expect(scale.along(plan.view.y2)).toBeCloseTo(0, 9);
      expect(scale.along(plan.view.y1)).toBeCloseTo(width, 9);
      expect(scale.across(1)).toBeLessThan(scale.across(-1)); // +x is up
      expect(scale.planHeight).toBeLessThanOrEqual(236 + 1e-9);
      for (const v of [-3, 0, 2.7]) {
        expect(scale.alongBack(scale.along(v))).toBeCloseTo(v, 9);
        expect(scale.acrossBack(scale.across(v))).toBeCloseTo(v, 9);
      }
    }
  });
});

describe('the address of the bench', () => {
  const setup = firstSetup(
    { id: 'c1', sport: 'tennis', surfaceId: 'tennis-clay' },
    { id: 'm1', profile: profileOf('Two-wheel portable') },
    'Competing',
    900,
  );
  test('holds the whole set-up, in characters that an address may have', () => {
    const text = setupToText(setup);
    expect(text).toMatch(/^[\w-]+$/);
    expect(setupFromText(text)).toEqual(setup);
  });
  test.each([
    ['nothing', ''],
    ['noise', '%%%'],
    ['other JSON', btoa('{"a":1}')],
    ['a set-up cut short', setupToText(setup).slice(0, 200)],
    ['a set-up with a wild value', setupToText({ ...setup, intervalS: 1e9 })],
  ])('%s is no set-up, and no error', (_name, text) => {
    expect(setupFromText(text)).toBeNull();
  });
});

describe('two set-ups in one address', () => {
  const setup = firstSetup(
    { id: 'c1', sport: 'baseball', surfaceId: 'baseball-turf' },
    { id: 'm1', profile: profileOf('Two-wheel pitching machine') },
    'Competing',
    0,
  );
  const params = (text: Record<string, string>): URLSearchParams => new URLSearchParams(text);
  test('both come back, with the one in hand', () => {
    const slower = { ...setup, hold: { speedMps: 20 } };
    const both = pairFromParams(params({ s: setupToText(setup), b: setupToText(slower), on: 'b' }));
    expect(both).toEqual({ a: setup, b: slower, at: 'b' });
  });
  test('one alone is in hand, whatever the address says; a broken second one is left out', () => {
    expect(pairFromParams(params({ s: setupToText(setup), on: 'b' }))).toEqual({ a: setup, b: null, at: 'a' });
    expect(pairFromParams(params({ s: setupToText(setup), b: '%%', on: 'b' }))).toEqual({ a: setup, b: null, at: 'a' });
    expect(pairFromParams(params({ b: setupToText(setup) }))).toBeNull();
  });
});

describe('the figures as text', () => {
  const profile = profileOf('Two-wheel portable');
  const setup = firstSetup({ id: 'c1', sport: 'tennis', surfaceId: 'tennis-clay' }, { id: 'm1', profile }, 'Competing', 900);
  const arrangement = arrange(setup, profile);
  const machine: MachineRow = { version: 1, id: 'm1', name: 'Bramble', profile, dials: [], today: null, linkAddress: '', notes: '' };
  const worked: Worked = { setup, machine, arrangement, family: null, spread: null, field: null };
  const units = {
    system: 'imperial',
    length: feet,
    speed: (mps: number) => `${mpsToMph(mps).toFixed(1)} mph`,
    altitude: feet,
    temperature: (c: number) => `${c} °C`,
    print: (value: number, dimension: string) => `${value.toFixed(0)} ${dimension}`,
  } as Parameters<typeof figuresOf>[1];
  test('say what the core computed, each under its name', () => {
    const figures = new Map(figuresOf(worked, units));
    expect(figures.get('Speed')).toBe(`${mpsToMph(arrangement.solution!.speedMps).toFixed(1)} mph`);
    expect(figures.get('Time to react')).toContain(arrangement.thrown!.arrival!.timeS.toFixed(2));
    expect(figures.get('Game ball')).toBe('Rally drive, Competing');
    expect(figures.has('Hang time')).toBe(false);
    expect(figuresText(worked, 'Court 1', units).split('\n')[0]).toBe('Good Arc: Court 1, Competing');
  });
  test('what cannot be thrown has settings but no arrival', () => {
    const none = { ...setup, hold: { speedMps: mphToMps(12) } };
    const figures = new Map(figuresOf({ ...worked, setup: none, arrangement: arrange(none, profile) }, units));
    expect(figures.has('Machine')).toBe(true);
    expect(figures.has('Time to react')).toBe(false);
  });
});

test('the spread’s outline holds 19 of 20 balls: 2.45 σ along each axis of an upright ellipse (χ² table; quoted from memory)', () => {
  const outline = ellipse({ x: 1, y: -8 }, { xx: 0.04, xy: 0, yy: 0.25 });
  expect(Math.max(...outline.map(({ x }) => x)) - 1).toBeCloseTo(2.4477 * 0.2, 3);
  expect(Math.max(...outline.map(({ y }) => y)) + 8).toBeCloseTo(2.4477 * 0.5, 3);
  const slanted = ellipse({ x: 0, y: 0 }, { xx: 1, xy: 0.9, yy: 1 });
  for (const { x, y } of slanted) {
    // Mahalanobis distance is the same all around
    expect((x * x - 1.8 * x * y + y * y) / (1 - 0.81)).toBeCloseTo(5.991, 2);
  }
});

describe('the hitter’s eye', () => {
  const see = projector({ eye: { x: 0, y: 0, z: 1.5 }, lookAt: { x: 0, y: 15, z: 1.5 }, widthPx: 800, heightPx: 400, fovDeg: 30 });
  test('what it looks at is in the middle; right is right, up is up; twice as far is half as large', () => {
    expect(see({ x: 0, y: 15, z: 1.5 })).toMatchObject({ x: 400, y: 200 });
    expect(see({ x: 1, y: 15, z: 1.5 })!.x).toBeGreaterThan(400);
    expect(see({ x: 0, y: 15, z: 2.5 })!.y).toBeLessThan(200);
    expect(see({ x: 0, y: 5, z: 1.5 })!.perM / see({ x: 0, y: 10, z: 1.5 })!.perM).toBeCloseTo(2, 9);
    // half the picture's height is half the angle of view
    expect(see({ x: 0, y: 10, z: 1.5 + 10 * Math.tan((15 * Math.PI) / 180) })!.y).toBeCloseTo(0, 6);
  });
  test('nothing behind the eye is seen; the horizon is at its height', () => {
    expect(see({ x: 0, y: -1, z: 1 })).toBeNull();
    expect(see({ x: 0, y: 1e6, z: 0 })!.y).toBeCloseTo(200, 1);
  });
});

test('a field is drawn from home away: the near end on the left, right field at the bottom', () => {
  const scale = rulerScale(diamondOf('baseball')!.field, 900, 420);
  expect(scale.along(0)).toBeLessThan(scale.along(90));
  expect(scale.across(30)).toBeGreaterThan(scale.across(-30));
  expect(scale.alongBack(scale.along(33))).toBeCloseTo(33, 9);
  expect(scale.acrossBack(scale.across(-12))).toBeCloseTo(-12, 9);
});

test('a sport’s first machine is one made for it alone, and one on a line before one worked by hand', () => {
  const machine = (name: string, kind: string): MachineRow => ({
    version: 1,
    id: name,
    name,
    profile: profileOf(kind),
    dials: [],
    today: null,
    linkAddress: '',
    notes: '',
  });
  const machines = [machine('Ash', 'One-wheel portable'), machine('Thistle', 'Holed-ball court machine')];
  expect(machineFor(machines, 'pickleball')!.name).toBe('Thistle');
  expect(machineFor(machines, 'tennis')!.name).toBe('Ash');
  expect(machineFor(machines, 'baseball')).toBeUndefined();
  const onLine = { ...machine('Zinnia', 'Holed-ball court machine'), linkAddress: '127.0.0.1:7101' };
  expect(machineFor([...machines, onLine], 'pickleball')!.name).toBe('Zinnia');
  expect(machineFor(machines, undefined)).toBeUndefined();
});

describe('what the server says, for a person', () => {
  const answer = (status: number, body: unknown): void => {
    vi.stubGlobal('fetch', async () => new Response(status === 204 ? null : JSON.stringify(body), { status }));
  };
  afterEach(() => vi.unstubAllGlobals());
  test('an answer is parsed; an empty one is undefined', async () => {
    answer(200, { a: 1 });
    expect(await api('GET', 'x')).toEqual({ a: 1 });
    answer(204, null);
    expect(await api('PUT', 'x', {})).toBeUndefined();
  });
  test('a refusal keeps its fields and reads as a sentence', async () => {
    answer(400, {
      type: 'about:blank',
      title: 'Bad input',
      status: 400,
      errors: [{ pointer: '/profile/speedMps', detail: 'The lowest comes first.' }],
    });
    const error = await api('PUT', 'x', {}).catch((each: unknown) => each);
    expect(error).toBeInstanceOf(ApiError);
    expect((error as ApiError).isAway).toBe(false);
    expect(messageOf(error)).toBe('Bad input profile › speedMps: The lowest comes first.');
  });
  test('no network, and a server that is away, may succeed later', async () => {
    vi.stubGlobal('fetch', async () => {
      throw new TypeError('failed to fetch');
    });
    expect(await api('PUT', 'x', {}).catch((each: ApiError) => each.isAway)).toBe(true);
    vi.stubGlobal('fetch', async () => new Response('<html>bad gateway</html>', { status: 502 }));
    expect(await api('PUT', 'x', {}).catch((each: ApiError) => each.isAway)).toBe(true);
    expect(messageOf(new Error('secret'))).not.toContain('secret');
  });
});

describe('a round on the device', () => {
  const run: Run = {
    roundId: 'r',
    outingId: 'o',
    rungId: 'g',
    playerId: 'p',
    startedAt: '2026-11-25T10:00:00Z',
    ...AS_BEGUN,
    others: [],
    card: rungDocument('01890000-0000-7000-8000-0000000000c1', '01890000-0000-7000-8000-0000000000a1'),
    weather: { temperatureC: 20, altitudeM: 0, relativeHumidity: 0.5, windXMps: 0, windYMps: 0 },
  };
  beforeEach(() => void emptyDevice());
  test('balls are added in order and changed by their number', () => {
    const thrown = withBall(withBall([], 2, { speedMps: 18 }), 1, { speedMps: 17 });
    expect(thrown.map(({ seq, speedMps }) => [seq, speedMps])).toEqual([
      [1, 17],
      [2, 18],
    ]);
    const judged = withBall(thrown, 2, { outcome: 'in', resultId: 'x' });
    expect(judged[1]).toEqual(newBall(2, { speedMps: 18, outcome: 'in', resultId: 'x' }));
    expect(resultsOf(judged)).toEqual([{ seq: 2, outcome: 'in', feedId: null, target: null }]);
    expect(thrown[1]!.outcome).toBeNull();
  });
  test('survives a reload for its own rung only, and not once it is finished', async () => {
    const under = { ...run, balls: withBall([], 1, { outcome: 'near', resultId: 'x' }) };
    saveRun('g', under);
    expect(await savedRun('g')).toEqual(under);
    expect(await savedRun('another')).toBeNull();
    saveRun('g', null);
    expect(await savedRun('g')).toBeNull();
  });
  test('a round begun on another rung leaves the open one as it is', async () => {
    const other = { ...run, roundId: 's', rungId: 'h', startedAt: '2026-11-25T10:30:00Z' };
    saveRun('g', run);
    saveRun('h', other);
    expect(await savedRun('g')).toEqual(run);
    expect((await openRuns()).map(({ rungId }) => rungId)).toEqual(['h', 'g']);
    saveRun('h', null);
    expect(await openRuns()).toEqual([run]);
  });
  test('what is not a round of ours is not believed', async () => {
    for (const broken of ['{"roundId":1}', 'broken', '7']) {
      device().setItem('round:broken', broken);
      expect(await savedRun('broken')).toBeNull();
      expect(await openRuns()).toEqual([]);
    }
  });
  test('rounds of a day share an outing; the next day has its own', () => {
    let made = 0;
    const make = (): string => `outing${++made}`;
    expect(outingOfToday('2026-11-25', make)).toBe('outing1');
    expect(outingOfToday('2026-11-25', make)).toBe('outing1');
    expect(outingOfToday('2026-11-26', make)).toBe('outing2');
  });
});

describe('today', () => {
  const document = rungDocument('0190f3a0-0000-7000-8000-000000000001', '0190f3a0-0000-7000-8000-000000000002');
  const ladder: LadderRow = {
    id: 'l',
    version: 1,
    name: 'Climb',
    sport: 'tennis',
    level: 'Building',
    approach: 'sweet-spot',
    origin: null,
    rungs: ['low', 'middle', 'top'].map((id, position) => ({ id, ladderId: 'l', position, document: { ...document, name: id } })),
  };
  const results = (hits: number, balls: number): ResultRow[] =>
    Array.from({ length: balls }, (_, i) => ({
      id: `${i}`,
      seq: i + 1,
      feedId: null,
      outcome: i < hits ? 'in' : 'out',
      speedMps: null,
      elevationDeg: null,
      bearingDeg: null,
      radarMps: null,
      landing: null,
      target: null,
    }));
  const round = (rungId: string, playerId: string, hits: number, balls = 10): RoundRow => ({
    id: `${rungId}${playerId}${hits}`,
    outingId: 'o',
    rungId,
    playerId,
    machineId: 'm',
    courtId: 'c',
    playerName: playerId,
    machineName: 'Bramble',
    courtName: 'Court 1',
    ladderName: 'Climb',
    card: { ...document, name: rungId },
    weather: document.weather,
    confirmedBy: null,
    startedAt: '2026-11-24T15:00:00Z',
    finishedAt: null,
    notes: '',
    source: 'court',
    results: results(hits, balls),
  });
  const ran = (rungId: string, playerId: string, hits: number) => ({ ...round(rungId, playerId, hits), hits, balls: 10 });
  test('same again: each rung once, newest first, those that still stand', () => {
    const again = againOf([ran('middle', 'Ines', 4), ran('low', 'Bo', 8), ran('middle', 'Bo', 9), ran('gone', 'Bo', 1)], [ladder], 4);
    expect(again.map(({ rungId, number, last }) => [rungId, number, last.hits])).toEqual([
      ['middle', 2, 4],
      ['low', 1, 8],
    ]);
    const last = ran('low', 'Bo', 8);
    expect(againOf([ran('middle', 'Ines', 4), last], [ladder], 1)).toHaveLength(1);
    // the same entry of the same round, so that its text is not put together again; of another ladder another
    expect(againOf([last], [ladder], 4)[0]).toBe(againOf([last], [ladder], 4)[0]);
    expect(againOf([last], [{ ...ladder, name: 'Steeper' }], 4)[0]).toMatchObject({ ladderName: 'Steeper' });
  });
  test('which rounds those are: the last of each rung whose ladder is still there', () => {
    const heads = ['middle', 'gone', 'low', 'middle', 'top'].map((rungId, i) => ({ id: `${rungId} ${i}`, rungId }));
    expect(lastOnEach(heads, [ladder], 4)).toEqual(['middle 0', 'low 2', 'top 4']);
    expect(lastOnEach(heads, [ladder], 2)).toEqual(['middle 0', 'low 2']);
    expect(lastOnEach(heads, [], 2)).toEqual([]);
  });
  const climbs = async (rounds: RoundRow[], approach: LadderRow['approach'] = 'sweet-spot') =>
    climbsOf(climbersOf(rounds, [{ ...ladder, approach }]), 5, async (playerId, rungId) =>
      rounds.filter((each) => each.playerId === playerId && each.rungId === rungId),
    );
  test('a climb is worth knowing when the one verdict says so and a higher rung waits; it carries its player', async () => {
    const found = await climbs([round('low', 'Ines', 8), round('top', 'Bo', 10), round('middle', 'Sam', 4), round('low', 'Nell', 0, 0)]);
    expect(found.map(({ playerId, from, to, toId }) => [playerId, from, to, toId])).toEqual([['Ines', 'low', 'middle', 'middle']]);
  });
  test('7 of 10 is no climb at the sweet spot, here as courtside; as an earned count it is', async () => {
    expect(await climbs([round('low', 'Ines', 7)])).toEqual([]);
    expect(await climbs([round('low', 'Ines', 7)], 'earn-it')).toHaveLength(1);
  });
  test('all rounds on the card count, not the newest alone', async () => {
    expect(await climbs([round('low', 'Ines', 2), round('low', 'Ines', 9)])).toEqual([]);
    expect(await climbs([round('low', 'Ines', 9), round('low', 'Ines', 2)])).toEqual([]);
  });
});

describe('the verdict after a round', () => {
  const document = rungDocument('0190f3a0-0000-7000-8000-000000000001', '0190f3a0-0000-7000-8000-000000000002');
  const count = (hits: number) => ({ hits, balls: 10, longestRun: hits });
  const past = (id: string, playerId: string, hits: number, same = true) => ({ id, playerId, same, ...count(hits) });
  const after = (
    hits: number,
    visit: { playerId: string; hits: number; balls: number; longestRun: number }[],
    history: ReturnType<typeof past>[] | null,
  ) => verdictAfter(document, 'sweet-spot', { playerId: 'ines', id: 'now', count: count(hits) }, visit, history);
  test('looks at all rounds of the player on this card: of this visit, and of before up to the last change', () => {
    expect(after(8, [], null).verdict).toBe('climb');
    const step = after(
      8,
      [
        { playerId: 'ines', ...count(5) },
        { playerId: 'bo', ...count(1) },
      ],
      [
        past('now', 'ines', 3), // this very round, as the server knew it half-way
        past('a', 'bo', 0),
        past('b', 'ines', 4),
        past('c', 'ines', 2, false),
        past('d', 'ines', 1),
      ],
    );
    expect(step).toMatchObject({ verdict: 'stay', figures: { rounds: 3, hits: 17, balls: 30 } });
  });
});

test('the rung of the tests is one that the bench would save', () => {
  const profile = profileOf('Two-wheel portable');
  const setup = firstSetup({ id: 'c', sport: 'tennis', surfaceId: 'tennis-acrylic-medium' }, { id: 'm', profile }, 'Building', 900);
  const made = rungFromSetup(setup, arrange(setup, profile), {
    name: 'A',
    focalPoint: '',
    ballsPerRound: 1,
    rounds: 1,
    gate: { hits: 1, of: 1 },
  });
  expect(made!.feeds[0]!.launch).toEqual(rungDocument('c', 'm').feeds[0]!.launch);
});
