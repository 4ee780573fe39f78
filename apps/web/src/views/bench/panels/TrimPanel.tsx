import { type Correction, type Miss, placeQuestion, trim } from '@good-arc/core';
import { type PointerEvent, useState } from 'react';
import { Button } from '../../../ui/Button.tsx';
import { Notice } from '../../../ui/Notice.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { useUnits } from '../../../ui/Units.tsx';
import type { BenchState } from '../useBench.ts';

const PATCH_PX = 260;
const NONE: Miss = { xM: 0, alongM: 0 };

/** Tap where the ball landed: what to turn so that the next one does not. */
export function TrimPanel({ bench }: { bench: BenchState }) {
  const units = useUnits();
  const [miss, setMiss] = useState<Miss>(NONE);
  const { setup, machine, now } = bench;
  const { thrown } = now.arrangement;
  if (!thrown) return <p>Solve a feed first: there is nothing to correct yet.</p>;
  const plane = setup.target.kind === 'plane';
  const corrections = trim(machine.profile, placeQuestion(setup), setup, thrown.launch, miss);
  const perM = PATCH_PX / (plane ? 1.6 : 6);
  const away = setup.target.kind === 'landing' && setup.target.y > setup.from.y ? 1 : -1;
  // long is beyond the target as the ball travels; left and right as the player who receives it sees them
  const longM = plane ? miss.alongM : miss.alongM * away;
  const missed = miss.xM !== 0 || miss.alongM !== 0;

  function tap(event: PointerEvent<SVGSVGElement>): void {
    const box = event.currentTarget.getBoundingClientRect();
    const [x, y] = [event.clientX - box.left - PATCH_PX / 2, event.clientY - box.top - PATCH_PX / 2];
    setMiss({ xM: x / perM, alongM: -y / perM });
  }

  return (
    <div className="flex flex-wrap gap-x-8 gap-y-4">
      <div>
        <svg
          width={PATCH_PX}
          height={PATCH_PX}
          className="block touch-none border border-base-content bg-court"
          role="img"
          aria-label={plane ? 'Window around the target: tap where the ball passed' : 'Court around the target: tap where the ball landed'}
          onPointerDown={tap}
        >
          <line x1={0} x2={PATCH_PX} y1={PATCH_PX / 2} y2={PATCH_PX / 2} stroke="currentColor" opacity={0.3} />
          <line x1={PATCH_PX / 2} x2={PATCH_PX / 2} y1={0} y2={PATCH_PX} stroke="currentColor" opacity={0.3} />
          <rect
            x={PATCH_PX / 2 - (setup.landingZone.widthM / 2) * perM}
            y={PATCH_PX / 2 - (setup.landingZone.depthM / 2) * perM}
            width={setup.landingZone.widthM * perM}
            height={setup.landingZone.depthM * perM}
            fill="none"
            stroke="var(--color-arrive)"
            strokeWidth={2}
            strokeDasharray="5 4"
          />
          <circle cx={PATCH_PX / 2} cy={PATCH_PX / 2} r={5} fill="none" stroke="currentColor" strokeWidth={2} />
          {missed && (
            <>
              <line
                x1={PATCH_PX / 2}
                y1={PATCH_PX / 2}
                x2={PATCH_PX / 2 + miss.xM * perM}
                y2={PATCH_PX / 2 - miss.alongM * perM}
                stroke="var(--color-ball)"
                strokeWidth={2}
              />
              <circle cx={PATCH_PX / 2 + miss.xM * perM} cy={PATCH_PX / 2 - miss.alongM * perM} r={7} fill="var(--color-ball)" />
            </>
          )}
          <text x={PATCH_PX / 2} y={16} textAnchor="middle" className="fill-current text-[13px]">
            {plane ? 'high' : 'toward the far end'}
          </text>
          <text x={PATCH_PX / 2} y={PATCH_PX - 8} textAnchor="middle" className="fill-current text-[13px]">
            {plane ? 'low' : 'toward the near end'}
          </text>
        </svg>
        <p className="mt-1 max-w-[260px] text-sm text-quiet">
          {plane ? 'As the hitter sees it. Tap where it passed.' : 'From the near end. Tap where it landed.'}
        </p>
      </div>
      <div className="min-w-0 grow basis-72">
        <div className="grid max-w-md grid-cols-2 gap-3">
          <QuantityField
            label={plane ? 'High (minus: low)' : 'Long (minus: short)'}
            dimension="length"
            step={0.05}
            min={-20}
            max={20}
            value={longM}
            onChange={(m) => setMiss({ ...miss, alongM: plane ? m : m * away })}
          />
          <QuantityField
            label="Right (minus: left)"
            dimension="length"
            step={0.05}
            min={-20}
            max={20}
            value={miss.xM}
            onChange={(xM) => setMiss({ ...miss, xM })}
            hint={plane ? 'as the hitter sees it' : 'from the near end'}
          />
        </div>
        {!missed && <p className="mt-3">Tap the picture, or type it: “2 ft short, 1 ft left” is −2 ft and −1 ft.</p>}
        {missed && corrections.length === 0 && (
          <Notice tone="error" className="mt-3">
            No turn of this machine answers that from here. Move it instead.
          </Notice>
        )}
        {missed &&
          corrections.map((each, i) => (
            <div key={each.by} className="mt-3 border-t border-base-300 pt-2">
              <p className="text-lg">
                {i === 0 ? '' : 'or '}
                <b>{inWords(each, units.speed)}</b>
              </p>
              <Button
                look={i === 0 ? 'primary' : 'outline'}
                className="mt-1"
                onClick={() => {
                  setMiss(NONE);
                  bench.change(
                    {
                      target:
                        setup.target.kind === 'landing'
                          ? { ...setup.target, x: setup.target.x - miss.xM, y: setup.target.y - miss.alongM }
                          : { ...setup.target, x: setup.target.x - miss.xM, z: setup.target.z - miss.alongM },
                      hold: each.by === 'elevation' ? { speedMps: each.to.speedMps } : { elevationDeg: each.to.elevationDeg },
                    },
                    '',
                  );
                }}
              >
                Aim as far to the other side
              </Button>
            </div>
          ))}
        <p className="mt-3 text-sm text-quiet">
          Elevation comes before speed: a new speed also moves the spin and the player’s time. Undo takes it back.
        </p>
      </div>
    </div>
  );
}

function inWords({ by, elevationDeg, speedMps, turnDeg }: Correction, speed: (mps: number, digits?: number) => string): string {
  const parts: string[] = [];
  if (by === 'elevation') parts.push(`${Math.abs(elevationDeg).toFixed(1)}° ${elevationDeg > 0 ? 'up' : 'down'}`);
  else parts.push(`${speed(Math.abs(speedMps), 1)} ${speedMps > 0 ? 'faster' : 'slower'}`);
  if (Math.abs(turnDeg) >= 0.05) parts.push(`turn it ${Math.abs(turnDeg).toFixed(1)}° ${turnDeg > 0 ? 'right' : 'left'}`);
  return parts.join(', ');
}
