import { diamondOf, planOf, type Setup } from '@good-arc/core';
import { useMemo } from 'react';
import { CourtDrawing } from '../../ui/CourtDrawing.tsx';
import { rulerScale } from '../../ui/scale.ts';
import { useWidth } from '../../ui/useWidth.ts';
import { Handles } from './Handles.tsx';
import { meetingOf } from './meeting.ts';
import { Fielders, PlanFlights } from './PlanFlights.tsx';
import { Profile } from './Profile.tsx';
import { TimeRuler } from './TimeRuler.tsx';
import type { Worked } from './useBench.ts';

interface Props {
  now: Worked;
  /** The set-up beside it, drawn thin. */
  other: Worked | null;
  /** Which of the two is in hand; empty when there is one. */
  label: '' | 'A' | 'B';
  onChange: (change: Partial<Setup>, key: string) => void;
  onMeet: (heightM: number) => void;
  onDone: () => void;
}

const PROFILE_PX = 176;
const TIME_PX = 66;
const GAP_PX = 10;

/** Room there most likely is for it: of a phone all but its margins. */
const likelyWidth = (): number => (typeof window === 'undefined' || window.innerWidth >= 768 ? 820 : window.innerWidth - 24);

/** Plan, side profile and time ruler over one length axis. */
export function Ruler({ now, other, label, onChange, onMeet, onDone }: Props) {
  const { setup, arrangement, field } = now;
  const [box, width] = useWidth(likelyWidth);
  const plan = planOf(setup);
  const tallest = plan.nearOnLeft ? Math.min(420, width) : width < 600 ? 230 : diamondOf(setup.sport) ? 170 : 236;
  const scale = rulerScale(plan, width, tallest);
  // a drag moves nothing of it
  // biome-ignore lint/correctness/useExhaustiveDependencies: the scale is that of the plan and the two sizes
  const court = useMemo(() => <CourtDrawing plan={plan} scale={scale} />, [plan, width, tallest]);
  const profileTop = scale.planHeight + GAP_PX;
  const ground = profileTop + PROFILE_PX;
  const beside = other && other.setup.sport === setup.sport && planOf(other.setup) === plan ? other : null;
  const height = ground + TIME_PX * (beside ? 2 : 1);
  const up = (z: number): number => ground - z * scale.perM;
  const otherLabel = label === 'A' ? 'B' : 'A';

  return (
    <div ref={box} className="w-full">
      <svg
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        className="block select-none"
        role="group"
        aria-label="Plan, side view and time of the ball"
      >
        {court}
        {plan.nearOnLeft && <Fielders now={now} scale={scale} />}
        <line x1={0} x2={width} y1={profileTop - GAP_PX / 2} y2={profileTop - GAP_PX / 2} stroke="var(--color-base-300)" />
        <clipPath id="profile">
          <rect x={0} y={profileTop - 4} width={width} height={PROFILE_PX + 5} />
        </clipPath>
        <Profile now={now} beside={beside} scale={scale} up={up} ground={ground} width={width} />
        <PlanFlights now={now} beside={beside} scale={scale} />
        <TimeRuler
          thrown={arrangement.thrown}
          scale={scale}
          top={ground}
          profileTop={profileTop}
          label={label}
          {...(field && { path: field.path })}
        />
        {beside && (
          <TimeRuler
            thrown={beside.arrangement.thrown}
            scale={scale}
            top={ground + TIME_PX}
            profileTop={ground + TIME_PX}
            label={otherLabel}
          />
        )}
        <Handles
          setup={setup}
          scale={scale}
          up={up}
          onChange={onChange}
          contactM={meetingOf(now)?.heightM ?? null}
          onMeet={onMeet}
          onDone={onDone}
        />
      </svg>
    </div>
  );
}
