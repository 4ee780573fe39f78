import { bouncesThatFit, type Judgement, type RungDocument, ritualFromTaps, ritualS, wholly } from '@good-arc/core';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';

const FIRST = { bounces: 4, bounceS: 0.7, tossS: 1.8, readyS: 0.6 };

/** A serve of one's own before every ball: the ritual typed, or tapped along with the player; what fits the machine's interval. */
export function RitualFields({
  document,
  judgement,
  change,
}: {
  document: RungDocument;
  judgement: Judgement;
  change: (part: Partial<RungDocument>, key?: string) => void;
}) {
  const { ritual, intervalS } = document;
  const [taps, setTaps] = useState<number[]>([]);
  if (!ritual)
    return (
      <Button look="ghost" onClick={() => change({ ritual: FIRST })}>
        A serve before each ball
      </Button>
    );
  const put = (part: Partial<typeof ritual>): void => change({ ritual: { ...ritual, ...part } }, 'ritual');
  const judged = wholly(judgement);
  const fits = judged && bouncesThatFit(intervalS, judged.readyIntervalS, ritual);

  function done(): void {
    const found = ritualFromTaps(taps);
    setTaps([]);
    if (found) change({ ritual: { ...ritual!, ...found } });
  }

  return (
    <fieldset className="w-full border border-base-300 p-3">
      <legend className="px-1 font-semibold">A serve before each ball</legend>
      <div className="grid grid-cols-2 gap-3 md:grid-cols-4">
        <QuantityField
          label="Bounces"
          dimension="count"
          min={0}
          max={20}
          step={1}
          value={ritual.bounces}
          onChange={(bounces) => put({ bounces: Math.round(bounces) })}
        />
        <QuantityField
          label="Each bounce"
          dimension="time"
          min={0.2}
          max={3}
          step={0.1}
          digits={2}
          value={ritual.bounceS}
          onChange={(bounceS) => put({ bounceS })}
        />
        <QuantityField
          label="Toss to hit"
          dimension="time"
          min={0.3}
          max={6}
          step={0.1}
          digits={2}
          value={ritual.tossS}
          onChange={(tossS) => put({ tossS })}
        />
        <QuantityField
          label="Rest when ready"
          dimension="time"
          min={0}
          max={20}
          step={0.1}
          value={ritual.readyS}
          onChange={(readyS) => put({ readyS })}
        />
      </div>
      <p className="mt-2 text-sm">
        The ritual takes {ritualS(ritual).toFixed(1)} s.{' '}
        {judged &&
          (fits === null
            ? `Not even the toss fits into ${intervalS.toFixed(1)} s.`
            : `At every ${intervalS.toFixed(1)} s ${fits === 1 ? 'one bounce fits' : `${fits} bounces fit`}.`)}
      </p>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <Button size="l" onClick={() => setTaps([...taps, performance.now() / 1000])}>
          Tap along{taps.length > 0 && `: ${taps.length}`}
        </Button>
        {taps.length > 0 && (
          <Button look="primary" size="l" disabled={taps.length < 2} onClick={done}>
            That was the hit
          </Button>
        )}
        <Button look="ghost" onClick={() => change({ ritual: undefined })}>
          No serve
        </Button>
        <span className="text-sm text-quiet">one tap at each bounce, one at the toss, one at the hit</span>
      </div>
    </fieldset>
  );
}
