import { describe, expect, test } from 'vitest';
import {
  conditionsOf,
  deal,
  fly,
  forToday,
  inSecret,
  isForLearning,
  isThrownFrom,
  judgeRung,
  LIBRARY,
  learntFrom,
  mphToMps,
  needsName,
  nextStepOn,
  type RungDocument,
  rungSchema,
  type Sport,
  sameCard,
  secretSpeedOf,
} from '../src/index.ts';
import { drillOn, judgeWith, kindOf, venueOf } from './support/club.ts';

const KINDS: Record<Sport, string> = {
  tennis: 'Two-wheel portable',
  pickleball: 'Programmable holed-ball machine',
  baseball: 'Two-wheel pitching machine',
  softball: 'Two-wheel pitching machine',
};
const BY = mphToMps(3);
const onVenue = (sport: Sport, rung: RungDocument) => ({
  ...venueOf(sport, kindOf(KINDS[sport]), rung.level, rung.ballId),
  weather: rung.weather,
});
const groove = drillOn('tennis-baseline-groove', KINDS.tennis)[0]!;
const secretly = (rung: RungDocument, sport: Sport, seed = 7, byMps = BY) => inSecret(rung, onVenue(sport, rung), byMps, seed);

/** Flown anew: how far from its own spot a ball comes down, m. */
function missOf(rung: RungDocument, { launch, target }: RungDocument['feeds'][number]): number {
  const planesY = target.kind === 'plane' ? [target.planeY] : [];
  const { crossings, bounces } = fly(conditionsOf(rung), launch, { planesY, maxBounces: 1, sampleS: 0 });
  if (target.kind === 'plane') return Math.hypot(crossings[0]!.x - target.x, crossings[0]!.z - target.z);
  return Math.hypot(bounces[0]!.x - target.x, bounces[0]!.y - target.y);
}

describe('speeds in secret', () => {
  test.each(['tennis', 'pickleball', 'baseball', 'softball'] as const)(
    'drills of %s: every slower or quicker ball comes to the spot of its own, from the same place, so much slower or quicker; the order stays',
    (sport) => {
      let others = 0;
      for (const { id } of LIBRARY.filter((drill) => drill.sport === sport).slice(0, 8))
        for (const rung of drillOn(id, KINDS[sport]).slice(0, 2)) {
          const secret = secretly(rung, sport);
          if (!secret) continue;
          expect(rungSchema.safeParse(secret).success).toBe(true);
          for (const feed of secret.feeds.filter(({ variantOf }) => variantOf !== undefined)) {
            const own = secret.feeds.find(({ id: each }) => each === feed.variantOf)!;
            others++;
            expect(missOf(secret, feed)).toBeLessThan(Math.max(0.02, missOf(secret, own) + 0.02));
            expect(Math.abs(feed.launch.speedMps - own.launch.speedMps)).toBeCloseTo(BY, 2);
            expect([feed.launch.x, feed.launch.y, feed.launch.z]).toEqual([own.launch.x, own.launch.y, own.launch.z]);
          }
          const openly = deal(secret, secret.ballsPerRound).map((i) => secret.feeds[i]!.variantOf ?? secret.feeds[i]!.id);
          expect(openly).toEqual(deal(rung, rung.ballsPerRound).map((i) => rung.feeds[i]!.id));
        }
      expect(others).toBeGreaterThan(6);
    },
  );
  test('each speed comes about as often, none three times running, and another seed is another round', () => {
    const drive = drillOn('tennis-baseline-groove', KINDS.tennis).find((rung) => secretly(rung, 'tennis')?.feeds.length === 3)!;
    const speeds = (seed: number) => {
      const secret = secretly(drive, 'tennis', seed)!;
      return deal(secret, secret.ballsPerRound).map((i) => secretSpeedOf(secret, secret.feeds[i]!.id));
    };
    expect(speeds(3)).toEqual(speeds(3));
    expect(speeds(3)).not.toEqual(speeds(4));
    const all = Array.from({ length: 40 }, (_, seed) => speeds(seed));
    for (const round of all) expect(round.some((each, i) => i > 1 && each === round[i - 1] && each === round[i - 2])).toBe(false);
    for (const speed of ['slower', 'as-set', 'quicker'] as const) {
      const share = all.flat().filter((each) => each === speed).length / all.flat().length;
      // a third, by chance: ± 4 σ of 40 rounds
      expect(Math.abs(share - 1 / 3)).toBeLessThan(4 * Math.sqrt(2 / 9 / all.flat().length));
    }
  });
  test('a hard ball that a hitter could not react to is never among them: no name is asked for that the rung did not ask for', () => {
    const profile = kindOf(KINDS.baseball);
    let quicker = 0;
    let left = 0;
    for (const { id } of LIBRARY.filter(({ sport }) => sport === 'baseball'))
      for (const rung of drillOn(id, KINDS.baseball)) {
        const secret = inSecret(rung, onVenue('baseball', rung), mphToMps(5), 1);
        if (!secret) continue;
        const context = judgeWith({ sport: 'baseball', machine: { profile } });
        const asks = (each: RungDocument): boolean => needsName(each, judgeRung(each, context));
        if (!asks(rung)) expect([id, asks(secret)]).toEqual([id, false]);
        quicker += secret.feeds.filter(({ id: each }) => each.endsWith('-quicker')).length;
        left +=
          secret.feeds.filter(({ id: each }) => each.endsWith('-slower')).length -
          secret.feeds.filter(({ id: each }) => each.endsWith('-quicker')).length;
      }
    expect(quicker).toBeGreaterThan(0);
    expect(left).toBeGreaterThan(0);
  });
  test('with a spin that follows the speed it follows here, too', () => {
    const [rung] = drillOn('tennis-baseline-groove', 'One-wheel portable');
    const secret = inSecret(
      rung!,
      { ...venueOf('tennis', kindOf('One-wheel portable'), rung!.level, rung!.ballId), weather: rung!.weather },
      BY,
      1,
    )!;
    const spinOf = (speed: string) => secret.feeds.find(({ id }) => secretSpeedOf(secret, id) === speed)!.launch.topspinRpm;
    expect(Math.abs(spinOf('quicker'))).toBeGreaterThan(Math.abs(spinOf('slower')));
  });
  test('there is none on a machine of one speed, of a spare ball, or of a card that is for learning already', () => {
    const [lo] = kindOf(KINDS.tennis).speedMps;
    const one = {
      ...onVenue('tennis', groove),
      machine: { id: groove.machineId, profile: { ...kindOf(KINDS.tennis), speedMps: [lo, lo] as [number, number] } },
    };
    expect(inSecret(groove, one, BY, 1)).toBeNull();
    expect(secretly({ ...groove, feeds: groove.feeds.map((feed) => ({ ...feed, counts: false })) }, 'tennis')).toBeNull();
    expect(secretly(secretly(groove, 'tennis')!, 'tennis')).toBeNull();
  });
});

