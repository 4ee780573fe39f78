import { type Dimension, mphToMps, parseQuantity } from '@good-arc/core';
import { useId, useState } from 'react';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { useUnits } from '../../ui/Units.tsx';

/** A list of settings that a machine has, typed with commas between: `25, 31, 37 mph`. */
export function StepsField({
  label,
  dimension,
  values,
  onChange,
  className = '',
}: {
  className?: string;
  label: string;
  dimension: Dimension;
  values: readonly number[];
  onChange: (values: number[]) => void;
}) {
  const { system, print } = useUnits();
  const [text, setText] = useState<string | null>(null);
  const [problem, setProblem] = useState('');
  const id = useId();

  function commit(typed: string): void {
    const read = typed
      .split(/[;,]/)
      .map((each) => each.trim())
      .filter(Boolean)
      .map((each) => parseQuantity(each, dimension, system));
    const wrong = read.find((each) => !each.ok);
    setProblem(wrong && !wrong.ok ? wrong.problem : '');
    if (wrong) return;
    setText(null);
    onChange(read.flatMap((each) => (each.ok ? [each.value] : [])).sort((a, b) => a - b));
  }

  return (
    <div className={className}>
      <label htmlFor={id} className="mb-0.5 block text-sm font-medium text-quiet">
        {label}
      </label>
      <input
        id={id}
        className={`input dial h-11 w-full min-w-0 bg-base-100 px-1.5 text-[0.95rem] tracking-tighter ${problem ? 'input-error border-2' : 'border-base-content/60'}`}
        value={text ?? values.map((each) => print(each, dimension)).join(', ')}
        autoComplete="off"
        aria-invalid={problem !== ''}
        aria-describedby={problem ? `${id}-problem` : undefined}
        onChange={(event) => setText(event.target.value)}
        onBlur={() => text !== null && commit(text)}
      />
      {problem && (
        <p id={`${id}-problem`} role="alert" className="mt-1 text-sm font-medium text-error">
          {problem}
        </p>
      )}
    </div>
  );
}

const AT_MPH = 40;

/** The spin that a wheel gives along with the speed, told at a speed one knows. */
export function TiedSpin({ rpmPerMps, onChange }: { rpmPerMps: number; onChange: (rpmPerMps: number) => void }) {
  const units = useUnits();
  const at = mphToMps(AT_MPH);
  return (
    <QuantityField
      label={`Topspin at ${units.speed(at)}; it follows the speed`}
      dimension="spin"
      min={-200 * at}
      max={200 * at}
      step={50}
      value={rpmPerMps * at}
      onChange={(rpm) => onChange(rpm / at)}
      hint="minus is backspin"
    />
  );
}
