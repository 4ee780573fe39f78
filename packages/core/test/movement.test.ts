import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  armAt,
  armOf,
  armSide,
  arrange,
  type Conditions,
  diamondOf,
  firstSetup,
  GAME_BOOK,
  gameBallById,
  gameBallLabel,
  gameLaunch,
  handOn,
  heightOf,
  inSlot,
  type Launch,
  MACHINE_KINDS,
  movementOf,
  ownFrom,
  ownGameBallSchema,
  type PitchGameBall,
  PLATE,
  releaseOf,
  type Setup,
  SPORT_RECORDS,
  standsInSlot,
  strikeZone,
  strikeZoneOf,
  USUAL_HEIGHT_M,
} from '../src/index.ts';

const inches = (m: number): number => m / 0.0254;
const conditions: Conditions = {
  ball: SPORT_RECORDS.baseball.balls[0]!,
  airDensityKgM3: 1.2,
  wind: { xMps: 0, yMps: 0 },
  ground: { restitution: 0.5, friction: 0.5, tangentialRestitution: 0 },
};
const pitchOf = (id: string): PitchGameBall => {
  const ball = gameBallById(id);
  if (ball?.kind !== 'pitch') throw new Error(`${id} is no pitch`);
  return ball;
};
const moved = (launch: Launch) => movementOf(conditions, launch, PLATE.frontY_m)!;
const thrown = (spin: Partial<Launch>): Launch => ({
  x: 0,
  y: 16.5,
  z: 1.75,
  speedMps: 40,
  elevationDeg: -1,
  bearingDeg: 180,
  topspinRpm: 0,
  sidespinRpm: 0,
  gyroRpm: 0,
  ...spin,
});

describe('movement of a pitch', () => {
  test('a professional fastball, curve and slider move as tracking systems report of such pitches', () => {
    // usual figures of four-seam fastballs, curves and sweeping sliders in a professional game: 14 to 19 in of rise, 11 to 18 in of drop with gravity;
    // 8 to 20 in down; 5 to 15 in to the glove side (quoted from memory)
    const of = (slug: string) => moved(gameLaunch(pitchOf(`baseball-${slug}-professional`), conditions)!.launch);
    const [fastball, curve, slider] = [of('fastball'), of('curve'), of('slider')];
    expect(inches(fastball.riseM)).toBeGreaterThan(14);
    expect(inches(fastball.riseM)).toBeLessThan(19);
    expect(inches(fastball.dropM)).toBeGreaterThan(11);
    expect(inches(fastball.dropM)).toBeLessThan(18);
    expect(inches(curve.riseM)).toBeLessThan(-8);
    expect(inches(curve.riseM)).toBeGreaterThan(-20);
    expect(inches(slider.acrossM)).toBeGreaterThan(5);
    expect(inches(slider.acrossM)).toBeLessThan(15);
    expect(Math.abs(inches(slider.riseM))).toBeLessThan(3);
    // a ball loses a tenth of its speed on the way, give or take
    expect(fastball.plateMps / fastball.releaseMps).toBeCloseTo(0.92, 1);
    expect(slider.activeShare).toBeCloseTo(0.35, 6);
    expect(slider.totalRpm).toBeCloseTo(2400, 6);
  });
  test.each([
    ['backspin', { topspinRpm: -2000 }, 12],
    ['topspin', { topspinRpm: 2000 }, 6],
    ['to the pitcher’s right', { sidespinRpm: 2000 }, 3],
    ['to the pitcher’s left', { sidespinRpm: -2000 }, 9],
    ['backspin that runs to the right', { topspinRpm: -1500, sidespinRpm: 1500 }, 1.5],
    ['nothing but gyro', { gyroRpm: 2500 }, null],
  ] as const)('the clock of %s', (_, spin, hour) => {
    const { clockH } = moved(thrown(spin));
    if (hour === null) expect(clockH).toBeNull();
    else expect(clockH).toBeCloseTo(hour, 6);
  });
  test('the ball goes where the clock says, whatever the spin', () => {
    fc.assert(
      fc.property(fc.integer({ min: -3000, max: 3000 }), fc.integer({ min: -3000, max: 3000 }), (topspinRpm, sidespinRpm) => {
        fc.pre(Math.hypot(topspinRpm, sidespinRpm) > 600);
        const { riseM, acrossM, clockH } = moved(thrown({ topspinRpm, sidespinRpm }));
        // the pitcher looks at the plate: first base is on the left
        const went = Math.atan2(-acrossM, riseM);
        const off = went - (clockH! * Math.PI) / 6;
        // lift has a part that is not linear in spin, and the ball slows down: a quarter of an hour
        expect(Math.abs(Math.atan2(Math.sin(off), Math.cos(off)))).toBeLessThan(Math.PI / 24);
      }),
      { numRuns: 60 },
    );
  });
  test('wind moves both alike; a ball that never gets there has none', () => {
    const windy = { ...conditions, wind: { xMps: 4, yMps: -3 } };
    const launch = thrown({ topspinRpm: -2000 });
    expect(Math.abs(movementOf(windy, launch, PLATE.frontY_m)!.acrossM)).toBeLessThan(0.03);
    expect(movementOf(conditions, { ...launch, bearingDeg: 0 }, PLATE.frontY_m)).toBeNull();
  });
});

