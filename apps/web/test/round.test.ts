import { OUTCOMES } from '@good-arc/core';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { afterRound, lastJudged, type RoundEvent, waitingBall } from '../src/views/courtside/round.ts';
import { type Run, thrownOf } from '../src/views/courtside/run.ts';
import { rungDocument } from './support/rig.ts';

const id = (n: number): string => `01890000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const card = rungDocument(id(1), id(2));
const launch = { speedMps: 20, elevationDeg: 9, bearingDeg: 180, topspinRpm: 600, sidespinRpm: 0, gyroRpm: 0 };
const BEGUN: RoundEvent = {
  kind: 'begun',
  roundId: id(3),
  outingId: id(4),
  rungId: id(5),
  playerId: id(6),
  playerName: 'Ines Rookwood',
  weather: card.weather,
  startedAt: '2026-05-01T10:00:00.000Z',
  card,
  confirmedBy: '',
};
/** Two who hit in turn. */
const PAIR: RoundEvent = {
  ...BEGUN,
  card: { ...card, hitters: 2 },
  mates: [{ playerId: id(8), playerName: 'Bo Tallowby', roundId: id(9) }],
};
/** A ball that was hit in. */
const hit = (seq: number): RoundEvent => ({ kind: 'judged', seq, outcome: 'in', resultId: id(20 + seq), feedId: 'b1', said: 'in' });
const begun = (): Run => afterRound(null, BEGUN).run!;
const after = (run: Run | null, ...events: RoundEvent[]) =>
  events.reduce(
    (now, event) => {
      const next = afterRound(now.run, event);
      return { run: next.run, letters: [...now.letters, ...next.letters] };
    },
    { run, letters: [] as ReturnType<typeof afterRound>['letters'][number][] },
  );

describe('a round, event by event', () => {
  test('begins once, with the card that is shown, and says so', () => {
    const { run, letters } = afterRound(null, BEGUN);
    expect(run).toMatchObject({ roundId: id(3), playerId: id(6), card, offset: 0, balls: [] });
    expect(letters).toMatchObject([{ method: 'PUT', path: `rounds/${id(3)}`, body: { card, playerId: id(6) } }]);
    expect(letters[0]!.body).not.toHaveProperty('confirmedBy');
    expect(afterRound(run, { ...BEGUN, roundId: id(9) })).toEqual({ run, letters: [] });
    expect(afterRound(null, { ...BEGUN, confirmedBy: 'Ada' }).letters[0]!.body).toMatchObject({ confirmedBy: 'Ada' });
  });
  test('a ball goes from the machine to the server with its spin, and which ball it was', () => {
    const { run, letters } = after(
      begun(),
      { kind: 'released', seq: 1, launch },
      { kind: 'read', seq: 1, radarMps: 19.6 },
      { kind: 'judged', seq: 1, outcome: 'in', resultId: id(7), feedId: 'b1', said: 'in' },
    );
    expect(letters).toEqual([
      {
        method: 'PUT',
        path: `rounds/${id(3)}/results/${id(7)}`,
        what: `Ball 1: in (${card.name})`,
        body: { seq: 1, outcome: 'in', feedId: 'b1', ...launch, radarMps: 19.6, landXM: null, landYM: null, target: null },
      },
    ]);
    expect([thrownOf(run), waitingBall(run), lastJudged(run)?.seq]).toEqual([1, undefined, 1]);
  });
  test('a misfeed is kept as one, and is no ball to judge or to take back', () => {
    const { run, letters } = after(begun(), { kind: 'misfed', seq: 1, resultId: id(7) });
    expect(letters).toMatchObject([{ body: { outcome: 'not-fed', speedMps: null } }]);
    expect([waitingBall(run), lastJudged(run)]).toEqual([undefined, undefined]);
    expect(after(run, { kind: 'taken-back', byHand: false })).toEqual({ run, letters: [] });
  });
  test('taken back: a ball by hand was never thrown, a machine’s waits for its result again', () => {
    const judged: RoundEvent = { kind: 'judged', seq: 1, outcome: 'out', resultId: id(7), feedId: null, said: 'out' };
    const gone = { method: 'DELETE', path: `rounds/${id(3)}/results/${id(7)}` };
    const byHand = after(begun(), judged, { kind: 'taken-back', byHand: true });
    expect([byHand.run!.balls, byHand.letters.at(-1)]).toMatchObject([[], gone]);
    const byMachine = after(begun(), { kind: 'released', seq: 1, launch }, judged, { kind: 'taken-back', byHand: false });
    expect([waitingBall(byMachine.run)?.seq, byMachine.letters.at(-1)]).toMatchObject([1, gone]);
  });
  test('of two who hit in turn each has a round of their own, and each ball goes to whose it is', () => {
    const { run, letters } = after(
      null,
      PAIR,
      ...[1, 2, 3].map(hit),
      { kind: 'taken-back', byHand: true },
      { kind: 'finished', at: '2026-05-01T10:05:00.000Z', weather: card.weather },
    );
    expect(run).toBeNull();
    expect(letters.map(({ method, path }) => `${method} ${path}`)).toEqual([
      `PUT rounds/${id(3)}`,
      `PUT rounds/${id(9)}`,
      `PUT rounds/${id(3)}/results/${id(21)}`,
      `PUT rounds/${id(9)}/results/${id(22)}`,
      `PUT rounds/${id(3)}/results/${id(23)}`,
      `DELETE rounds/${id(3)}/results/${id(23)}`,
      `POST rounds/${id(3)}/finish`,
      `POST rounds/${id(9)}/finish`,
    ]);
    expect(letters.slice(0, 2).map(({ body }) => (body as { playerId: string }).playerId)).toEqual([id(6), id(8)]);
  });
  test('a third comes in: a round of their own, the balls to come of who leaves; back in, the round they had', () => {
    const comes = (who: number, place: number, own: number): RoundEvent => ({
      kind: 'joined',
      place,
      playerId: id(who),
      playerName: `Player ${who}`,
      roundId: id(own),
      startedAt: '2026-05-01T10:02:00.000Z',
      said: `${who} in`,
    });
    const { run, letters } = after(
      null,
      PAIR,
      hit(1),
      hit(2),
      comes(10, 0, 11),
      hit(3),
      hit(4),
      // the first comes back in for the second; a new id for a round is not needed
      comes(6, 1, 12),
      hit(5),
      hit(6),
      // who has a place already cannot have another
      comes(10, 1, 13),
      { kind: 'finished', at: '2026-05-01T10:05:00.000Z', weather: card.weather },
    );
    expect(run).toBeNull();
    expect(letters.map(({ method, path }) => `${method} ${path}`)).toEqual([
      `PUT rounds/${id(3)}`,
      `PUT rounds/${id(9)}`,
      `PUT rounds/${id(3)}/results/${id(21)}`,
      `PUT rounds/${id(9)}/results/${id(22)}`,
      `PUT rounds/${id(11)}`,
      `PUT rounds/${id(11)}/results/${id(23)}`,
      `PUT rounds/${id(9)}/results/${id(24)}`,
      `PUT rounds/${id(11)}/results/${id(25)}`,
      `PUT rounds/${id(3)}/results/${id(26)}`,
      `POST rounds/${id(3)}/finish`,
      `POST rounds/${id(9)}/finish`,
      `POST rounds/${id(11)}/finish`,
    ]);
    expect(letters[4]!.body).toMatchObject({ playerId: id(10), rungId: BEGUN.rungId, startedAt: '2026-05-01T10:02:00.000Z' });
    expect((letters.at(-1)!.body as { notes: string }).notes).toBe('From ball 3: 10 in. From ball 5: 6 in.');
  });
  test('another interval is kept with the round, not in its card', () => {
    const paced: RoundEvent = { kind: 'paced', intervalS: 5.5, said: 'every 5.5 s' };
    expect(after(begun(), paced).run).toMatchObject({ paceS: 5.5, card: { intervalS: card.intervalS } });
  });
  test('somebody out: their balls are another’s from then on; what was changed, and when, is kept in words with the round', () => {
    const { run, letters } = after(
      null,
      PAIR,
      hit(1),
      { kind: 'paced', intervalS: 5, said: 'every 5.0 s' },
      { kind: 'paced', intervalS: 5.5, said: 'every 5.5 s' },
      { kind: 'changed', part: { turns: Array(10).fill(0), gone: [1] }, about: 'hitter 1', said: 'Bo Tallowby out' },
      hit(2),
      { kind: 'marked', atS: 72, seq: 2 },
      { kind: 'finished', at: '2026-05-01T10:05:00.000Z', weather: card.weather },
    );
    expect(run).toBeNull();
    expect(letters.map(({ path }) => path)).toContain(`rounds/${id(3)}/results/${id(22)}`);
    expect(letters.slice(-2).map(({ body }) => (body as { notes: string }).notes)).toEqual([
      'From ball 2: every 5.5 s. From ball 2: Bo Tallowby out. On film, look at 1:12, ball 2.',
      'From ball 2: every 5.5 s. From ball 2: Bo Tallowby out.',
    ]);
  });
  test('a radar that saw another ball changes nothing; nothing happens to a round that is none', () => {
    expect(after(begun(), { kind: 'read', seq: 4, radarMps: 20 }).run).toEqual(begun());
    expect(afterRound(null, { kind: 'released', seq: 1, launch })).toEqual({ run: null, letters: [] });
  });
  test('whatever happens in whatever order: each ball once, and what the server was told is what the page shows', () => {
    let made = 100;
    const event = fc.oneof(
      fc.record({ kind: fc.constant('released' as const), seq: fc.integer({ min: 1, max: 12 }), launch: fc.constant(launch) }),
      fc.record({ kind: fc.constant('misfed' as const), seq: fc.integer({ min: 1, max: 12 }) }),
      fc.record({ kind: fc.constant('judged' as const), seq: fc.integer({ min: 1, max: 12 }), outcome: fc.constantFrom(...OUTCOMES) }),
      fc.record({ kind: fc.constant('taken-back' as const), byHand: fc.boolean() }),
    );
    fc.assert(
      fc.property(fc.array(event, { maxLength: 40 }), (events) => {
        const told = events.map((each) => ({ resultId: id(made++), feedId: null, said: '', ...each }) as RoundEvent);
        const { run, letters } = after(begun(), ...told);
        const seqs = run!.balls.map(({ seq }) => seq);
        expect(seqs).toEqual([...new Set(seqs)].sort((a, b) => a - b));
        const kept = new Map<string, string>();
        for (const { method, path, body } of letters) {
          if (method === 'DELETE') kept.delete(path);
          else kept.set(path, (body as { outcome: string }).outcome);
        }
        for (const { resultId, outcome } of run!.balls) if (resultId) expect(kept.get(`rounds/${id(3)}/results/${resultId}`)).toBe(outcome);
      }),
      { seed: 11, numRuns: 200 },
    );
  });
});
