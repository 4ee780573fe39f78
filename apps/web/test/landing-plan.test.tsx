// @vitest-environment happy-dom
import { SPORT_RECORDS } from '@good-arc/core';
import { render, screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { LandingPlan } from '../src/ui/LandingPlan.tsx';
import { Units } from '../src/ui/Units.tsx';
import { aPage } from './support/page.ts';

test('a landing is marked by keys alone: the cross is brought, moved coarsely and finely, and set', async () => {
  const { user } = aPage();
  const set: { x: number; y: number }[] = [];
  const plan = SPORT_RECORDS.tennis.court;
  render(
    <Units system="imperial">
      <LandingPlan plan={plan} machine={{ x: 0, y: 9 }} marks={[]} landed={null} onMark={(spot) => set.push(spot)} />
    </Units>,
  );
  const target = screen.getByTestId('landing-plan');
  target.focus();
  await user.keyboard('{ArrowUp}');
  const at = (): number[] => target.getAttribute('data-cross')!.split(' ').map(Number);
  const [x0, y0] = at() as [number, number];
  await user.keyboard('{ArrowUp}{ArrowUp}');
  const [x1, y1] = at() as [number, number];
  // tennis: the far end is on the left, +x is up
  expect(y1).toBeCloseTo(y0, 9);
  await user.keyboard('{Shift>}{ArrowRight}{/Shift}');
  const [, y2] = at() as [number, number];
  expect(x1 - x0).toBeCloseTo(0.5, 9); // two steps of 25 cm
  expect(Math.abs(y2 - y1)).toBeCloseTo(1.25, 9); // one of five times that
  await user.keyboard('{Enter}');
  expect(set).toHaveLength(1);
  expect(set[0]!.x).toBeCloseTo(x1, 1);
  expect(set[0]!.y).toBeCloseTo(y2, 1);
});
