import { describe, expect, test } from 'vitest';
import {
  apartOf,
  COMFORTS,
  canThrowInOrder,
  conditionsOf,
  type Drill,
  diamondOf,
  type Feed,
  type Fitted,
  fitDrill,
  fly,
  GAME_BOOK,
  LEVEL_NEEDS,
  LEVELS,
  type Level,
  LIBRARY,
  type MachineProfile,
  netHeightAt,
  type RungDocument,
  rungSchema,
  SPORT_RECORDS,
} from '../src/index.ts';
import { judgedWhole, judgeWith, kindsFor, venueOf } from './support/club.ts';

/**
 * Every built-in drill × level × generic machine × hand: what is thrown keeps every promise, and what is not says why. Two and a half minutes;
 * the suite runs each drill at its own level on every machine, at every second level where the machine is programmed, and left-handed once.
 */
const WHOLE = process.env.GOODARC_TABLE === 'whole';

interface Cell {
  drill: Drill;
  level: Level;
  profile: MachineProfile;
  hand: 'left' | 'right';
}
const cellsOf = (drill: Drill): Cell[] =>
  LEVELS.flatMap((level) =>
    kindsFor(drill.sport).flatMap((profile) =>
      (['right', 'left'] as const).flatMap((hand): Cell[] => {
        const programmed = profile.aimedBy === 'program';
        const own = level === drill.level;
        // of the other levels every second one, another for the next drill
        const turn = (LEVELS.indexOf(level) + LIBRARY.indexOf(drill)) % 2 === 0;
        return WHOLE || (hand === 'left' ? programmed && own : own || (programmed && turn)) ? [{ drill, level, profile, hand }] : [];
      }),
    ),
  );

/** What a ball of a net sport breaks: its clearance, or the lines. */
function faultsOf(feed: Feed, { drill, level, profile }: Cell, asked: ReturnType<typeof venueOf>): string[] {
  const { net, inPlay } = SPORT_RECORDS[drill.sport].court;
  // what is met in the air, at the net or as a toss, comes down where it likes
  const inTheAir = feed.stroke === 'volley' || feed.contact === 'overhead';
  const { ballId, court, weather } = asked;
  const conditions = conditionsOf({ ballId, surfaceId: court.surfaceId, weather });
  const flight = fly(conditions, feed.launch, { planesY: [0], maxBounces: 0 });
  const faults: string[] = [];
  const [over] = flight.crossings;
  const game = GAME_BOOK.find(({ id }) => id === feed.gameBallId);
  const needM = Math.min(LEVEL_NEEDS[level].netClearanceM, game?.kind === 'shaped' ? game.clearsByM : Number.POSITIVE_INFINITY);
  if (net && feed.launch.y > 0 && over && over.z - conditions.ball.radiusM - netHeightAt(net, over.x) < needM - 0.01)
    faults.push(`${feed.name}: less than ${needM} m over the net`);
  const [touch] = flight.bounces;
  if (touch && !inTheAir && (touch.x < inPlay.x1 || touch.x > inPlay.x2 || touch.y < inPlay.y1 || touch.y > inPlay.y2))
    faults.push(`${feed.name}: lands out, at ${touch.x.toFixed(1)}, ${touch.y.toFixed(1)}, from ${profile.kind}`);
  return faults;
}

