import { diamondOf, isToFielders, planOf, type Setup } from '@good-arc/core';
import { Handle } from '../../ui/Handle.tsx';
import { describeSpot } from '../../ui/place.ts';
import type { RulerScale } from '../../ui/scale.ts';
import { useUnits } from '../../ui/Units.tsx';

interface Props {
  setup: Setup;
  scale: RulerScale;
  /** Height → y of the picture. */
  up: (z: number) => number;
  onChange: (change: Partial<Setup>, key: string) => void;
  /** Height at which the ball meets the player, m; null where that cannot be moved. */
  contactM: number | null;
  onMeet: (heightM: number) => void;
  onDone: () => void;
}

/** How far outside the corner of the target its handle stands, px: else it would lie under the thumb that moves a small one. */
const OUTSIDE_PX = 18;

/** Machine, landing spot, its size, player, wind, and for a pitch the height over the plate: what can be moved on the ruler. */
export function Handles({ setup, scale, up, onChange, contactM, onMeet, onDone }: Props) {
  const { along, across, alongBack, acrossBack } = scale;
  const plan = planOf(setup);
  const units = useUnits();
  const { view } = plan;
  const within = (x: number, y: number): { x: number; y: number } => ({
    x: Math.min(view.x2, Math.max(view.x1, x)),
    y: Math.min(view.y2, Math.max(view.y1, y)),
  });
  const { from, target, player, landingZone, weather } = setup;
  // a field is drawn from home away: the arrows go the other way there
  const way = scale.flipped ? -1 : 1;
  const fielding = isToFielders(setup.sport, target);
  const targetY = target.kind === 'landing' ? target.y : target.planeY;
  // a machine and its target must stay apart, and on their own sides
  const moveMachine = (x: number, y: number): void => {
    const spot = within(x, y);
    onChange({ from: { ...from, x: spot.x, y: fielding ? spot.y : Math.max(spot.y, targetY + 1) } }, 'machine');
  };
  const moveTarget = (x: number, y: number): void => {
    const spot = within(x, y);
    onChange(
      {
        target:
          target.kind === 'landing'
            ? { ...target, x: spot.x, y: fielding ? spot.y : Math.min(spot.y, from.y - 1) }
            : { ...target, x: spot.x },
      },
      'target',
    );
  };
  const movePlayer = (x: number, y: number): void => {
    const spot = within(x, y);
    const near = fielding ? spot.y : Math.min(spot.y, from.y - 1);
    onChange({ player: diamondOf(setup.sport) && !fielding ? { ...player, x: spot.x } : { x: spot.x, y: near } }, 'player');
  };
  const says = (spot: { x: number; y: number }): string => describeSpot(plan, spot, units.length);
  const corner = {
    px: along(targetY) + (landingZone.depthM / 2) * scale.perM + OUTSIDE_PX,
    py: across(target.x) - (landingZone.widthM / 2) * scale.perAcross - OUTSIDE_PX,
  };
  const turn = (Math.atan2(across(target.x) - across(from.x), along(targetY) - along(from.y)) * 180) / Math.PI;
  return (
    <>
      <Handle
        px={along(from.y)}
        py={across(from.x)}
        name="Machine"
        says={says(from)}
        onDone={onDone}
        onDrag={(px, py) => moveMachine(acrossBack(py), alongBack(px))}
        onNudge={(right, down) => moveMachine(from.x - way * down, from.y - way * right)}
      >
        <g transform={`translate(${along(from.y)} ${across(from.x)}) rotate(${turn})`}>
          <rect x={-14} y={-9} width={26} height={18} rx={3} fill="currentColor" />
          <rect x={10} y={-4} width={10} height={8} fill="currentColor" />
        </g>
      </Handle>
      {target.kind === 'landing' && (
        <Handle
          px={corner.px}
          py={corner.py}
          name="Landing zone"
          says={`${units.length(landingZone.widthM)} wide, ${units.length(landingZone.depthM)} deep`}
          onDone={onDone}
          onDrag={(px, py) =>
            onChange(
              {
                landingZone: {
                  widthM: size((2 * (across(target.x) - py - OUTSIDE_PX)) / scale.perAcross),
                  depthM: size((2 * (px - along(targetY) - OUTSIDE_PX)) / scale.perM),
                },
              },
              'size',
            )
          }
          onNudge={(right, down) =>
            onChange({ landingZone: { widthM: size(landingZone.widthM - 2 * down), depthM: size(landingZone.depthM + 2 * right) } }, 'size')
          }
        >
          <path
            d={`M ${corner.px - OUTSIDE_PX} ${corner.py + OUTSIDE_PX} L ${corner.px} ${corner.py}`}
            stroke="var(--color-arrive)"
            strokeWidth={1.5}
            strokeDasharray="2 3"
          />
          <rect
            x={corner.px - 5}
            y={corner.py - 5}
            width={10}
            height={10}
            fill="var(--color-base-100)"
            stroke="var(--color-arrive)"
            strokeWidth={2.5}
          />
        </Handle>
      )}
      <Handle
        px={along(targetY)}
        py={across(target.x)}
        name={target.kind === 'landing' ? 'Landing spot' : 'Where it crosses the plate'}
        says={says({ x: target.x, y: targetY })}
        onDone={onDone}
        onDrag={(px, py) => moveTarget(acrossBack(py), alongBack(px))}
        onNudge={(right, down) => moveTarget(target.x - way * down, targetY - way * right)}
      >
        <circle cx={along(targetY)} cy={across(target.x)} r={7.5} fill="var(--color-base-100)" stroke="var(--color-ball)" strokeWidth={4} />
      </Handle>
      {target.kind === 'plane' && (
        <Handle
          px={along(targetY)}
          py={up(target.z)}
          name="Height over the plate"
          says={units.length(target.z)}
          onDone={onDone}
          onDrag={(_px, py) => onChange({ target: { ...target, z: Math.min(2.5, Math.max(0.1, (up(0) - py) / scale.perM)) } }, 'target')}
          onNudge={(_right, down) => onChange({ target: { ...target, z: Math.min(2.5, Math.max(0.1, target.z - down)) } }, 'target')}
        >
          <circle cx={along(targetY)} cy={up(target.z)} r={7.5} fill="var(--color-base-100)" stroke="var(--color-ball)" strokeWidth={4} />
        </Handle>
      )}
      {contactM !== null && (
        <Handle
          px={along(player.y)}
          py={up(contactM)}
          name="Where it meets the player"
          says={units.length(contactM)}
          onDone={onDone}
          onDrag={(_px, py) => onMeet((up(0) - py) / scale.perM)}
          onNudge={(_right, down) => onMeet(contactM - down)}
        >
          <circle
            cx={along(player.y)}
            cy={up(contactM)}
            r={7.5}
            fill="var(--color-arrive)"
            stroke="var(--color-base-100)"
            strokeWidth={2.5}
          />
        </Handle>
      )}
      <WindArrow weather={weather} way={way} onChange={onChange} onDone={onDone} />
      <Handle
        px={along(player.y)}
        py={across(player.x)}
        name="Player"
        says={says(player)}
        onDone={onDone}
        onDrag={(px, py) => movePlayer(acrossBack(py), alongBack(px))}
        onNudge={(right, down) => movePlayer(player.x - way * down, player.y - way * right)}
      >
        <circle
          cx={along(player.y)}
          cy={across(player.x)}
          r={10}
          fill="var(--color-arrive)"
          stroke="var(--color-base-100)"
          strokeWidth={2}
        />
      </Handle>
    </>
  );
}

