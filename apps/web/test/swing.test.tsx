// @vitest-environment happy-dom
import { judgeRung, swingTiming, wholly } from '@good-arc/core';
import { screen, waitFor } from '@testing-library/react';
import { describe, expect, test, vi } from 'vitest';
import { lastBeat, offBall } from '../src/views/courtside/useSwing.ts';
import { sayOff, saySwings } from '../src/words/marks.ts';
import { button, commands, document, hear, launch, machine, show, status, takes, wired } from './support/courtside.tsx';

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
    const timing = swingTiming([0, -10, 40])!;
    expect(timing.meanMs).toBe(10);
    expect(timing.spreadMs).toBeCloseTo(Math.sqrt(700), 12);
    expect(swingTiming([])).toBeNull();
    expect(swingTiming([5, 9])!.spreadMs).toBeNull();
    expect(saySwings(timing)).toBe('Swings: 10 ms late on average, ± 26 ms, of 3.');
    expect([sayOff(-42), sayOff(0.3), saySwings(null)]).toEqual(['42 ms early', 'right on it', '']);
  });
});

test('tapped beside a machine on a line: each tap against its ball, kept with the round in words', async () => {
  const { asked, user } = show({ machine: wired }, takes);
  await hear(status('idle'));
  await user.click(button(/^Arm/));
  const { roundId } = commands(asked)[0];
  await user.click(button('Time the swing'));
  await user.click(button(/^Swing/));
  expect(screen.getByTestId('swing').textContent).toBe('No ball was there: tap at the swing.');
  const flightS = wholly(judgeRung(document, { sport: 'tennis', machine: machine.profile, gameBall: () => undefined }))!.balls[0]!.flightS;
  const now = vi.spyOn(performance, 'now').mockReturnValue(50_000);
  await hear(status('feeding', { program: { id: roundId, name: 'x' } }), { event: 'release', seq: 1, feed: 0, launch });
  now.mockReturnValue(50_000 + flightS * 1000 + 42);
  await user.keyboard('t');
  now.mockRestore();
  expect(screen.getByTestId('swing').textContent).toBe('42 ms late. Swings: 42 ms late, of 1.');
  await user.keyboard('j');
  await user.click(button('Finish round'));
  await waitFor(() => expect(asked.at(-1)!.path).toMatch(/finish$/));
  expect(asked.at(-1)!.body.notes).toBe('Swings: 42 ms late, of 1.');
});
