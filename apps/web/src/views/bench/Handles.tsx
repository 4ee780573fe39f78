import { COURT_PLANS, type Setup } from '@good-arc/core';
import { describeSpot } from '../../ui/place.ts';
import type { RulerScale } from '../../ui/scale.ts';
import { useUnits } from '../../ui/Units.tsx';
import { Handle } from './Handle.tsx';

interface Props {
  setup: Setup;
  scale: RulerScale;
  /** Height → y of the picture. */
  up: (z: number) => number;
  onChange: (change: Partial<Setup>, key: string) => void;
  onDone: () => void;
}

/** Machine, landing spot, player, and for a pitch the height over the plate: what can be moved on the ruler. */
export function Handles({ setup, scale, up, onChange, onDone }: Props) {
  const { along, across, alongBack, acrossBack } = scale;
  const plan = COURT_PLANS[setup.sport];
  const units = useUnits();
  const { view } = plan;
  const within = (x: number, y: number): { x: number; y: number } => ({
    x: Math.min(view.x2, Math.max(view.x1, x)),
    y: Math.min(view.y2, Math.max(view.y1, y)),
  });
  const { from, target, player } = setup;
  const targetY = target.kind === 'landing' ? target.y : target.planeY;
  // a machine and its target must stay apart, and on their own sides
  const moveMachine = (x: number, y: number): void => {
    const spot = within(x, y);
    onChange({ from: { ...from, x: spot.x, y: Math.max(spot.y, targetY + 1) } }, 'machine');
  };
  const moveTarget = (x: number, y: number): void => {
    const spot = within(x, y);
    onChange(
      { target: target.kind === 'landing' ? { ...target, x: spot.x, y: Math.min(spot.y, from.y - 1) } : { ...target, x: spot.x } },
      'target',
    );
  };
  const movePlayer = (x: number, y: number): void => {
    const spot = within(x, y);
    onChange({ player: setup.sport === 'baseball' ? { ...player, x: spot.x } : { x: spot.x, y: Math.min(spot.y, from.y - 1) } }, 'player');
  };
  const says = (spot: { x: number; y: number }): string => describeSpot(plan, spot, units.length);
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
        onNudge={(right, down) => moveMachine(from.x - down, from.y - right)}
      >
        <g transform={`translate(${along(from.y)} ${across(from.x)}) rotate(${turn})`}>
          <rect x={-14} y={-9} width={26} height={18} rx={3} fill="currentColor" />
          <rect x={10} y={-4} width={10} height={8} fill="currentColor" />
        </g>
      </Handle>
      <Handle
        px={along(targetY)}
        py={across(target.x)}
        name={target.kind === 'landing' ? 'Landing spot' : 'Where it crosses the plate'}
        says={says({ x: target.x, y: targetY })}
        onDone={onDone}
        onDrag={(px, py) => moveTarget(acrossBack(py), alongBack(px))}
        onNudge={(right, down) => moveTarget(target.x - down, targetY - right)}
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
      <Handle
        px={along(player.y)}
        py={across(player.x)}
        name="Player"
        says={says(player)}
        onDone={onDone}
        onDrag={(px, py) => movePlayer(acrossBack(py), alongBack(px))}
        onNudge={(right, down) => movePlayer(player.x - down, player.y - right)}
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