const size = (m: number): number => Math.min(30, Math.max(0.2, m));

/** Where the wind arrow starts in the picture, px, and its length for 1 m/s. */
const WIND_AT = { x: 26, y: 40 };
const WIND_PX = 6;
const NUDGE_MPS = 5;

/** Blows as it would on the plan: drag its tip. */
function WindArrow({
  weather,
  way,
  onChange,
  onDone,
}: {
  weather: Setup['weather'];
  way: number;
  onChange: Props['onChange'];
  onDone: () => void;
}) {
  const units = useUnits();
  const { windXMps, windYMps } = weather;
  const speed = Math.hypot(windXMps, windYMps);
  const [dx, dy] = [-way * windYMps * WIND_PX, -way * windXMps * WIND_PX];
  const [px, py] = [WIND_AT.x + dx, WIND_AT.y + dy];
  const angle = (Math.atan2(dy, dx) * 180) / Math.PI;
  const within = (mps: number): number => Math.min(25, Math.max(-25, Math.abs(mps) < 0.15 ? 0 : mps));
  const set = (x: number, y: number): void => onChange({ weather: { ...weather, windXMps: within(x), windYMps: within(y) } }, 'wind');
  return (
    <Handle
      px={px}
      py={py}
      name="Wind"
      says={speed === 0 ? 'still' : units.speed(speed)}
      onDone={onDone}
      onDrag={(x, y) => set((-way * (y - WIND_AT.y)) / WIND_PX, (-way * (x - WIND_AT.x)) / WIND_PX)}
      onNudge={(right, down) => set(windXMps - way * down * NUDGE_MPS, windYMps - way * right * NUDGE_MPS)}
    >
      <circle cx={WIND_AT.x} cy={WIND_AT.y} r={3} fill="currentColor" />
      {speed > 0 && <line x1={WIND_AT.x} y1={WIND_AT.y} x2={px} y2={py} stroke="currentColor" strokeWidth={2.5} />}
      <path
        d="M 9 0 L -7 -7 L -3 0 L -7 7 Z"
        transform={`translate(${px} ${py}) rotate(${speed > 0 ? angle : 0})`}
        fill="var(--color-base-100)"
        stroke="currentColor"
        strokeWidth={2}
      />
      <text
        x={speed === 0 ? WIND_AT.x : 4}
        y={dy < -8 ? WIND_AT.y + 20 : WIND_AT.y - 22}
        textAnchor={speed === 0 ? 'middle' : 'start'}
        className="fill-current text-[13px] font-semibold"
        paintOrder="stroke"
        stroke="var(--color-base-100)"
        strokeWidth={4}
      >
        {speed === 0 ? 'wind' : units.speed(speed)}
      </text>
    </Handle>
  );
}
