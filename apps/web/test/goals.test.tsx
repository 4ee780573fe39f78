// @vitest-environment happy-dom
import { areaTarget } from '@good-arc/core';
import { act, renderHook, screen, waitFor } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { device } from '../src/device/store.ts';
import { today } from '../src/ui/day.ts';
import { dueAfter } from '../src/ui/useMachine.ts';
import { audioTimeOf, signalsFor } from '../src/views/courtside/signals.ts';
import { useBeat } from '../src/views/courtside/useBeat.ts';
import { minutesUntil } from '../src/views/courtside/useCourtTime.ts';
import { button, document, props, ready, show, tally } from './support/courtside.tsx';

const aimed = { ...document, ballsPerRound: 8, targetAt: { x: -3, y: 10.5 }, targetSize: { widthM: 2, depthM: 2 } };
const rungOf = (part: object) => ({ rung: { ...props().rung, document: { ...aimed, ...part } } });

test('another goal in the round: every ball is kept with what it was hit to, and the easier ones open no gate', async () => {
  const { asked, user } = show(rungOf({ gate: { hits: 3, of: 8 } }));
  await user.click(await ready(/^Begin round/));
  await user.keyboard('j');
  await user.click(button('Anywhere in'));
  expect(screen.getByText(/Goal now: anywhere in counts/)).toBeTruthy();
  await user.keyboard('jj');
  await user.click(button('The right side'));
  await user.keyboard('j');
  await user.click(button('Target of the card'));
  await user.keyboard('l');
  await user.click(button('Wider'));
  await user.click(button('Wider'));
  await user.keyboard('jll');
  expect(screen.queryByText(/Goal now: target 156 % as wide/)).toBeTruthy();
  expect(tally()).toContain('5 of 8');
  await user.keyboard('{Shift>}F{/Shift}');
  await waitFor(() => expect(asked.at(-1)!.path).toMatch(/finish$/));
  const balls = asked.filter(({ path, method }) => path.includes('/results/') && method === 'PUT').map(({ body }) => body.target);
  const [anywhere, half] = [areaTarget('tennis', 'anywhere'), areaTarget('tennis', 'left-half')];
  expect(balls.slice(0, 5)).toEqual([null, anywhere, anywhere, half, null]);
  expect(balls[5]).toMatchObject({ widthM: 3.12 });
  expect(asked.at(-1)!.body.notes).toBe(
    'From ball 2: anywhere in counts. From ball 4: the right side counts. From ball 5: to the target of the card. From ball 6: target 156 % as wide.',
  );
  // five of eight would have met three of eight; one of two does not
  expect(screen.getByText(/Round finished: 5 of 8/)).toBeTruthy();
  expect(screen.getByText(/asks for 3 of 8: again/)).toBeTruthy();
});

test('a goal that grows: in, on the side, in the target, three in a row each; then a run in the target opens the next rung', async () => {
  const { asked, user } = show(rungOf({ ballsPerRound: 10, goalRun: 3 }));
  await user.click(await ready(/^Begin round/));
  expect(screen.getByText(/Goal now: anywhere in/)).toBeTruthy();
  await user.keyboard('jjljjj');
  expect(screen.getByText(/Goal now: the right side/)).toBeTruthy();
  await user.keyboard('jjj');
  expect(screen.queryByText(/Goal now/)).toBeNull();
  await user.keyboard('j');
  await user.keyboard('{Shift>}F{/Shift}');
  await waitFor(() => expect(asked.at(-1)!.path).toMatch(/finish$/));
  const targets = asked.filter(({ path }) => path.includes('/results/')).map(({ body }) => body.target?.widthM ?? null);
  const [whole, half] = [areaTarget('tennis', 'anywhere')!.widthM, areaTarget('tennis', 'left-half')!.widthM];
  expect(targets).toEqual([...Array(6).fill(whole), half, half, half, null]);
});