describe('what may be armed for a rung', () => {
  const secret = secretly(groove, 'tennis')!;
  const half: RungDocument = { ...groove, targetSize: { widthM: 1.1, depthM: 1.2 }, targetAt: { x: 1, y: 8 }, ownTarget: true };
  const other = (part: Partial<RungDocument['feeds'][number]['launch']>): RungDocument => ({
    ...secret,
    feeds: secret.feeds.map((feed) => (feed.variantOf === undefined ? feed : { ...feed, launch: { ...feed.launch, ...part } })),
  });
  test('the rung with a target of its hitter’s own, or with its speeds in secret', () => {
    expect([half, secret].map((card) => [isThrownFrom(card, groove), isForLearning(card)])).toEqual([
      [true, true],
      [true, true],
    ]);
    expect(isThrownFrom(groove, groove)).toBe(true);
  });
  test.each(['tennis', 'pickleball', 'baseball', 'softball'] as const)(
    'drills of %s, turned for the air of today, in secret, hit to another target: still thrown from their rung',
    (sport) => {
      for (const { id } of LIBRARY.filter((drill) => drill.sport === sport).slice(0, 10))
        for (const rung of drillOn(id, KINDS[sport]).slice(0, 2)) {
          const weather = { ...rung.weather, windXMps: 2, windYMps: -2.5, temperatureC: 6 };
          const venue = { ...onVenue(sport, rung), weather };
          const today = forToday(rung, venue).rung;
          const both = inSecret(today, venue, BY, 2);
          for (const card of [
            today,
            ...(both ? [both, { ...both, ownTarget: true as const, targetSize: { widthM: 1, depthM: 1.5 } }] : []),
          ])
            expect([id, isThrownFrom(card, rung)]).toEqual([id, true]);
        }
    },
  );
  test('nothing else: other balls, another place or order, a ball quicker than its secret says, another target of the rung’s', () => {
    expect(isThrownFrom(other({ speedMps: secret.feeds[0]!.launch.speedMps + 3 }), groove)).toBe(false);
    expect(isThrownFrom(other({ y: secret.feeds[0]!.launch.y - 2 }), groove)).toBe(false);
    expect(isThrownFrom(other({ elevationDeg: secret.feeds[0]!.launch.elevationDeg + 20 }), groove)).toBe(false);
    expect(isThrownFrom(secret, { ...groove, intervalS: groove.intervalS + 1 })).toBe(false);
    expect(isThrownFrom(secret, { ...groove, order: { kind: 'bag' } })).toBe(false);
    expect(isThrownFrom({ ...half, ownTarget: undefined as never }, groove)).toBe(false);
    expect(
      isThrownFrom(
        { ...secret, feeds: secret.feeds.map((feed) => (feed.variantOf ? { ...feed, variantOf: 'none' as never } : feed)) },
        groove,
      ),
    ).toBe(false);
  });
  test('a round of it opens no gate and does not end what went before it', () => {
    const results = (card: RungDocument, hits: number) =>
      Array.from({ length: 10 }, (_, i) => ({
        seq: i + 1,
        outcome: i < hits ? ('in' as const) : ('out' as const),
        feedId: card.feeds[0]!.id,
      }));
    const round = (card: RungDocument, hits: number) => ({ card, results: results(card, hits) });
    expect(learntFrom(groove, 'sweet-spot', { hits: 10, balls: 10, longestRun: 10 })).toBeNull();
    expect(learntFrom(secret, 'sweet-spot', { hits: 10, balls: 10, longestRun: 10 })).toMatchObject({
      verdict: 'stay',
      code: 'secret-speeds',
    });
    expect(learntFrom(half, 'earn-it', { hits: 10, balls: 10, longestRun: 10 })).toMatchObject({ verdict: 'stay', code: 'own-target' });
    expect(sameCard(secret, groove)).toBe(false);
    const before = nextStepOn(groove, 'sweet-spot', [round(groove, 5), round(groove, 5)]);
    expect(nextStepOn(groove, 'sweet-spot', [round(secret, 10), round(groove, 5), round(groove, 5)])).toEqual(before);
  });
});
