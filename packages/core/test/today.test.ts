import { describe, expect, test } from 'vitest';
import { conditionsOf, fly, forToday, LIBRARY, type RungDocument, sameCard, type Weather } from '../src/index.ts';
import { drillOn, kindOf, venueOf } from './support/club.ts';

const KIND = 'Two-wheel portable';
const rung = drillOn('tennis-baseline-groove', KIND)[0]!;
const today = (part: Partial<Weather>) => ({ ...venueOf('tennis', kindOf(KIND), 'Building'), weather: { ...rung.weather, ...part } });

/** Flown anew in that weather: how far from its own spot each ball comes down, m. */
const missesIn = (document: RungDocument, weather: Weather): number[] =>
  document.feeds.flatMap(({ launch, target }) => {
    const flight = fly(conditionsOf({ ...document, weather }), launch, {
      planesY: target.kind === 'plane' ? [target.planeY] : [],
      maxBounces: 1,
      sampleS: 0,
    });
    if (target.kind === 'plane') {
      const [at] = flight.crossings;
      return at ? [Math.hypot(at.x - target.x, at.z - target.z)] : [Number.POSITIVE_INFINITY];
    }
    const [at] = flight.bounces;
    return at ? [Math.hypot(at.x - target.x, at.y - target.y)] : [Number.POSITIVE_INFINITY];
  });

describe('a rung in the air of today', () => {
  test('in the air it was made for nothing is turned', () => {
    expect(forToday(rung, today({}))).toEqual({ rung, changes: [], lost: [] });
  });
  test('head wind: it would fall short, and is raised; wind from the left: it would drift right, and is turned left', () => {
    // the machine throws toward −y, so that a wind toward the far end (+y) is against the ball, and one to +x comes from its right
    const [against] = forToday(rung, today({ windYMps: 5 })).changes;
    expect(against!.miss.longM).toBeLessThan(-0.5);
    expect(against!.elevationDeg).toBeGreaterThan(0.25);
    const [cross] = forToday(rung, today({ windXMps: 4 })).changes;
    expect(cross!.miss.rightM).toBeLessThan(-0.3);
    expect(cross!.turnDeg).toBeGreaterThan(0.4);
  });
  test('cold air is denser: the ball falls short', () => {
    const { changes } = forToday(rung, today({ temperatureC: -5 }));
    expect(changes[0]?.miss.longM ?? 0).toBeLessThan(0);
  });
  test.each(['tennis', 'pickleball', 'baseball'] as const)(
    'every drill of %s: what is turned comes down on its spot, at about the same speed, and is the same card',
    (sport) => {
      const kind = { tennis: KIND, pickleball: 'Programmable holed-ball machine', baseball: 'Two-wheel pitching machine' }[sport];
      const profile = kindOf(kind);
      let turned = 0;
      for (const { id } of LIBRARY.filter((drill) => drill.sport === sport).slice(0, 8)) {
        for (const document of drillOn(id, kind).slice(0, 1)) {
          const weather = { ...document.weather, windXMps: 2.5, windYMps: 2, temperatureC: 8 };
          const {
            rung: solved,
            changes,
            lost,
          } = forToday(document, { ...venueOf(sport, profile, document.level, document.ballId), weather });
          const misses = missesIn(solved, weather);
          for (const { feed } of changes) {
            turned += 1;
            expect(misses[feed]).toBeLessThan(0.05);
            const share = solved.feeds[feed]!.launch.speedMps / document.feeds[feed]!.launch.speedMps;
            expect(Math.abs(share - 1)).toBeLessThan(0.0601);
          }
          expect(changes.some(({ feed }) => lost.includes(feed))).toBe(false);
          expect(sameCard(document, solved)).toBe(true);
        }
      }
      expect(turned).toBeGreaterThan(0);
    },
  );
  test('another speed, or another spot, is another card', () => {
    const [feed] = rung.feeds;
    const faster = {
      ...rung,
      feeds: [{ ...feed!, launch: { ...feed!.launch, speedMps: feed!.launch.speedMps * 1.1 } }, ...rung.feeds.slice(1)],
    };
    const elsewhere = { ...rung, feeds: [{ ...feed!, target: { ...feed!.target, x: feed!.target.x + 1 } }, ...rung.feeds.slice(1)] };
    expect([sameCard(rung, faster), sameCard(rung, elsewhere)]).toEqual([false, false]);
  });
});