test('where spin is asked the target alone comes before it, and a run with spin opens the next rung', async () => {
  const { asked, user } = show(rungOf({ ballsPerRound: 8, goalRun: 2, hitWith: 'topspin' }));
  await user.click(await ready(/^Begin round/));
  await user.keyboard('jjjj');
  expect(screen.getByText('Goal now: to the target of the card with any spin.')).toBeTruthy();
  await user.keyboard('jj');
  expect(screen.queryByText(/Goal now/)).toBeNull();
  expect(screen.getByText(/hit with topspin/)).toBeTruthy();
  await user.keyboard('jj{Shift>}F{/Shift}');
  await waitFor(() => expect(asked.at(-1)!.path).toMatch(/finish$/));
  const own = asked.filter(({ path }) => path.includes('/results/')).map(({ body }) => body.target === null);
  expect(own).toEqual([false, false, false, false, false, false, true, true]);
  expect(screen.getByText(/Climb|next rung|Deeper/)).toBeTruthy();
});

test('match points are announced before the ball, and counted by themselves', async () => {
  const { user } = show(rungOf({ ballsPerRound: 3, matchPoints: 1 }));
  await user.click(await ready(/^Begin round/));
  await user.keyboard('ll');
  expect(screen.getByTestId('cue').textContent).toMatch(/^Match point/);
  await user.keyboard('j{Shift>}F{/Shift}');
  expect(await screen.findByText(/Match points won: 1 of 1/)).toBeTruthy();
});

test('what is left of the court: asked for once, said in the round, and loud when the round does not fit', async () => {
  const at = (text: string) => new Date(`2026-03-14T${text}`);
  expect(minutesUntil('17:30', at('17:18:00'))).toBe(12);
  expect(minutesUntil('17:30', at('17:29:30'))).toBe(0);
  expect(minutesUntil('17:30', at('17:31:00'))).toBe(-1);
  expect(minutesUntil('', at('17:31:00'))).toBeNull();
  const { user } = show(rungOf({}));
  expect(screen.queryByTestId('court-left')).toBeNull();
  await user.click(screen.getByRole('button', { name: 'Until when is the court ours?' }));
  expect(screen.getByLabelText(/The court is ours until/)).toBe(globalThis.document.activeElement);
  await user.type(screen.getByLabelText(/The court is ours until/), '00:00');
  expect(await screen.findByText(/The time on this court is over/)).toBeTruthy();
  expect(JSON.parse(device().getItem(`court-until:${document.courtId}`)!)).toEqual({ day: today(), until: '00:00' });
});

test('when a ball leaves: of one release the earliest word is the truest, another release begins anew', () => {
  expect(dueAfter(null, 5000)).toBe(5000);
  expect(dueAfter(5000, 5120)).toBe(5000);
  expect(dueAfter(5000, 4960)).toBe(4960);
  expect(dueAfter(5000, 9000)).toBe(9000);
});

test('tones go by the audio clock: a page that is busy for a fifth of a second does not move them', () => {
  // what the speaker plays at 10 000 ms of the page is at 7.5 s of its clock
  const context = { currentTime: 7.6, getOutputTimestamp: () => ({ contextTime: 7.5, performanceTime: 10_000 }) };
  expect(audioTimeOf(context, 10_400)).toBeCloseTo(7.9, 9);
  // a moment that is over sounds at once
  expect(audioTimeOf(context, 9000)).toBe(7.6);
  const ahead = signalsFor({ tone: 'three', voice: false, buzz: false }, '').map(({ beforeS }) => beforeS);
  expect(ahead.map((s) => Math.round(10 * s) / 10)).toEqual([1.3, 0.8, 0.3]);
});

test('a beat that was tapped does not drift: ten minutes later it is due where the machine’s is, whatever the timers do', () => {
  vi.useFakeTimers();
  let lateMs = 0;
  // timers of a busy page fire late; the clock goes on
  const clock = () => performance.now() + lateMs;
  const { result } = renderHook(() => useBeat(true, clock));
  const [startMs, intervalMs] = [clock(), 4000];
  for (let ball = 0; ball < 3; ball++) {
    act(() => result.current.tap());
    act(() => void vi.advanceTimersByTime(intervalMs));
  }
  const off: number[] = [];
  for (let ball = 4; ball <= 154; ball++) {
    lateMs = (ball * 37) % 90;
    act(() => void vi.advanceTimersByTime(intervalMs - ((ball * 13) % 7)));
    const due = result.current.dueAt! - startMs;
    off.push(Math.abs(due - Math.round(due / intervalMs) * intervalMs));
  }
  vi.useRealTimers();
  expect(Math.max(...off)).toBeLessThan(10);
  expect(result.current.dueAt! - startMs).toBeGreaterThan(590_000);
});
