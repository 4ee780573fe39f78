// @vitest-environment happy-dom
import { judgeRung, tapTiming, wholly } from '@good-arc/core';
import { screen, waitFor } from '@testing-library/react';
import { describe, expect, test, vi } from 'vitest';
import { markAt } from '../src/views/courtside/signals.ts';
import { lastBeat, offBall, offRelease } from '../src/views/courtside/useTaps.ts';
import { readyWord, sayOff, saySwings, sayTaps } from '../src/words/marks.ts';
import { button, commands, document, hear, launch, machine, ready, show, status, takes, wired } from './support/courtside.tsx';

describe('a swing against the ball', () => {
  test('early or late by the time the ball was there; a tap of no ball is none', () => {
    const left = { seq: 3, at: 10_000 };
    expect(offBall(left, 0.8, 10_842)).toEqual({ seq: 3, offMs: 42 });
    expect(offBall(left, 0.8, 10_700)).toEqual({ seq: 3, offMs: -100 });
    expect(offBall(left, 0.8, 13_000)).toBeNull();
    expect(offBall(null, 0.8, 10_842)).toBeNull();
    expect(offBall(left, null, 10_842)).toBeNull();
  });
  test('of a machine without a line the ball left at the last beat', () => {
    const beat = { intervalS: 4, atS: 2 };
    expect(lastBeat(beat, 5, 14_900)).toEqual({ seq: 5, at: 14_000 });
    expect(lastBeat(null, 5, 14_900)).toBeNull();
  });
  test('mean and spread by their formulas, and in words', () => {
    // by hand: mean 10, squares 100 + 400 + 900 = 1400, over two 700
    const timing = tapTiming([0, -10, 40])!;
    expect(timing.meanMs).toBe(10);
    expect(timing.spreadMs).toBeCloseTo(Math.sqrt(700), 12);
    expect(tapTiming([])).toBeNull();
    expect(tapTiming([5, 9])!.spreadMs).toBeNull();
    expect(saySwings(timing)).toBe('Swings: 10 ms late on average, ± 26 ms, of 3.');
    expect([sayOff(-42), sayOff(0.3), saySwings(null)]).toEqual(['42 ms early', 'right on it', '']);
  });
});

describe('ready as the ball is let go', () => {
  test('told against the nearest release, the last or the next; far from both it belongs to none', () => {
    const [left, due] = [
      { seq: 3, at: 10_000 },
      { seq: 4, at: 14_000 },
    ];
    expect(offRelease([left, due], 10_060)).toEqual({ seq: 3, offMs: 60 });
    expect(offRelease([left, due], 13_870)).toEqual({ seq: 4, offMs: -130 });
    expect(offRelease([left, due], 12_000)).toBeNull();
    expect(offRelease([null, due], 13_950)).toEqual({ seq: 4, offMs: -50 });
    expect(offRelease([null, null], 13_950)).toBeNull();
  });
  test('in the words of who waits for the ball', () => {
    expect(sayTaps(readyWord(true), tapTiming([-40]))).toBe('Loaded: 40 ms early, of 1.');
    expect(sayTaps(readyWord(false), null)).toBe('');
    expect(readyWord(false)).toBe('Split step');
  });
  test.each([
    [null, ''],
    [2, ''],
    [1, 'drop'],
    [0.6, 'drop'],
    [0.5, 'roll'],
    [0, 'go'],
  ])('the mark %s s before the release', (inS, mark) => {
    expect(markAt({ tone: 'three', voice: false, buzz: false }, inS)).toBe(mark);
    expect(markAt({ tone: 'one', voice: false, buzz: false }, inS)).toBe('');
  });
});

test('tapped beside a machine on a line: each tap against its ball, kept with the round in words', async () => {
  const { asked, user } = show({ machine: wired }, takes);
  await hear(status('idle'));
  await user.click(await ready(/^Arm/));
  const { roundId } = commands(asked)[0];
  await user.click(button('Time load and swing'));
  await user.click(button(/^Swing/));
  expect(screen.getByTestId('swing').textContent).toBe('No ball was there: tap at the swing.');
  const flightS = wholly(judgeRung(document, { sport: 'tennis', machine: machine.profile, gameBall: () => undefined }))!.balls[0]!.flightS;
  const now = vi.spyOn(performance, 'now').mockReturnValue(50_000);
  // 80 ms before it is due, and it leaves 30 ms late
  await hear(status('feeding', { program: { id: roundId, name: 'x' }, nextInS: 0.08 }));
  await user.keyboard('g');
  expect(screen.getByTestId('ready').textContent).toBe('80 ms early. Split step: 80 ms early, of 1.');
  now.mockReturnValue(50_110);
  await hear(status('feeding', { program: { id: roundId, name: 'x' } }), { event: 'release', seq: 1, feed: 0, launch });
  expect(screen.getByTestId('ready').textContent).toBe('110 ms early. Split step: 110 ms early, of 1.');
  now.mockReturnValue(50_110 + flightS * 1000 + 42);
  await user.keyboard('t');
  now.mockRestore();
  expect(screen.getByTestId('swing').textContent).toBe('42 ms late. Swings: 42 ms late, of 1.');
  await user.keyboard('j');
  await user.click(button('Finish round'));
  await waitFor(() => expect(asked.at(-1)!.path).toMatch(/finish$/));
  expect(asked.at(-1)!.body.notes).toBe('Split step: 110 ms early, of 1. Swings: 42 ms late, of 1.');
});
