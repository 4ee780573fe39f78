import { describe, expect, test } from 'vitest';
import {
  BALLS,
  ballById,
  coefficients,
  diamondOf,
  ftToM,
  GAME_BOOK,
  gameBallById,
  gameBallLabel,
  gameBallSource,
  gateSchema,
  inToM,
  LEVEL_NEEDS,
  LEVELS,
  MACHINE_KINDS,
  machineProfileSchema,
  PLATE,
  rpmToRadPerS,
  rungSchema,
  SPORT_RECORDS,
  SPORTS,
  STROKES,
  SURFACES,
  spinFor,
  strikeZone,
  surfaceById,
  throwGameBall,
} from '../src/index.ts';

/** Data is checked against the rule books it cites; figures quoted from memory, as the records say. */

describe('balls', () => {
  test.each<[id: string, grams: [number, number], diameterCm: [number, number]]>([
    ['tennis-standard', [56, 59.4], [6.54, 6.86]],
    ['tennis-stage1-green', [47, 51.5], [6.3, 6.86]],
    ['tennis-stage2-orange', [36, 46.9], [6, 6.86]],
    ['tennis-stage3-red', [36, 49], [7, 8]],
    ['pickleball-outdoor', [22.1, 26.5], [7.29, 7.54]],
    ['pickleball-indoor', [22.1, 26.5], [7.29, 7.54]],
    ['baseball', [141.7, 148.8], [7.28, 7.48]],
  ])('%s: mass and size are inside the rules', (id, [lightest, heaviest], [smallest, largest]) => {
    const { massKg, radiusM } = ballById(id);
    expect(massKg * 1000).toBeGreaterThanOrEqual(lightest);
    expect(massKg * 1000).toBeLessThanOrEqual(heaviest);
    expect(radiusM * 200).toBeGreaterThanOrEqual(smallest);
    expect(radiusM * 200).toBeLessThanOrEqual(largest);
  });
  test('each says where its figures come from; the holed balls say that they are known roughly', () => {
    for (const { sources, confidence, sport } of BALLS) {
      expect(sources.length).toBeGreaterThanOrEqual(2);
      expect(sources.every(({ source }) => source.length > 20)).toBe(true);
      expect(confidence).toBe(sport === 'pickleball' || sport === 'softball' ? 'low' : 'good');
    }
  });
  test('tennis coefficients at S = 1/4 by the published law, worked by hand', () => {
    // q = 4: 4.196·32 = 134.272; (156.775)^−0.4 = 0.1325; Cl = 1/(2.022 + 3.924)
    const { cd, cl } = coefficients(ballById('tennis-standard'), 0.033 * 400, 100, 100);
    expect(cd).toBeCloseTo(0.508 + 0.1325, 3);
    expect(cl).toBeCloseTo(0.1682, 4);
  });
  test('baseball coefficients at 2,000 rpm and S = 0.2 by the published fit, worked by hand', () => {
    // Cd = 0.3008 + 0.0584; Cl = 0.224/(0.583 + 0.4666)
    const spin = rpmToRadPerS(2000);
    const { cd, cl } = coefficients(ballById('baseball'), (0.0366 * spin) / 0.2, spin, spin);
    expect(cd).toBeCloseTo(0.3592, 6);
    expect(cl).toBeCloseTo(0.2134, 4);
  });
  test('without spin there is no lift; a worn ball drags by its factor', () => {
    for (const ball of BALLS) {
      expect(coefficients(ball, 25, 0, 0).cl).toBe(0);
      expect(coefficients({ ...ball, dragFactor: 1.1 * ball.dragFactor }, 25, 50, 50).cd).toBeCloseTo(
        1.1 * coefficients(ball, 25, 50, 50).cd,
        9,
      );
    }
  });
  test('an unknown id is a misuse', () => {
    expect(() => ballById('golf')).toThrow(RangeError);
    expect(() => surfaceById('ice')).toThrow(RangeError);
  });
});

