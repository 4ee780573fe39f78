import { type Dial, MARK_SIGMA_M, type Stand, spotAt, type TestBall } from '@good-arc/core';
import { useEffect, useRef, useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { DIMENSION_OF } from '../../ui/dialUnits.ts';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { useUnits } from '../../ui/Units.tsx';

type Part = Pick<TestBall, 'mark'> | Pick<TestBall, 'timeS'> | Pick<TestBall, 'radarMps'> | Pick<TestBall, 'direct'>;

/** The built-in stopwatch: first touch at the release, second at the bounce. */
export function Stopwatch({ onTime }: { onTime: (timeS: number) => void }) {
  const began = useRef<number | null>(null);
  const [runningS, setRunningS] = useState<number | null>(null);
  const isRunning = runningS !== null;
  useEffect(() => {
    if (!isRunning) return;
    const tick = setInterval(() => began.current !== null && setRunningS((performance.now() - began.current) / 1000), 50);
    return () => clearInterval(tick);
  }, [isRunning]);

  function touch(): void {
    if (began.current === null) {
      began.current = performance.now();
      setRunningS(0);
      return;
    }
    const timeS = (performance.now() - began.current) / 1000;
    began.current = null;
    setRunningS(null);
    if (timeS >= 0.05 && timeS <= 12) onTime(Math.round(timeS * 100) / 100);
  }

  return (
    <Button
      look={isRunning ? 'secondary' : 'outline'}
      size="xl"
      onPointerDown={touch}
      onKeyDown={(event) => {
        if ((event.key !== 'Enter' && event.key !== ' ') || event.repeat) return;
        event.preventDefault();
        touch();
      }}
    >
      {isRunning ? `${runningS.toFixed(1)} s: stop at the bounce` : 'Time it'}
    </Button>
  );
}

/** A distance, a radar reading or, for a dial that is measured by itself, its value: typed. */
export function TypedSight({ dial, stand, onSeen }: { dial: Dial; stand: Stand | null; onSeen: (part: Part) => void }) {
  const units = useUnits();
  const [distanceM, setDistance] = useState(10);
  const [radarMps, setRadar] = useState(15);
  const [value, setValue] = useState(dial.moves === 'interval' ? 4 : dial.moves === 'topspin' ? 1000 : 15);
  if (!stand) {
    const dimension = DIMENSION_OF[dial.moves];
    const sigma = { angle: 0.3, time: 0.1, spin: 100, speed: 0.3 }[dimension as 'angle' | 'time' | 'spin' | 'speed'] ?? 0.1;
    return (
      <div className="flex items-end gap-2">
        <QuantityField
          className="w-40"
          label="Measured"
          dimension={dimension}
          min={-10_000}
          max={10_000}
          step={dimension === 'spin' ? 50 : 0.5}
          value={value}
          onChange={setValue}
          hint={`taken as ± ${units.print(sigma, dimension)}`}
        />
        <Button look="primary" className="mb-6" onClick={() => onSeen({ direct: { value, sigma } })}>
          Note it
        </Button>
      </div>
    );
  }
  return (
    <div className="flex flex-wrap gap-x-6 gap-y-3">
      <div className="flex items-end gap-2">
        <QuantityField
          className="w-32"
          label="Radar reading"
          dimension="speed"
          min={1}
          max={75}
          step={0.5}
          value={radarMps}
          onChange={setRadar}
        />
        <Button onClick={() => onSeen({ radarMps })}>
          Note it<span className="sr-only">: radar</span>
        </Button>
      </div>
      <div className="flex items-end gap-2">
        <QuantityField
          className="w-32"
          label="Taped from the machine"
          dimension="length"
          min={0.3}
          max={130}
          step={0.25}
          value={distanceM}
          onChange={setDistance}
        />
        <Button onClick={() => onSeen({ mark: { ...spotAt(stand, distanceM), sigmaM: MARK_SIGMA_M.measured, sideways: false } })}>
          Note it<span className="sr-only">: distance</span>
        </Button>
      </div>
    </div>
  );
}
