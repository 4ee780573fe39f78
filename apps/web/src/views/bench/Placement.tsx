import { type GameBall, planOf, type Setup } from '@good-arc/core';
import { useState } from 'react';
import { asidesOf, atLine, fromLine, nearestLine, sidesOf } from '../../ui/place.ts';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Select } from '../../ui/Select.tsx';
import { ArmSlots } from './ArmSlots.tsx';

interface SpotProps {
  name: string;
  setup: Setup;
  spot: { x: number; y: number };
  /** Which side of the net a distance from the net means. */
  side: 1 | -1;
  onSpot: (spot: { x: number; y: number }) => void;
}

/** One place on the court as distances from lines of one's choice. */
function SpotFields({ name, setup, spot, side, onSpot }: SpotProps) {
  const plan = planOf(setup);
  const [chosen, setChosen] = useState<{ x?: string; y?: string }>({});
  const lineOf = (axis: 'x' | 'y') => plan.references.find(({ id }) => id === chosen[axis]) ?? nearestLine(plan, axis, spot);
  const along = lineOf('y');
  const across = lineOf('x');
  const lines = (axis: 'x' | 'y') =>
    plan.references.filter((each) => each.axis === axis).map(({ id, name: lineName }) => [id, lineName] as const);
  const { view } = plan;
  return (
    <fieldset className="min-w-0">
      <legend className="font-semibold">{name}</legend>
      <div className="grid grid-cols-[6.6rem_1fr] gap-2">
        <QuantityField
          label={`${name}: distance ${along.at === 0 ? 'from' : 'behind'} the line`}
          labelHidden
          dimension="length"
          step={0.1}
          value={fromLine(along, spot)}
          onChange={(value) => {
            const y = Math.min(view.y2, Math.max(view.y1, atLine(along, value, side)));
            onSpot({ ...spot, y });
          }}
        />
        <Select
          label={`${name}: line across the court`}
          labelHidden
          value={along.id}
          options={lines('y').map(
            ([id, lineName]) =>
              [id, `${plan.references.find((each) => each.id === id)?.at === 0 ? 'from' : 'behind'} ${lineName}`] as const,
          )}
          onChange={(y) => setChosen({ ...chosen, y })}
        />
        <QuantityField
          label={`${name}: distance ${asidesOf(plan)[1]} of the line`}
          labelHidden
          dimension="length"
          step={0.1}
          value={fromLine(across, spot)}
          onChange={(value) => onSpot({ ...spot, x: Math.min(view.x2, Math.max(view.x1, atLine(across, value, side))) })}
        />
        <Select
          label={`${name}: line along the court`}
          labelHidden
          value={across.id}
          options={lines('x').map(([id, lineName]) => [id, `${sidesOf(plan)[1]} of ${lineName}`] as const)}
          onChange={(x) => setChosen({ ...chosen, x })}
        />
      </div>
    </fieldset>
  );
}

/** Machine, landing spot and player by distances from lines; negative is inside, or to the left. */
export function Placement({ setup, game, onChange }: { setup: Setup; game: GameBall | null; onChange: (change: Partial<Setup>) => void }) {
  const { from, target, player } = setup;
  return (
    <div className="grid gap-x-8 gap-y-3 sm:grid-cols-2 xl:grid-cols-3">
      <SpotFields
        name="Machine"
        setup={setup}
        spot={from}
        side={from.y < 0 ? -1 : 1}
        onSpot={(spot) => onChange({ from: { ...from, ...spot } })}
      />
      {target.kind === 'landing' ? (
        <SpotFields name="Lands" setup={setup} spot={target} side={-1} onSpot={(spot) => onChange({ target: { ...target, ...spot } })} />
      ) : (
        <fieldset>
          <legend className="font-semibold">Over the plate</legend>
          <div className="grid grid-cols-2 gap-2">
            <QuantityField
              label="Height"
              dimension="length"
              step={0.05}
              min={0.1}
              max={2.5}
              value={target.z}
              onChange={(z) => onChange({ target: { ...target, z } })}
            />
            <QuantityField
              label="Right of the middle"
              dimension="length"
              step={0.05}
              min={-3}
              max={3}
              value={target.x}
              onChange={(x) => onChange({ target: { ...target, x } })}
            />
          </div>
        </fieldset>
      )}
      <SpotFields name="Player" setup={setup} spot={player} side={-1} onSpot={(spot) => onChange({ player: spot })} />
      {target.kind === 'plane' && <ArmSlots setup={setup} game={game} onChange={onChange} />}
      <p className="text-sm text-quiet sm:col-span-2 xl:col-span-3">
        Type any unit: 5'6", 5 ft 6, 1.7 m. A minus is inside the line, or to the {sidesOf(planOf(setup))[0]}.
      </p>
    </div>
  );
}
