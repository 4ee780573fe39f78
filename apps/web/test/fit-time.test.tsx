// @vitest-environment happy-dom
import { type PlanDocument, scheduleOf } from '@good-arc/core';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { expect, test } from 'vitest';
import { Units } from '../src/ui/Units.tsx';
import { FitTime } from '../src/views/plan/FitTime.tsx';
import './support/page.ts';
import { document, id } from './support/courtside.tsx';

const rungs = [0, 1, 2].map((n) => ({
  id: id(20 + n),
  ladderId: id(9),
  position: n,
  document: { ...document, ballsPerRound: 10, rounds: 3 },
}));
const plan: PlanDocument = {
  name: 'Thursday',
  ladderId: id(9),
  startsAt: '2026-11-26T16:00',
  playerIds: [id(10), id(11), id(12)],
  absentIds: [],
  lines: 1,
  stations: [],
  rotateBy: { kind: 'balls', balls: 10 },
  capBalls: 28,
  notes: '',
};

function Page() {
  const [now, setNow] = useState(plan);
  const documents = rungs.map(({ document: rung }, i) => ({ ...rung, rounds: now.rungs?.[i]?.rounds ?? rung.rounds }));
  return (
    <Units system="imperial">
      <FitTime plan={now} rungs={rungs} endsS={scheduleOf(now, documents).endsS} readOnly={false} onTake={setNow} />
    </Units>
  );
}

test('a group is told before it starts that a ladder for one takes longer, and one press brings it into the time', async () => {
  const user = userEvent.setup();
  render(<Page />);
  expect(screen.getByText(/^It takes \d+ min, \d+ more than there are/)).toBeTruthy();
  const minutes = screen.getByLabelText('Minutes there are');
  await user.clear(minutes);
  await user.type(minutes, '5{Enter}');
  expect(screen.getByText(/A round of each rung takes \d+ min at least/)).toBeTruthy();
  await user.clear(minutes);
  await user.type(minutes, '25{Enter}');
  const fewer = screen.getByRole('button', { name: /[Ff]ewer rounds: \d+ min/ });
  await user.click(fewer);
  expect(screen.getByText(/: that fits\./)).toBeTruthy();
});