describe('hand and slot', () => {
  test('a right-hander lets go on the side of third base, a left-hander is the mirror image', () => {
    const base = diamondOf('baseball')!.field.lines.find(({ id }) => id === 'first-second')!;
    const right = gameLaunch(pitchOf('baseball-slider-college'), conditions)!.launch;
    const left = gameLaunch(pitchOf('baseball-slider-left-college'), conditions)!.launch;
    expect(Math.sign(base.x1)).toBe(armSide('left'));
    expect(right.x).toBeLessThan(-0.4);
    expect(left.x).toBeCloseTo(-right.x, 9);
    // 1 mm is as near as the aim comes
    expect(moved(left).acrossM).toBeCloseTo(-moved(right).acrossM, 3);
    // his slider goes away from a right-handed hitter, who stands on the third-base side
    expect(moved(right).acrossM).toBeGreaterThan(0);
    expect(SPORT_RECORDS.baseball.court.player.x).toBeLessThan(0);
  });
  test('a straight ball is thrown by whom the machine stands in for; one that says its arm by that arm', () => {
    const straight = pitchOf('baseball-fastball-college');
    expect([armOf(straight), armAt({ x: -0.2 }), armAt({ x: 0.2 }), armAt({ x: 0 })]).toEqual([null, 'right', 'left', 'right']);
    expect(gameLaunch(straight, conditions, 0, 'left')!.launch.x).toBeGreaterThan(0);
    // a right-hander's sinker runs to the side of the arm
    const sinker = { ...straight, hand: 'right' as const, sidespinRpm: 900 };
    expect(gameLaunch(sinker, conditions, 0, 'left')!.launch.x).toBeLessThan(0);
    expect(gameBallLabel(sinker)).toBe('Fastball, College, right-hander');
    const setup = pitching('baseball');
    const game = (x: number) => arrange({ ...setup, from: { ...setup.from, x } }, machine('baseball')).game!.launch.x;
    expect(game(0.4)).toBeCloseTo(-game(-0.4), 9);
  });
  test('slots lie 18 to 24 in off the middle; grown arms between 5 and 6.5 ft up, softball at the hip', () => {
    // common practice: 18 to 24 in, 5.5 to 6.5 ft grown, about 2 ft in softball
    const slots = (sport: 'baseball' | 'softball') =>
      diamondOf(sport)!.slots.map((slot) => releaseOf(pitchOf(`${sport}-fastball-college`), 'right', slot));
    for (const { x, z } of slots('baseball')) {
      expect(inches(-x)).toBeGreaterThanOrEqual(18 - 1e-9);
      expect(inches(-x)).toBeLessThanOrEqual(24 + 1e-9);
      expect(inches(z) / 12).toBeGreaterThan(5);
      expect(inches(z) / 12).toBeLessThan(6.5);
    }
    expect(slots('softball').map(({ z }) => Math.round(inches(z)))).toEqual([24]);
  });
  test('a machine is placed in every slot of either arm at once, and known to stand there and in no other', () => {
    for (const sport of ['baseball', 'softball'] as const) {
      const { slots } = diamondOf(sport)!;
      const game = pitchOf(`${sport}-fastball-college`);
      for (const hand of ['right', 'left'] as const)
        for (const slot of slots) {
          const setup = { ...pitching(sport), ...inSlot(pitching(sport), game, hand, slot) };
          const all = (['right', 'left'] as const).flatMap((each) =>
            slots.filter((one) => standsInSlot(setup, game, each, one)).map((one) => [each, one.id]),
          );
          expect(all).toEqual([[hand, slot.id]]);
          expect(setup.from.y).toBe(pitching(sport).from.y);
          expect(arrange(setup, machine(sport)).solution).not.toBeNull();
        }
    }
  });
  test('from where the pitcher lets go a machine stands just there; from nearer by it is seen in the same place', () => {
    const game = pitchOf('baseball-fastball-college');
    const [slot] = diamondOf('baseball')!.slots;
    const release = releaseOf(game, 'left', slot);
    const setup = pitching('baseball');
    const at = (y: number) => inSlot({ ...setup, from: { ...setup.from, y } }, game, 'left', slot!).from;
    expect(at(release.y)).toEqual({ x: expect.closeTo(release.x, 9), y: release.y, z: expect.closeTo(release.z, 9) });
    const near = at(release.y / 2);
    const slope = ({ x, y }: { x: number; y: number }): number => x / (y - PLATE.frontY_m);
    expect(slope(near)).toBeCloseTo(slope(release), 9);
    expect(near.z).toBeLessThan(release.z);
  });
  test('for the other arm a ball that bends is mirrored, the game’s and the machine’s own; a straight game ball stays', () => {
    const [slot] = diamondOf('baseball')!.slots;
    const setup: Setup = { ...pitching('baseball'), sidespinRpm: -700, gameBallId: 'baseball-slider-college' };
    expect(armAt(setup.from)).toBe('right');
    const left = { ...setup, ...inSlot(setup, pitchOf(setup.gameBallId), 'left', slot!) };
    expect(left).toMatchObject({ sidespinRpm: 700, gameBallId: 'baseball-slider-left-college' });
    const back = { ...left, ...inSlot(left, pitchOf(left.gameBallId), 'right', slot!) };
    expect(back).toMatchObject({ sidespinRpm: -700, gameBallId: 'baseball-slider-college' });
    const fastball = { ...setup, gameBallId: 'baseball-fastball-college' };
    expect(inSlot(fastball, pitchOf(fastball.gameBallId), 'left', slot!).gameBallId).toBe('baseball-fastball-college');
  });
  test('a pitch that becomes a coach’s own keeps its height and its arm', () => {
    for (const ball of GAME_BOOK) {
      if (ball.kind !== 'pitch') continue;
      const own = ownGameBallSchema.parse(ownFrom(ball));
      const again = { ...own, id: 'own', name: ball.name } as PitchGameBall;
      expect(releaseOf(again)).toEqual(releaseOf(ball));
      expect(armOf(again)).toBe(armOf(ball));
    }
  });
});

