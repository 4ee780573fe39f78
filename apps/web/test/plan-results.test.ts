import { type PlanDocument, type RungDocument, scheduleOf } from '@good-arc/core';
import { describe, expect, test } from 'vitest';
import type { PlanRound } from '../src/api/rows.ts';
import { resultsOf } from '../src/views/plan/results.ts';
import { rungDocument } from './support/rig.ts';

const id = (n: number): string => `0190f3a0-0000-7000-8000-${String(n).padStart(12, '0')}`;
const [ines, bo, sam] = [id(1), id(2), id(3)] as const;
const rungs = [id(11), id(12)].map((each) => ({ id: each, ladderId: id(5), position: 0, document: rungDocument(id(7), id(8)) }));
const plan: PlanDocument = {
  name: 'Friday',
  ladderId: id(5),
  startsAt: '2026-11-27T16:00',
  playerIds: [ines, bo],
  absentIds: [],
  lines: 1,
  stations: ['picking up'],
  rotateBy: { kind: 'balls', balls: 10 },
  capBalls: 28,
  notes: '',
};
const documents: RungDocument[] = rungs.map(({ document }) => ({ ...document, rounds: 2, ballsPerRound: 10 }));
const { turns } = scheduleOf(plan, documents);
const round = (rung: number, playerId: string, minute: number, hits: number, balls = 10): PlanRound => ({
  rungId: rungs[rung]!.id,
  playerId,
  startedAt: `2026-11-27T16:${String(minute).padStart(2, '0')}:00.000Z`,
  hits,
  balls,
});
/** What is shown, a line for each turn of a rung. */
const shown = (rounds: readonly PlanRound[], rung = 0) =>
  resultsOf(turns, rungs, rounds)
    .filter((_, i) => turns[i]!.rung === rung)
    .map((results) => results.map(({ playerId, hits, balls }) => [playerId, hits, balls]));

describe('what of a plan has been hit', () => {
  test('two turns each on a rung, and nothing yet', () => {
    expect(turns.filter(({ rung }) => rung === 0).map(({ stations }) => stations.hitting[0])).toEqual([ines, bo, ines, bo]);
    expect(shown([])).toEqual([[], [], [], []]);
  });
  test('the first round goes to the first turn, the second to the second, in whatever order they come', () => {
    const rounds = [round(0, ines, 30, 8), round(0, bo, 10, 5), round(0, ines, 1, 4)];
    expect(shown(rounds)).toEqual([[[ines, 4, 10]], [[bo, 5, 10]], [[ines, 8, 10]], []]);
    expect(shown(rounds, 1)).toEqual([[], [], [], []]);
  });
  test('what is thrown beyond the last turn counts to that one; who is not in the plan counts to none', () => {
    const rounds = [round(0, ines, 1, 4), round(0, ines, 2, 5), round(0, ines, 3, 6, 8), round(0, sam, 4, 9)];
    expect(shown(rounds)).toEqual([[[ines, 4, 10]], [], [[ines, 11, 18]], []]);
  });
  test('on two lines each player has a result of their own in the turn', () => {
    const both = scheduleOf({ ...plan, lines: 2 }, documents).turns;
    const [first] = resultsOf(both, rungs, [round(0, bo, 1, 3), round(0, ines, 2, 7)]);
    expect(new Map(first!.map(({ playerId, hits }) => [playerId, hits]))).toEqual(
      new Map([
        [bo, 3],
        [ines, 7],
      ]),
    );
  });
});
