import { expect, test } from 'vitest';
import { OncePerFrame } from '../src/ui/oncePerFrame.ts';

test('a drag computes once a frame, the newest place; what waits when it is let go is done at once', () => {
  let due: (() => void)[] = [];
  const forget = (): void => {
    due = [];
  };
  const drag = new OncePerFrame({ request: (run) => due.push(run), cancel: forget });
  const frame = (): void => {
    const now = due;
    forget();
    for (const run of now) run();
  };
  const done: number[] = [];
  const move = (to: number): void => drag.put(() => done.push(to));
  for (let i = 1; i <= 5; i++) move(i);
  expect(done).toEqual([]);
  frame();
  expect(done).toEqual([5]);
  frame();
  expect(done).toEqual([5]);
  move(6);
  move(7);
  drag.flush();
  drag.flush();
  frame();
  expect(done).toEqual([5, 7]);
});