describe('courts', () => {
  const at = (sport: 'tennis' | 'pickleball', name: string) => SPORT_RECORDS[sport].court.lines.find((line) => line.name === name)!;
  test('tennis: 78 ft long, 27 and 36 ft wide, service lines 21 ft from the net (ITF)', () => {
    expect(at('tennis', 'far baseline').y1 - at('tennis', 'near baseline').y1).toBeCloseTo(ftToM(78), 9);
    expect(at('tennis', 'right singles sideline').x1 - at('tennis', 'left singles sideline').x1).toBeCloseTo(ftToM(27), 9);
    expect(at('tennis', 'right tramline').x1 - at('tennis', 'left tramline').x1).toBeCloseTo(ftToM(36), 9);
    expect(at('tennis', 'far service line').y1).toBeCloseTo(ftToM(21), 9);
  });
  test('pickleball: 44 by 20 ft, non-volley line 7 ft from the net (USAP)', () => {
    expect(at('pickleball', 'far baseline').y1 * 2).toBeCloseTo(ftToM(44), 9);
    expect(at('pickleball', 'right sideline').x1 * 2).toBeCloseTo(ftToM(20), 9);
    expect(at('pickleball', 'near non-volley line').y1).toBeCloseTo(-ftToM(7), 9);
  });
  test('baseball: plate 17 in wide and deep, pitcher’s plate at 60 ft 6 in (OBR)', () => {
    expect(PLATE.halfWidthM * 2).toBeCloseTo(inToM(17), 9);
    expect(PLATE.frontY_m).toBeCloseTo(inToM(17), 9);
    expect(diamondOf('baseball')!.rubberY_m).toBeCloseTo(18.44, 2);
  });
  test('strike zone of a batter of 1.80 m: 48.6 cm to 96.3 cm', () => {
    expect(strikeZone(1.8).bottomM).toBeCloseTo(0.486, 3);
    expect(strikeZone(1.8).topM).toBeCloseTo(0.963, 3);
  });
  test('every sport has surfaces, and each says that it is representative', () => {
    for (const sport of SPORTS) expect(SURFACES.filter((each) => each.sport === sport).length).toBeGreaterThan(0);
    expect(SURFACES.every(({ source }) => source.assumption)).toBe(true);
  });
});

describe('levels and the game book', () => {
  test('from Starting to Advanced a body needs less time, moves faster, and a feed may come lower over the net', () => {
    for (let i = 1; i < LEVELS.length; i++) {
      const [before, after] = [LEVEL_NEEDS[LEVELS[i - 1]!], LEVEL_NEEDS[LEVELS[i]!]];
      expect(after.seeS).toBeLessThan(before.seeS);
      for (const stroke of STROKES) expect(after.prepareS[stroke]).toBeLessThanOrEqual(before.prepareS[stroke]);
      expect(after.courtSpeedMps).toBeGreaterThan(before.courtSpeedMps);
      expect(after.netClearanceM).toBeLessThan(before.netClearanceM);
    }
  });
  test('ids are unique and found again; labels say level or band', () => {
    expect(new Set(GAME_BOOK.map(({ id }) => id)).size).toBe(GAME_BOOK.length);
    for (const ball of GAME_BOOK) expect(gameBallById(ball.id)).toBe(ball);
    expect(gameBallLabel(gameBallById('tennis-rally-drive-competing')!)).toBe('Rally drive, Competing');
    expect(gameBallLabel(gameBallById('baseball-fastball-college')!)).toBe('Fastball, College');
    expect(gameBallById('nothing')).toBeUndefined();
  });
  test('a pitch’s spin splits into an active part and gyro that add up to the total', () => {
    const slider = gameBallById('baseball-slider-college')!;
    if (slider.kind !== 'pitch') throw new Error('a slider is a pitch');
    expect(Math.hypot(slider.sidespinRpm, slider.gyroRpm)).toBeCloseTo(2400, 6);
    expect(slider.sidespinRpm).toBeCloseTo(-0.35 * 2400, 6);
    // a right-hander's bends to his left, away from a right-handed hitter, a left-hander's the other way; the list says whose it is
    const left = gameBallById('baseball-slider-left-college')!;
    expect(left).toMatchObject({ sidespinRpm: -slider.sidespinRpm, gyroRpm: -slider.gyroRpm });
    const conditions = {
      ball: ballById('baseball'),
      airDensityKgM3: 1.2,
      wind: { xMps: 0, yMps: 0 },
      ground: { restitution: 0.5, friction: 0.5, tangentialRestitution: 0 },
    };
    const breaks = [slider, left].map((ball) => throwGameBall(conditions, ball, 0, 0.3)!.arrival!.breakM);
    expect(breaks[0]!).toBeLessThan(-0.15);
    expect(breaks[1]!).toBeCloseTo(-breaks[0]!, 4);
    expect([slider, left].map(gameBallLabel)).toEqual(['Slider, College, right-hander', 'Slider, College, left-hander']);
  });
  test('what little is published about says so where its source is asked for', () => {
    const of = (id: string) => gameBallSource(GAME_BOOK.find((ball) => ball.id === id)!);
    expect(of('softball-rise-college')).toContain('low confidence');
    expect(of('baseball-fastball-college')).toBe(of('tennis-rally-drive-building'));
  });
  test('no age band under 13 throws a breaking ball', () => {
    const young = GAME_BOOK.filter((ball) => ball.kind === 'pitch' && ['8 and under', '9–10', '11–12'].includes(ball.band));
    expect(young.map(({ name }) => name).filter((name) => name === 'Curve' || name === 'Slider')).toEqual([]);
  });
});

