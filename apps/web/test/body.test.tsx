// @vitest-environment happy-dom
import { firstSetup, MACHINE_KINDS, type Setup } from '@good-arc/core';
import { render, screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import type { MachineRow } from '../src/api/rows.ts';
import { Units } from '../src/ui/Units.tsx';
import { BodyPicture } from '../src/views/bench/Body.tsx';
import { meetingOf } from '../src/views/bench/meeting.ts';
import { workedOut } from '../src/views/bench/useBench.ts';
import { aPage } from './support/page.ts';

function bodyOf(kind: string, over: Partial<Setup> = {}) {
  const machine = { id: 'm1', profile: MACHINE_KINDS.find((each) => each.kind === kind)! } as MachineRow;
  const setup = {
    ...firstSetup({ id: 'c1', sport: 'tennis', surfaceId: 'tennis-clay' as Setup['surfaceId'] }, machine, 'Building', 0),
    ...over,
  };
  return workedOut(setup, machine);
}
const shown = (now: ReturnType<typeof bodyOf>, onMeet = vi.fn()) => {
  render(
    <Units system="imperial">
      <BodyPicture now={now} onMeet={onMeet} onDone={() => {}} />
    </Units>,
  );
  return onMeet;
};

test('the ball is moved down the body by a key, and the feed is solved to the new height', async () => {
  const { user } = aPage();
  const now = bodyOf('Two-wheel portable');
  const onMeet = shown(now);
  const { heightM } = now.arrangement.thrown!.arrival!;
  screen.getByRole('slider', { name: 'Where the ball meets the body' }).focus();
  await user.keyboard('{ArrowDown}');
  expect(onMeet).toHaveBeenCalledOnce();
  const asked = onMeet.mock.calls[0]![0] as number;
  expect(asked).toBeCloseTo(heightM - 0.1, 9);
  const next = meetingOf(now)!.moved(asked)!;
  expect(workedOut(next, now.machine).arrangement.thrown!.arrival!.heightM).toBeCloseTo(asked, 2);
});

test('the band of the level and the parts of the body are named; a machine of fixed settings says why nothing moves', () => {
  shown(bodyOf('Pocket tosser'));
  for (const part of ['knees', 'waist', 'shoulders']) expect(screen.getByText(part)).toBeTruthy();
  expect(screen.getByText('2 ft 4 in')).toBeTruthy(); // 0.7 m, the foot of the band
  expect(screen.queryByRole('slider')).toBeNull();
  expect(screen.getByText(/fixed settings/)).toBeTruthy();
});
