import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  buildLadder,
  changesBetween,
  fitDrill,
  hazardsOfRung,
  LIBRARY,
  mirrorPlace,
  mirrorRung,
  notJudged,
  type PlayerTarget,
  passesMachine,
  placeOfTarget,
  polesToward,
  type RungDocument,
  recoverAfter,
  resizeTarget,
  rungAtLevel,
  SPORT_RECORDS,
  SPORTS,
  TARGET_PLACE_IDS,
  targetSpot,
  targetsOf,
} from '../src/index.ts';
import { buildQuestion, kindOf, venueOf } from './support/club.ts';

const FOOT_M = 0.3048;
const NET_SPORTS = ['tennis', 'pickleball'] as const;
const anyPlace = fc.constantFrom(...TARGET_PLACE_IDS);
const anySize = fc.record({ widthM: fc.double({ min: 0.3, max: 2.5, noNaN: true }), depthM: fc.double({ min: 0.3, max: 2, noNaN: true }) });

const fitted = (id: string, kind: string, hand: 'left' | 'right' = 'right'): RungDocument[] => {
  const drill = LIBRARY.find((each) => each.id === id)!;
  return fitDrill(drill, { ...venueOf(drill.sport, kindOf(kind), drill.level), hand, heightM: 1.7, approach: 'sweet-spot' }).rungs;
};
const placesOf = (rung: RungDocument, sport: 'tennis' | 'pickleball' | 'baseball') =>
  targetsOf(rung).map(({ target, feeds }) => [placeOfTarget(sport, target), feeds]);

describe('where a target stands', () => {
  // distances of the trade: three feet from baseline and sideline, in the middle five feet inside the baseline (common practice, no source)
  test('small targets: three feet from both lines in the corners, five inside the baseline in the middle', () => {
    const small = { widthM: 0.5, depthM: 0.5 };
    for (const sport of NET_SPORTS) {
      const { x2, y2 } = SPORT_RECORDS[sport].court.inPlay;
      const corner = targetSpot(sport, 'deep-right', small);
      expect(x2 - corner.x).toBeCloseTo(3 * FOOT_M, 9);
      expect(y2 - corner.y).toBeCloseTo(3 * FOOT_M, 9);
      expect(y2 - targetSpot(sport, 'deep-middle', small).y).toBeCloseTo(5 * FOOT_M, 9);
    }
  });
  test('a short target of pickleball lies in the non-volley zone, of tennis in the service boxes', () => {
    const size = { widthM: 1, depthM: 0.8 };
    expect(targetSpot('pickleball', 'short-left', size).y + 0.4).toBeLessThan(7 * FOOT_M);
    expect(targetSpot('tennis', 'short-left', size).y + 0.4).toBeLessThan(21 * FOOT_M);
    expect(targetSpot('tennis', 'short-left', size).x).toBeLessThan(0);
  });
  test('whatever its size, all of it lies inside the lines on the far side', () =>
    fc.assert(
      fc.property(fc.constantFrom(...NET_SPORTS), anyPlace, anySize, (sport, place, size) => {
        const { x, y } = targetSpot(sport, place, size);
        const { inPlay } = SPORT_RECORDS[sport].court;
        expect(Math.abs(x) + size.widthM / 2).toBeLessThanOrEqual(inPlay.x2 + 1e-9);
        expect(y - size.depthM / 2).toBeGreaterThanOrEqual(-1e-9);
        expect(y + size.depthM / 2).toBeLessThanOrEqual(inPlay.y2 + 1e-9);
      }),
      { seed: 3 },
    ));
  test('left and right are each other’s mirror image, and every place has its name', () =>
    fc.assert(
      fc.property(fc.constantFrom(...SPORTS), anyPlace, anySize, (sport, place, size) => {
        const [one, other] = [targetSpot(sport, place, size), targetSpot(sport, mirrorPlace(place), size)];
        expect(other.x).toBeCloseTo(-one.x, 9);
        expect(other.y).toBeCloseTo(one.y, 9);
        expect(SPORT_RECORDS[sport].targetNames[place].includes('left')).toBe(place.endsWith('left'));
      }),
      { seed: 4 },
    ));
  test('a place is known again by where the target stands, and moved away it is a place of its own', () => {
    for (const sport of SPORTS)
      for (const place of TARGET_PLACE_IDS) {
        const target: PlayerTarget = { ...targetSpot(sport, place, { widthM: 1.5, depthM: 1 }), widthM: 1.5, depthM: 1 };
        expect(placeOfTarget(sport, target)).toBe(place);
        expect(placeOfTarget(sport, { ...target, x: target.x + 1, y: target.y - 5 })).toBeNull();
      }
  });
  test('made smaller it goes back toward the lines; where it stands by hand it stays', () => {
    const wide = { widthM: 2.4, depthM: 1.9 };
    const rung = { targetSize: wide, targetAt: targetSpot('tennis', 'deep-left', wide) };
    const small = resizeTarget('tennis', rung, { widthM: 1, depthM: 0.8 });
    expect(small.targetAt!.x).toBeLessThan(rung.targetAt.x);
    expect(placeOfTarget('tennis', { ...small.targetAt!, ...small.targetSize })).toBe('deep-left');
    const own = { targetSize: wide, targetAt: { x: 0.7, y: 6.1 } };
    expect(resizeTarget('tennis', own, { widthM: 1, depthM: 0.8 }).targetAt).toEqual(own.targetAt);
    // no larger than the court beyond the net, singles lines: 8.23 m by 11.885 m (ITF rules of tennis)
    expect(resizeTarget('tennis', rung, { widthM: 30, depthM: 30 })).toEqual({
      targetSize: { widthM: expect.closeTo(8.23, 2), depthM: expect.closeTo(11.885, 2) },
      targetAt: { x: 0, y: expect.closeTo(11.885 / 2, 2) },
    });
    expect(resizeTarget('tennis', { targetSize: wide }, { widthM: 1, depthM: 0.8 })).toEqual({ targetSize: { widthM: 1, depthM: 0.8 } });
  });
});

