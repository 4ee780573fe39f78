import {
  AREAS,
  type Area,
  areaOf,
  areaTarget,
  away,
  diamondOf,
  type Feed,
  isWayBlocked,
  metsOf,
  type PlayerTarget,
  placeOfTarget,
  type RungDocument,
  resizeTarget,
  SPORT_RECORDS,
  type Sport,
  TARGET_PLACE_IDS,
  type TargetPlaceId,
  targetOf,
  targetSpot,
  targetsOf,
} from '@good-arc/core';
import { useRef, useState } from 'react';
import { CourtDrawing } from '../../ui/CourtDrawing.tsx';
import { Handle } from '../../ui/Handle.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Select } from '../../ui/Select.tsx';
import { sayPlace, targetPlan } from '../../ui/sayTarget.ts';
import { type RulerScale, rulerScale } from '../../ui/scale.ts';
import { boxIn, cornersOf } from '../../ui/targetBox.ts';
import { useUnits } from '../../ui/Units.tsx';
import { useWidth } from '../../ui/useWidth.ts';
import { sayArea } from '../../words/goals.ts';

interface Props {
  document: RungDocument;
  sport: Sport;
  readOnly: boolean;
  change: (part: Partial<RungDocument>, key?: string) => void;
}

const isArea = (to: string): to is Area => (AREAS as readonly string[]).includes(to);
/** A part of the court is too large for a place in it: a square takes its room, m (our judgement). */
const AFTER_AREA = { widthM: 3, depthM: 3 };

const TALLEST_PX = 210;
/** A field is as deep as wide: drawn in its true shape. */
const FIELD_PX = 330;