describe('machines', () => {
  test.each(MACHINE_KINDS.map((profile) => [profile.kind, profile] as const))('%s is a valid record', (_kind, profile) => {
    expect(machineProfileSchema.parse(profile)).toEqual(profile);
  });
  test.each<[string, object, string]>([
    ['speed the wrong way round', { speedMps: [20, 10] }, 'speedMps'],
    ['an elevation over the top', { elevationDeg: [0, 95] }, 'elevationDeg.1'],
    ['no sport', { sports: [] }, 'sports'],
    ['half a ball in the hopper', { hopper: 2.5 }, 'hopper'],
    ['an unknown spin law', { spin: { kind: 'magic' } }, 'spin.kind'],
    ['an unknown key', { colour: 'red' }, ''],
  ])('%s is refused', (_name, part, path) => {
    const result = machineProfileSchema.safeParse({ ...MACHINE_KINDS[2], ...part });
    expect(result.success).toBe(false);
    expect(result.error!.issues.map((issue) => issue.path.join('.'))).toContain(path);
  });
  test('each spin law gives what such a machine gives', () => {
    const wanted = { topspinRpm: 5000, sidespinRpm: -5000 };
    expect(spinFor({ kind: 'none', topspinRpm: -600 }, wanted, 20)).toEqual({ topspinRpm: -600, sidespinRpm: 0, gyroRpm: 0 });
    expect(spinFor({ kind: 'tied', rpmPerMps: 55 }, wanted, 20)).toEqual({ topspinRpm: 1100, sidespinRpm: 0, gyroRpm: 0 });
    expect(spinFor({ kind: 'topspin', maxRpm: 2000 }, wanted, 20)).toEqual({ topspinRpm: 2000, sidespinRpm: 0, gyroRpm: 0 });
    expect(spinFor({ kind: 'any', maxRpm: 3000 }, wanted, 20)).toEqual({ topspinRpm: 3000, sidespinRpm: -3000, gyroRpm: 0 });
  });
});

describe('a rung as a document', () => {
  const feed = {
    id: 'b1',
    name: 'Deep',
    launch: { x: 0, y: 6, z: 0.6, speedMps: 18, elevationDeg: 15, bearingDeg: 178, topspinRpm: 600, sidespinRpm: 0, gyroRpm: 0 },
    target: { kind: 'landing', x: 1, y: -8 },
    gameBallId: null,
    stroke: 'groundstroke',
    on: true,
    cue: '',
  };
  const rung = {
    name: 'Deep',
    focalPoint: '',
    courtId: '0190f3a0-0000-7000-8000-000000000001',
    machineId: '0190f3a0-0000-7000-8000-000000000002',
    ballId: 'tennis-standard',
    surfaceId: 'tennis-clay',
    level: 'Building',
    weather: { temperatureC: 20, altitudeM: 0, relativeHumidity: 0.5, windXMps: 0, windYMps: 0 },
    feeds: [feed],
    order: { kind: 'fixed' },
    intervalS: 4,
    ballsPerRound: 10,
    rounds: 2,
    player: { start: { x: 1, y: -12 }, recover: null },
    targetSize: { widthM: 2, depthM: 2 },
    targetAt: { x: 0, y: 9 },
    landingZone: { widthM: 2, depthM: 1.6 },
    gate: { hits: 5, of: 10 },
    shadowSwings: 0,
  };
  test('is accepted whole', () => {
    expect(rungSchema.parse(rung)).toEqual(rung);
  });
  test.each<[string, object, string]>([
    ['no feeds', { feeds: [] }, 'feeds'],
    ['a ball through the ground', { feeds: [{ ...feed, launch: { ...feed.launch, z: 0 } }] }, 'feeds.0.launch.z'],
    ['two balls with one id', { feeds: [feed, feed] }, 'feeds'],
    ['an id of a ball that is none', { feeds: [{ ...feed, id: 'a b' }] }, 'feeds.0.id'],
    ['a target of no kind', { feeds: [{ ...feed, target: { kind: 'basket' } }] }, 'feeds.0.target.kind'],
    ['an unknown ball', { ballId: 'golf' }, 'ballId'],
    ['no interval', { intervalS: 0 }, 'intervalS'],
    ['too many shadow swings', { shadowSwings: 3 }, 'shadowSwings'],
    ['an order that is not known yet', { order: 'shuffled' }, 'order'],
    ['a gate above its balls', { gate: { hits: 11, of: 10 } }, 'gate.hits'],
    ['an id that is none', { courtId: 'court 1' }, 'courtId'],
    ['a name that is only spaces', { name: '   ' }, 'name'],
    ['not a number', { intervalS: Number.NaN }, 'intervalS'],
  ])('%s is refused at its place', (_name, part, path) => {
    const result = rungSchema.safeParse({ ...rung, ...part });
    expect(result.success).toBe(false);
    expect(result.error!.issues.map((issue) => issue.path.join('.'))).toContain(path);
  });
  test('a gate may ask for every ball, not for none', () => {
    expect(gateSchema.safeParse({ hits: 10, of: 10 }).success).toBe(true);
    expect(gateSchema.safeParse({ hits: 0, of: 10 }).success).toBe(false);
  });
});