describe('the machine in the way', () => {
  const met = { x: 0.5, y: -7 };
  test('a ball that passes it by less than a racket’s length, or lands on it; not one that goes by or ends before', () => {
    const target = { x: 0.5, y: 9 };
    expect(passesMachine(met, target, { x: 0.6, y: -1.2 })).toBe(true);
    expect(passesMachine(met, target, { x: 0.6, y: 9.5 })).toBe(true);
    expect(passesMachine(met, target, { x: 1.6, y: -1.2 })).toBe(false);
    expect(passesMachine(met, target, { x: 0.5, y: 11 })).toBe(false);
    expect(passesMachine(met, target, { x: 0.5, y: -9 })).toBe(false);
  });
  test('a built ladder hits past every place of its machine, to one place from the bottom to the top', () => {
    for (const level of ['starting', 'building', 'competing']) {
      const { rungs } = buildLadder(buildQuestion(`tennis-rally-drive-${level}`, 'Programmable court machine'));
      expect(new Set(rungs.map((rung) => placeOfTarget('tennis', { ...rung.targetAt!, ...rung.targetSize }))).size).toBe(1);
      const [first] = rungs as [RungDocument];
      const { target, launch } = first.feeds[0]!;
      expect(passesMachine({ x: target.x, y: first.player.start.y }, first.targetAt!, launch)).toBe(false);
    }
  });
  test('a target behind the machine is a caution; to its other side it is none', () => {
    const [rung] = fitted('tennis-baseline-groove', 'Programmable court machine') as [RungDocument];
    const { launch } = rung.feeds[0]!;
    const ids = (targetAt: { x: number; y: number }) =>
      hazardsOfRung({ ...rung, targetAt }, 'tennis', notJudged({ code: 'nothing-on' })).map(({ code }) => code);
    expect(ids({ x: launch.x, y: launch.y })).toContain('machine-in-the-way');
    expect(ids({ x: -3, y: 10 })).not.toContain('machine-in-the-way');
  });
});