function machine(sport: 'baseball' | 'softball') {
  return (
    MACHINE_KINDS.find(({ sports, spin }) => sports.includes(sport) && spin.kind === 'any') ??
    MACHINE_KINDS.find(({ sports }) => sports.includes(sport))!
  );
}

function pitching(sport: 'baseball' | 'softball'): Setup {
  const { surfaces } = SPORT_RECORDS[sport];
  return firstSetup({ id: 'court', sport, surfaceId: surfaces[0]!.id }, { id: 'machine', profile: machine(sport) }, 'Advanced', 0);
}

describe('the strike zone of an age band', () => {
  const heights = (sport: 'baseball' | 'softball') => diamondOf(sport)!.bands.map(({ heightM }) => heightM);
  test('is by the rule of the young up to twelve, by the rule book from there on', () => {
    for (const sport of ['baseball', 'softball'] as const) {
      const rules = diamondOf(sport)!.bands.map(({ zone }) => zone);
      expect(rules).toEqual(['youth', 'youth', 'youth', 'rule book', 'rule book', 'rule book', 'rule book']);
      expect(heights(sport)).toEqual([...heights(sport)].sort((a, b) => a - b));
    }
    // top of the knees to the armpits of a child of 1.40 m: 0.40 to 1.05 m; grown: 0.486 to 0.963 m at 1.80 (arithmetic on 0.285, 0.75, 0.27, 0.535)
    const child = strikeZoneOf('baseball', { level: 'Starting', batterHeightM: 1.4 });
    expect([child.bottomM, child.topM]).toEqual([expect.closeTo(0.399, 6), expect.closeTo(1.05, 6)]);
    const grown = strikeZoneOf('baseball', { level: 'Advanced', batterHeightM: 1.8 });
    expect([grown.bottomM, grown.topM]).toEqual([expect.closeTo(0.486, 6), expect.closeTo(0.963, 6)]);
  });
  test('of a level with two bands the game ball says which; without one of them it is the younger', () => {
    const of = (gameBallId?: string) => strikeZoneOf('baseball', { level: 'Building', gameBallId, batterHeightM: 1.5 });
    expect(of('baseball-fastball-13-14')).toEqual(strikeZone(1.5));
    expect(of('baseball-fastball-11-12')).toEqual(strikeZone(1.5, 'youth'));
    for (const id of [undefined, '', 'somebody’s own', 'baseball-fastball-college']) expect(of(id)).toEqual(strikeZone(1.5, 'youth'));
  });
  test('nobody’s height is that of the age, not of the grown; a typed one stands', () => {
    expect(heightOf('baseball', { level: 'Starting' })).toBe(heights('baseball')[0]);
    expect(heightOf('softball', { level: 'Building', gameBallId: 'softball-fastball-13-14' })).toBe(1.63);
    expect(heightOf('baseball', { level: 'Starting', batterHeightM: 1.6 })).toBe(1.6);
    expect(heightOf('tennis', { level: 'Starting' })).toBe(USUAL_HEIGHT_M);
  });
});

test('a drill is laid out by the side somebody bats from, over a net by the hand they play with', () => {
  const of = (bats: 'right' | 'left' | 'both' | null) =>
    [
      handOn('baseball', { hand: 'right', bats }),
      handOn('softball', { hand: 'right', bats }),
      handOn('tennis', { hand: 'right', bats }),
    ].join(' ');
  expect(of(null)).toBe('right right right');
  expect(of('left')).toBe('left left right');
  expect(of('both')).toBe('left left right');
  expect(handOn('baseball', { hand: 'left', bats: 'right' })).toBe('right');
});
