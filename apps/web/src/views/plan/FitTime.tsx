import { type FitBy, fitPlan, minutesOf, type PlanDocument } from '@good-arc/core';
import { useMemo, useState } from 'react';
import type { LadderRow } from '../../api/rows.ts';
import { Button } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';

const BY: Record<FitBy, string> = { 'picking-up': 'somebody picks up meanwhile', lines: 'two hit at once', rounds: 'fewer rounds' };

/** How long it takes, before it starts, and what would bring it into the time there is. */
export function FitTime({
  plan,
  rungs,
  endsS,
  readOnly,
  onTake,
}: {
  plan: PlanDocument;
  /** Of the plan, in its order. */
  rungs: LadderRow['rungs'];
  endsS: number;
  readOnly: boolean;
  onTake: (plan: PlanDocument) => void;
}) {
  // for one alone it takes as long as the ladder says; that is what people have in mind
  const forOne = Math.ceil(rungs.reduce((sum, { document }) => sum + minutesOf(document), 0) / 5) * 5;
  const takes = Math.ceil(endsS / 60);
  // an outing was made for its minutes
  const [minutes, setMinutes] = useState(Math.max(5, plan.rungs ? Math.ceil(takes / 5) * 5 : forOne));
  const { ways, leastS } = useMemo(() => fitPlan(plan, rungs, minutes), [plan, rungs, minutes]);
  return (
    <div className="no-print mt-2 flex flex-wrap items-end gap-x-4 gap-y-2">
      <QuantityField
        className="w-36"
        label="Minutes there are"
        dimension="count"
        min={5}
        max={240}
        step={5}
        value={minutes}
        onChange={(value) => setMinutes(Math.round(value))}
      />
      {takes > minutes ? (
        <Notice tone="warning" role="status" className="min-w-0 grow basis-72">
          <b>
            It takes {takes} min, {takes - minutes} more than there are.
          </b>{' '}
          {ways.length === 0 && `A round of each rung takes ${Math.ceil(leastS / 60)} min at least: take fewer rungs, or more time.`}
          {ways.length > 0 && !readOnly && (
            <span className="mt-2 flex flex-wrap gap-2">
              {ways.map((way) => (
                <Button key={way.by.join()} size="l" onClick={() => onTake(way.plan)}>
                  {sayWay(way.by)}: {Math.ceil(way.endsS / 60)} min
                </Button>
              ))}
            </span>
          )}
        </Notice>
      ) : (
        <p className="pb-2.5">It takes {takes} min: that fits.</p>
      )}
    </div>
  );
}

function sayWay(by: readonly FitBy[]): string {
  const text = by.map((each) => BY[each]).join(', ');
  return text.charAt(0).toUpperCase() + text.slice(1);
}