/** Where the player hits to, on the court from above: dragged, moved with the arrow keys, or chosen by its name. */
export function TargetPlan({ document, sport, readOnly, change }: Props) {
  const units = useUnits();
  const [ref, room] = useWidth(420);
  const [of, setOf] = useState<'all' | number>('all');
  // each drag, and each stay on the keys, is one step of undo
  const gesture = useRef(0);
  const plan = targetPlan(sport);
  const onField = diamondOf(sport) !== null;
  const width = onField ? Math.min(room, FIELD_PX) : room;
  const scale = rulerScale(plan, width, onField ? FIELD_PX : TALLEST_PX);
  const { feeds, targetSize } = document;
  const chosen = of === 'all' ? null : (feeds[of] ?? null);
  const target = chosen ? targetOf(document, chosen) : targetOf(document, {});

  function move(spot: { x: number; y: number } | undefined, key = ''): void {
    const targetAt = spot && { x: Math.min(200, Math.max(-200, spot.x)), y: Math.min(200, Math.max(-200, spot.y)) };
    if (!chosen) change({ targetAt }, key);
    else change({ feeds: feeds.map((feed, i) => (i === of ? withTarget(feed, targetAt) : feed)) }, key);
  }

  const size = (widthM: number): void =>
    change(
      resizeTarget(sport, document, { widthM, depthM: Math.max(0.1, (targetSize.depthM * widthM) / targetSize.widthM) }),
      'target size',
    );
  const blocked = target !== null && !onField && feeds.some((feed) => isWayBlocked(document, feed, target));
  const names = SPORT_RECORDS[sport].targetNames;
  const isOpen = chosen ? chosen.targetAt === undefined : target === null;
  const value = isOpen ? 'none' : ((target && (areaOf(sport, target) ?? placeOfTarget(sport, target))) ?? 'own');
  /** Parts of the court, whose size is their own. */
  const areas = AREAS.filter((area) => areaTarget(sport, area) !== null);

  function place(to: 'none' | 'own' | TargetPlaceId | Area): void {
    if (to === 'own') return;
    const whole = isArea(to) ? areaTarget(sport, to) : null;
    if (whole) {
      const { x, y, ...size } = whole;
      change({ targetAt: { x, y }, targetSize: size });
    } else if (to === 'none' || isArea(to)) move(undefined);
    else if (!chosen && target && areaOf(sport, target)) change({ targetAt: targetSpot(sport, to, AFTER_AREA), targetSize: AFTER_AREA });
    else move(targetSpot(sport, to, targetSize));
  }

  return (
    <div>
      <div ref={ref}>
        <svg
          width={width}
          height={scale.planHeight}
          viewBox={`0 0 ${width} ${scale.planHeight}`}
          className="block select-none"
          role="group"
          aria-label="Plan of the court with the target"
        >
          <CourtDrawing plan={plan} scale={scale} />
          {feeds.map((feed, i) => {
            const mets = metsOf(document, feed);
            const to = feed.on && feed.counts !== false ? targetOf(document, feed) : null;
            return (
              // biome-ignore lint/suspicious/noArrayIndexKey: feeds have no other identity
              <g key={i} aria-hidden="true">
                {mets.map((met) => (
                  <g key={met.x}>
                    {mets.length > 1 && (
                      <line
                        x1={scale.along(feed.launch.y)}
                        y1={scale.across(feed.launch.x)}
                        x2={scale.along(met.y)}
                        y2={scale.across(met.x)}
                        stroke="var(--color-ball)"
                        strokeWidth={1.5}
                      />
                    )}
                    {to && (
                      <line
                        x1={scale.along(met.y)}
                        y1={scale.across(met.x)}
                        x2={scale.along(to.y)}
                        y2={scale.across(to.x)}
                        stroke="var(--color-arrive)"
                        strokeWidth={1.5}
                        strokeDasharray="2 4"
                      />
                    )}
                    <circle
                      cx={scale.along(met.y)}
                      cy={scale.across(met.x)}
                      r={6}
                      fill="var(--color-base-100)"
                      stroke="currentColor"
                      strokeWidth={2}
                    />
                  </g>
                ))}
                <rect x={scale.along(feed.launch.y) - 7} y={scale.across(feed.launch.x) - 6} width={14} height={12} fill="currentColor" />
              </g>
            );
          })}
          {targetsOf(document).map(({ target: each }) => (
            <TargetBox key={`${each.x} ${each.y}`} target={each} scale={scale} faint={target !== null && !isSame(each, target)} />
          ))}
          {target && !readOnly && (
            <Handle
              px={scale.along(target.y)}
              py={scale.across(target.x)}
              name={chosen ? `Target of ball ${Number(of) + 1}` : 'Target'}
              says={sayPlace(target, sport, units.length)}
              onDrag={(px, py) => move({ x: scale.acrossBack(py), y: scale.alongBack(px) }, `target ${gesture.current}`)}
              onNudge={(right, down) =>
                move(
                  {
                    x: scale.acrossBack(scale.across(target.x) + down * scale.perAcross),
                    y: scale.alongBack(scale.along(target.y) + right * scale.perM),
                  },
                  `target ${gesture.current}`,
                )
              }
              onDone={() => {
                gesture.current++;
              }}
            >
              <circle cx={scale.along(target.y)} cy={scale.across(target.x)} r={5} fill="var(--color-arrive)" />
            </Handle>
          )}
        </svg>
      </div>
      <p className="mt-1 text-sm">
        {target ? sayPlace(target, sport, units.length) : 'No place yet: the coach says where.'}
        {blocked && <b className="text-error"> · the way there leads past the machine</b>}
      </p>
      {!readOnly && (
        <div className="mt-2 grid grid-cols-2 gap-3 sm:grid-cols-3">
          {feeds.length > 1 && (
            <Select
              label="Target of"
              value={String(of)}
              onChange={(value) => setOf(value === 'all' ? 'all' : Number(value))}
              options={[['all', 'all balls'], ...feeds.map(({ name }, i) => [String(i), `${i + 1} · ${name}`] as const)]}
            />
          )}
          <Select
            label="Place"
            value={value}
            onChange={place}
            options={[
              ['none', chosen ? 'as all balls' : 'the coach says'],
              ...TARGET_PLACE_IDS.map((id) => [id, names[id]] as const),
              ...(chosen ? [] : areas.map((id) => [id, sayArea(id, sport)] as const)),
              ...(value === 'own' ? [['own', 'a place of its own'] as const] : []),
            ]}
          />
          {!onField && target && (
            <label className="col-span-2 flex min-h-11 items-center gap-2.5 self-end sm:order-last sm:col-span-3">
              <input
                type="checkbox"
                className="checkbox"
                checked={document.recoverByShot === true}
                onChange={({ target: box }) => change({ recoverByShot: box.checked || undefined })}
              />
              Recovers by the shot: short of the middle after cross-court, past it after the line
            </label>
          )}
          <QuantityField label="Target wide" dimension="length" min={0.1} max={60} step={0.1} value={targetSize.widthM} onChange={size} />
        </div>
      )}
    </div>
  );
}

const isSame = (a: PlayerTarget, b: PlayerTarget): boolean => away(a, b) < 0.05;

function withTarget({ targetAt: _before, ...feed }: Feed, targetAt: Feed['targetAt']): Feed {
  return targetAt ? { ...feed, targetAt } : feed;
}

/** The target in plan, with a cone on each corner. */
function TargetBox({ target, scale, faint }: { target: PlayerTarget; scale: RulerScale; faint: boolean }) {
  return (
    <g opacity={faint ? 0.5 : 1} aria-hidden="true">
      <rect {...boxIn(target, scale)} fill="var(--color-arrive)" fillOpacity={0.15} stroke="var(--color-arrive)" strokeWidth={2.5} />
      {cornersOf(target).map(({ x, y }) => (
        <path key={`${x} ${y}`} d={`M${scale.along(y)} ${scale.across(x) - 5}l4.5 8h-9z`} fill="var(--color-arrive)" />
      ))}
    </g>
  );
}