/** Everything a rung of the library promises, and does not keep here. */
function brokenBy(rung: RungDocument, cell: Cell, asked: ReturnType<typeof venueOf>): string[] {
  const { drill, profile } = cell;
  const { balls } = drill.rungs.find(({ name }) => name === rung.name)!;
  const judged = judgedWhole(rung, judgeWith(asked));
  const apartM = apartOf(rung);
  // beyond the game on purpose, a challenge
  const worst = balls.some(({ share }) => share > 1) ? 'rushed' : 'working';
  const toFielders = balls.every(({ field }) => field);
  const { inPlay, net } = SPORT_RECORDS[drill.sport].court;
  const [at, size] = [rung.targetAt, rung.targetSize];
  const broken = [
    !rungSchema.safeParse(rung).success && 'not a rung',
    COMFORTS.indexOf(judged.comfort) > COMFORTS.indexOf(worst) && `time: ${judged.comfort}`,
    judged.unsafe && 'unsafe',
    judged.machine.worries.some(({ code }) => code === 'late' || code === 'too-often' || code === 'too-seldom') && 'the machine is late',
    // somebody who stands at the machine turns it from fielder to fielder
    !toFielders && !canThrowInOrder(rung, profile) && 'an order that it cannot throw',
    apartM !== null && apartM < 2.95 && `two hitters ${apartM.toFixed(1)} m apart`,
    net &&
      at &&
      (Math.abs(at.x) + size.widthM / 2 > inPlay.x2 + 0.01 || at.y + size.depthM / 2 > inPlay.y2 + 0.01) &&
      'its target lies out',
    rung.feeds.some(({ launch: { speedMps } }) => speedMps < profile.speedMps[0] - 1e-6 || speedMps > profile.speedMps[1] + 1e-6) &&
      'beyond the machine’s speed',
    ...judged.balls.map(({ height }) => height && height.word !== 'good' && `met at ${height.heightM.toFixed(2)} m`),
    ...judged.balls.map(({ feed, contact }) => {
      const home = diamondOf(drill.sport)?.positions.find(({ short }) => short === balls[feed]?.field?.to[0]);
      const rolls = balls[feed]?.field?.groundMph !== undefined;
      return rolls && home && Math.hypot(contact.x, contact.y) > Math.hypot(home.x, home.y) + 1 && `${balls[feed]!.name}: gets past`;
    }),
    ...(net ? rung.feeds.flatMap((feed, i) => (balls[i]?.field ? [] : faultsOf(feed, cell, asked))) : []),
  ];
  return broken.filter((each): each is string => typeof each === 'string');
}

interface Tried {
  cell: Cell;
  asked: ReturnType<typeof venueOf>;
  fitted: Fitted;
}
const memo = new Map<string, Tried[]>();
/** A drill in all its cells, fitted once. */
function triedOf(drill: Drill): Tried[] {
  const known = memo.get(drill.id);
  if (known) return known;
  const tried = cellsOf(drill).map((cell): Tried => {
    const { level, profile, hand } = cell;
    const asked = venueOf(drill.sport, profile, level);
    const second = { id: '0190f3a0-0000-7000-8000-00000000aac2', profile };
    return { cell, asked, fitted: fitDrill(drill, { ...asked, hand, heightM: 1.75, approach: 'sweet-spot', second }) };
  });
  memo.set(drill.id, tried);
  return tried;
}

describe.each(LIBRARY.map((drill) => [drill.id, drill] as const))('%s', (_, drill) => {
  test('keeps every promise on every machine that throws it, and what is missing has a reason', () => {
    for (const { cell, asked, fitted } of triedOf(drill)) {
      expect(fitted.rungs.length + fitted.problems.length).toBe(drill.rungs.length);
      for (const rung of fitted.rungs) {
        const where = `${cell.level}, ${cell.profile.kind}, ${cell.hand}, ${rung.name}`;
        expect({ where, broken: brokenBy(rung, cell, asked) }).toEqual({ where, broken: [] });
      }
    }
  });
  test('at its own level two machines do all of it; where its balls differ, one that is programmed', () => {
    const able = triedOf(drill).filter(
      ({ cell, fitted }) => cell.level === drill.level && cell.hand === 'right' && fitted.problems.length === 0,
    );
    const varies = drill.rungs.some(({ balls }) => balls.length > 1);
    expect(able.length).toBeGreaterThanOrEqual(varies ? 1 : 2);
    if (varies) expect(able.some(({ cell }) => cell.profile.aimedBy === 'program')).toBe(true);
  });
});

test.each(LEVELS)('%s: most drills can be done whole on a machine that is programmed', (level) => {
  const tried = LIBRARY.map((drill) =>
    triedOf(drill).filter(({ cell }) => cell.profile.aimedBy === 'program' && cell.level === level && cell.hand === 'right'),
  ).filter((each) => each.length > 0);
  const whole = tried.filter((each) => each.some(({ fitted }) => fitted.problems.length === 0));
  expect(whole.length / tried.length).toBeGreaterThan(0.85);
});