describe('targets of ladders and drills', () => {
  test('cross-court, then down the line, each on the side it is hit to; mirrored for a left-hander', () => {
    const ofRungs = (hand: 'left' | 'right') =>
      fitted('tennis-cross-then-line', 'Programmable court machine', hand).map((rung) => placesOf(rung, 'tennis'));
    expect(ofRungs('right')).toEqual([
      [['deep-left', [1]]],
      [['deep-right', [1]]],
      [['deep-right', [1]]],
      [['deep-left', [1]]],
      [
        ['deep-left', [1]],
        ['deep-right', [2]],
      ],
    ]);
    expect(ofRungs('left')[0]).toEqual([[mirrorPlace('deep-left'), [1]]]);
  });
  test('return deep, reset short, finish deep; the spare ball has no target', () => {
    const spare = fitted('pickleball-return-reset-finish', 'Programmable holed-ball machine').at(-1)!;
    expect(spare.feeds).toHaveLength(4);
    expect(placesOf(spare, 'pickleball')).toEqual([
      ['deep-middle', [1]],
      ['short-middle', [2]],
      ['deep-right', [3]],
    ]);
  });
  test('hitters drive up the middle; what goes to fielders is taken, not hit to a place', () => {
    expect(placesOf(fitted('baseball-velocity-climb', 'Three-wheel pitching machine')[0]!, 'baseball')).toEqual([['short-middle', [1]]]);
    expect(targetsOf(fitted('baseball-flies-by-field', 'Programmable field machine')[0]!)).toEqual([]);
  });
  test('a dink is answered short', () =>
    expect(placesOf(fitted('pickleball-quiet-hands', 'Holed-ball court machine')[0]!, 'pickleball')).toEqual([['short-middle', [1]]]));
  test('moving it is a change of the target; mirroring moves it, too; another level keeps its place', () => {
    const [rung] = fitted('tennis-baseline-groove', 'Programmable court machine') as [RungDocument];
    const moved = { ...rung, targetAt: { x: -rung.targetAt!.x, y: rung.targetAt!.y } };
    expect(changesBetween(rung, rung)).toEqual([]);
    expect(changesBetween(rung, moved)).toEqual(['target']);
    expect(mirrorRung(rung).targetAt).toEqual(moved.targetAt);
    const up = rungAtLevel(rung, 'Advanced', venueOf('tennis', kindOf('Programmable court machine'), 'Building'));
    expect(up.targetSize.widthM).toBeLessThan(rung.targetSize.widthM);
    expect(placesOf(up, 'tennis')).toEqual(placesOf(rung, 'tennis'));
  });
});

describe('in a cage', () => {
  test('a hitter’s target is two poles inside it, not a place in a field; out of doors it is the field', () => {
    const { court, ...rest } = buildQuestion('baseball-fastball-11-12', 'Two-wheel pitching machine');
    const caged = buildLadder({ ...rest, court: { ...court, ceilingM: 4.2 } }).rungs[0]!;
    const open = buildLadder({ ...rest, court }).rungs[0]!;
    expect(Math.hypot(caged.targetAt!.x, caged.targetAt!.y)).toBeLessThan(13);
    expect(polesToward('baseball', caged.targetAt!)).toBe('short-middle');
    expect(Math.hypot(open.targetAt!.x, open.targetAt!.y)).toBeGreaterThan(20);
    expect(polesToward('baseball', open.targetAt!)).toBeNull();
    // the same scatter of the player, seen nearer
    expect(caged.targetSize.widthM).toBeLessThan(open.targetSize.widthM);
  });
  test('a court of a net sport in a hall keeps its lines', () => {
    const { court, ...rest } = buildQuestion('tennis-rally-drive-building', 'Two-wheel portable');
    const inside = buildLadder({ ...rest, court: { ...court, ceilingM: 9 } }).rungs[0]!;
    expect(inside.targetAt!.y).toBeGreaterThan(6);
  });
});

describe('where a player recovers to', () => {
  const [rung] = fitted('tennis-baseline-groove', 'Two-wheel portable');
  const met = { x: 2.4, y: -12.4 };
  const feed = { ...rung!.feeds[0]!, meet: met };
  const after = (targetX: number, from = met, recoverByShot = true) =>
    recoverAfter(
      { ...rung!, recoverByShot, player: { start: { x: 0, y: -12.2 }, recover: null } },
      { ...feed, meet: from, targetAt: { x: targetX, y: 10.5 } },
    );
  test('short of the middle after cross-court, past it after the line, in the middle after the middle', () => {
    expect(after(-3)).toEqual({ x: 0.4, y: -12.2 });
    expect(after(3)).toEqual({ x: -0.5, y: -12.2 });
    expect(after(0)).toEqual({ x: 0, y: -12.2 });
    // and the other way round from the other wing
    expect(after(3, { ...met, x: -2.4 })).toEqual({ x: -0.4, y: -12.2 });
  });
  test('in a mirror it is the mirror of it; where the rung does not ask for it, it is the rung’s own place', () => {
    const aimed = { ...rung!, recoverByShot: true as const, feeds: [{ ...feed, targetAt: { x: -3, y: 10.5 } }] };
    const there = recoverAfter(aimed, aimed.feeds[0]!)!;
    const mirrored = mirrorRung(aimed);
    expect(recoverAfter(mirrored, mirrored.feeds[0]!)).toEqual({ x: -there.x, y: there.y });
    expect(after(-3, met, false)).toBeNull();
    const { recoverByShot: _by, ...plain } = aimed;
    expect(recoverAfter(plain, plain.feeds[0]!)).toEqual(plain.player.recover);
  });
});
