import { ballById, heightOf, hitterEye, LEVEL_NEEDS, linearSpread, PLATE, strikeZoneOf } from '@good-arc/core';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Handle } from '../../ui/Handle.tsx';
import { later } from '../../ui/later.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { SourceMark } from '../../ui/SourceMark.tsx';
import { useUnits } from '../../ui/Units.tsx';
import { ellipse } from './ellipse.ts';
import { TwoPitchFigures } from './TwoPitchFigures.tsx';
import { type BenchState, strikeQuestion, type Worked } from './useBench.ts';

const HitterView = later(async () => (await import('./hitter/HitterView.tsx')).default, <p role="status">Opening the hitter’s view …</p>);

const PX_PER_M = 190;
const VIEW = { x: 0.75, top: 1.55 };

/** The window at the plate as the hitter sees it, and what two pitches are to each other. */
export function PlateWindow({ bench }: { bench: BenchState }) {
  const units = useUnits();
  const [watching, setWatching] = useState(false);
  const { setup, now, other, pair, change } = bench;
  const { target } = setup;
  if (target.kind !== 'plane') return null;
  const batterM = heightOf(setup.sport, setup);
  const zone = strikeZoneOf(setup.sport, setup);
  const beside = other && other.setup.target.kind === 'plane' ? other : null;
  const [width, height] = [2 * VIEW.x * PX_PER_M, (VIEW.top + 0.08) * PX_PER_M];
  const px = (x: number): number => (x + VIEW.x) * PX_PER_M;
  const py = (z: number): number => (VIEW.top - z) * PX_PER_M;
  const { radiusM } = ballById(setup.ballId);
  const move = (x: number, z: number): void =>
    change({ target: { ...target, x: Math.min(0.7, Math.max(-0.7, x)), z: Math.min(1.5, Math.max(0.1, z)) } }, 'target');
  const asked = strikeQuestion(now);
  const strike = (asked && linearSpread(asked))?.chance.inTarget ?? null;
  const labelOf = (worked: Worked): string => (beside ? (worked === now ? pair.at : pair.at === 'a' ? 'b' : 'a').toUpperCase() : '');
  return (
    <div className="flex flex-wrap gap-x-6 gap-y-3">
      <svg
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        className="block shrink-0 border border-base-content bg-court"
        role="group"
        aria-label="Window at the plate, as the hitter sees it"
      >
        <line x1={0} x2={width} y1={py(0)} y2={py(0)} stroke="currentColor" strokeWidth={2} />
        <rect x={px(-PLATE.halfWidthM)} y={py(0)} width={2 * PLATE.halfWidthM * PX_PER_M} height={7} fill="currentColor" />
        <rect
          x={px(-PLATE.halfWidthM)}
          y={py(zone.topM)}
          width={2 * PLATE.halfWidthM * PX_PER_M}
          height={(zone.topM - zone.bottomM) * PX_PER_M}
          fill="none"
          stroke="var(--color-arrive)"
          strokeWidth={2.5}
        />
        <text x={px(PLATE.halfWidthM) + 6} y={py(zone.topM) + 5} className="fill-current text-[13px]">
          {units.length(zone.topM)}
        </text>
        <text x={px(PLATE.halfWidthM) + 6} y={py(zone.bottomM) + 5} className="fill-current text-[13px]">
          {units.length(zone.bottomM)}
        </text>
        {[beside, now].map(
          (worked) =>
            worked?.spread && (
              <polygon
                key={labelOf(worked) || 'one'}
                points={ellipse(worked.spread.mean, worked.spread.cov)
                  .map(({ x, y }) => `${px(x).toFixed(1)},${py(y).toFixed(1)}`)
                  .join(' ')}
                fill={worked === now ? 'var(--color-ball)' : 'currentColor'}
                fillOpacity={worked === now ? 0.16 : 0.07}
                stroke={worked === now ? 'var(--color-ball)' : 'currentColor'}
                strokeWidth={1.4}
              />
            ),
        )}
        {beside?.setup.target.kind === 'plane' && (
          <g>
            <circle
              cx={px(beside.setup.target.x)}
              cy={py(beside.setup.target.z)}
              r={radiusM * PX_PER_M}
              fill="var(--color-base-100)"
              stroke="currentColor"
              strokeWidth={2}
            />
            <text
              x={px(beside.setup.target.x)}
              y={py(beside.setup.target.z) + 5}
              textAnchor="middle"
              className="fill-current text-[13px] font-bold"
            >
              {labelOf(beside)}
            </text>
          </g>
        )}
        <Handle
          px={px(target.x)}
          py={py(target.z)}
          name="Where it passes the plate"
          says={`${units.length(target.z)} up, ${units.length(target.x)} right`}
          onDone={bench.close}
          onDrag={(x, y) => move(x / PX_PER_M - VIEW.x, VIEW.top - y / PX_PER_M)}
          onNudge={(right, down) => move(target.x + right / 2, target.z - down / 2)}
        >
          <circle cx={px(target.x)} cy={py(target.z)} r={Math.max(7, radiusM * PX_PER_M)} fill="var(--color-ball)" />
          <text x={px(target.x)} y={py(target.z) + 5} textAnchor="middle" fill="var(--color-base-100)" className="text-[13px] font-bold">
            {labelOf(now)}
          </text>
        </Handle>
      </svg>
      <div className="min-w-0 grow basis-72">
        <div className="flex flex-wrap items-end gap-3">
          <QuantityField
            className="w-32"
            label="Batter’s height"
            dimension="length"
            step={0.02}
            min={0.8}
            max={2.3}
            value={batterM}
            onChange={(batterHeightM) => change({ batterHeightM }, 'batter')}
          />
          <p className="pb-2">
            <span className="font-title text-3xl font-bold">{strike === null ? '–' : `${Math.round(100 * strike)} %`}</span> strikes{' '}
            <SourceMark
              about="the zone"
              source="From 27 to 53.5 % of the batter’s height (the automated-zone proportion; the rule book says mid-torso to the hollow of the knee), up to twelve years from 28.5 to 75 % (top of the knees to the armpits); quoted from memory. A ball that touches the zone counts. Spread by the machine’s repeatability."
            />
          </p>
        </div>
        <TwoPitchFigures bench={bench} beside={beside} batterM={batterM} />
        <Button className="mt-3" disabled={!now.arrangement.thrown} onClick={() => setWatching(true)}>
          Hitter’s view
        </Button>
      </div>
      {watching && (
        <HitterView
          pitches={[now, beside]
            .flatMap((worked) =>
              worked?.arrangement.thrown
                ? [{ label: labelOf(worked) || 'A', setup: worked.setup, launch: worked.arrangement.thrown.launch }]
                : [],
            )
            .sort((p, q) => p.label.localeCompare(q.label))}
          planeY={target.planeY}
          eye={hitterEye(batterM, setup.player.x)}
          zone={zone}
          swingS={LEVEL_NEEDS[setup.level].prepareS.swing}
          onClose={() => setWatching(false)}
        />
      )}
    </div>
  );
}
