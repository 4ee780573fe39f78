import { type JudgedRung, judgeRung, type RungDocument, wholly } from '@good-arc/core';
import { beforeAll, expect, test } from 'vitest';
import type { BriefRound } from '../src/api/rows.ts';
import { seedDemo } from '../src/db/seed.ts';
import type { Db } from '../src/server/db.ts';
import { readKit } from '../src/server/kit.ts';
import { readLadders } from '../src/server/ladders.ts';
import { demoVisitor } from '../src/server/session.ts';
import { Store } from '../src/server/store.ts';
import { pastOn, verdictToSend } from '../src/server/verdicts.ts';
import { gameBallFinder } from '../src/ui/gameBalls.ts';
import { judge, judgeBy, judgedElsewhere } from '../src/ui/judge.ts';
import { emptyDatabase, profileOf, rungDocument } from './support/rig.ts';

let db: Db;
beforeAll(async () => {
  db = await emptyDatabase();
});

test('every verdict on a rung of the demo reaches a page as it is', async () => {
  await seedDemo(db, new Date('2026-11-25T08:00:00Z'));
  const store = new Store(db, (await demoVisitor(db))!.scope);
  const [kit, ladders] = [await readKit(store), await readLadders(store)];
  const verdicts = ladders.flatMap(({ sport, rungs }) => rungs.map(({ document }) => judge(kit, sport, document)));
  expect(verdicts.length).toBeGreaterThan(20);
  for (const verdict of verdicts) {
    expect(verdictToSend(verdict)).toBe(verdict);
    expect(JSON.parse(JSON.stringify(verdict))).toEqual(verdict);
  }
});

const profile = profileOf('Two-wheel portable');
const by = { sport: 'tennis', profile, gameBalls: [], playerLevel: 'Building' } as const;
const aRung = (): RungDocument => rungDocument('01890000-0000-7000-8000-000000000001', '01890000-0000-7000-8000-000000000002');

test('one that JSON would not carry whole stays behind', () => {
  const judged = wholly(judgeBy(aRung(), by))!;
  const torn: JudgedRung = { ...judged, worst: { ...judged.worst, ratio: Number.POSITIVE_INFINITY } };
  expect([verdictToSend(torn), verdictToSend(judged)]).toEqual([null, judged]);
});

test('one that came along is taken for the same rung, machine and level; for others it is given anew', () => {
  const rung = aRung();
  const brought = { ...wholly(judgeBy(rung, by))!, minutes: 99 };
  judgedElsewhere(rung, by, brought);
  expect(judgeBy(rung, { ...by })).toBe(brought);
  const own = judgeRung(aRung(), { sport: 'tennis', machine: profile, gameBall: gameBallFinder([]), playerLevel: 'Starting' });
  expect(judgeBy(rung, { ...by, playerLevel: 'Starting' })).toEqual(own);
  expect(judgeBy(rung, by)).toBe(brought);
  expect(judgeBy({ ...rung }, by)).not.toBe(brought);
  expect(judgeBy(rung, { ...by, profile: { ...profile } })).not.toBe(brought);
});

test('what rounds tell of a rung as it is set up now: whose, whether on the same card, and what they came to for the gate', () => {
  const [here, other] = [aRung(), { ...aRung(), balls: 30 }];
  const round = (id: string, card: RungDocument): BriefRound => ({
    ...{ id, card, rungId: '01890000-0000-7000-8000-000000000003', playerId: '01890000-0000-7000-8000-000000000004' },
    ...{ courtId: card.courtId, weather: card.weather, source: 'court', notes: '', startedAt: '2026-11-24T15:00:00Z' },
    results: (['in', 'out', 'in'] as const).map((outcome, i) => ({
      seq: i + 1,
      feedId: card.feeds[0]!.id,
      outcome,
      landing: null,
      target: null,
    })),
  });
  const rounds = [round('newest', here), round('own target', { ...here, ownTarget: true }), round('as it was', other)];
  const past = pastOn(rounds)(here);
  expect(past).toMatchObject([
    { id: 'newest', same: true, hits: 2, balls: 3 },
    { id: 'as it was', same: false, hits: 2, balls: 3 },
  ]);
  expect(pastOn(rounds)(here)).toBe(past);
  expect(pastOn(rounds)(other).map(({ same }) => same)).toEqual([false, true]);
});
