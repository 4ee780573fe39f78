// @vitest-environment happy-dom
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { atRest } from '../src/device/atRest.ts';

beforeEach(() => void vi.useFakeTimers({ toFake: ['setTimeout', 'performance'] }));
afterEach(() => void vi.useRealTimers());

/** What comes by itself, and when it came, ms after it was asked for. */
function waiting(...how: Parameters<typeof atRest>): { cameAt: () => number | null } {
  const from = performance.now();
  let at: number | null = null;
  void atRest(...how).then(() => {
    at = performance.now() - from;
  });
  return { cameAt: () => at };
}
const move = (): boolean => document.body.dispatchEvent(new Event('pointermove', { bubbles: true }));

test('what comes by itself waits until nobody does anything', async () => {
  const { cameAt } = waiting(1000);
  for (let i = 0; i < 5; i++) {
    await vi.advanceTimersByTimeAsync(700);
    move();
  }
  expect(cameAt()).toBeNull();
  await vi.advanceTimersByTimeAsync(1000);
  expect(cameAt()).toBe(4500);
  // the hand still rests: the next need not wait again
  const next = waiting(1000);
  await vi.advanceTimersByTimeAsync(0);
  expect(next.cameAt()).toBe(0);
});

test('where a hand never rests it comes all the same', async () => {
  move();
  const { cameAt } = waiting(1000, 3000);
  for (let i = 0; i < 20; i++) {
    await vi.advanceTimersByTimeAsync(200);
    move();
  }
  expect(cameAt()).toBe(3000);
});
