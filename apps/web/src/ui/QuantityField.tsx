import { type Dimension, parseQuantity } from '@good-arc/core';
import { useEffect, useId, useState } from 'react';
import { useUnits } from './Units.tsx';

interface Props {
  label: string;
  value: number;
  dimension: Dimension;
  onChange: (value: number) => void;
  min?: number;
  max?: number;
  /** Change for one press of ↑ or ↓; Shift makes it five times as much, Alt a fifth. */
  step?: number;
  /** Decimals of a time. */
  digits?: number;
  hint?: string;
  labelHidden?: boolean;
  className?: string;
  /** Name of the owner of the limits, for the message: “Bramble”. */
  limitOf?: string;
}

/** A quantity a person types in any unit. What is typed wrong stays, with what would be right beside it. */
export function QuantityField({
  label,
  value,
  dimension,
  onChange,
  min,
  max,
  step,
  digits = 1,
  hint,
  labelHidden = false,
  className = '',
  limitOf,
}: Props) {
  const { system, print } = useUnits();
  const [text, setText] = useState<string | null>(null);
  const [problem, setProblem] = useState('');
  const id = useId();

  // a change from elsewhere (a drag, an undo) replaces what was typed
  // biome-ignore lint/correctness/useExhaustiveDependencies: only the value counts
  useEffect(() => {
    setText(null);
    setProblem('');
  }, [value, system]);

  const outside = (next: number): string => {
    const whose = limitOf ? `${limitOf} ` : '';
    if (min !== undefined && next < min - 1e-9) return `${whose}${limitOf ? 'cannot go below' : 'At least'} ${print(min, dimension)}.`;
    if (max !== undefined && next > max + 1e-9) return `${whose}${limitOf ? 'cannot go above' : 'At most'} ${print(max, dimension)}.`;
    return '';
  };

  function commit(typed: string): void {
    const parsed = parseQuantity(typed, dimension, system);
    const wrong = parsed.ok ? outside(parsed.value) : parsed.problem;
    setProblem(wrong);
    if (wrong || !parsed.ok) return;
    setText(null);
    if (Math.abs(parsed.value - value) > 1e-9) onChange(parsed.value);
  }

  function nudge(direction: number, { shiftKey, altKey }: { shiftKey: boolean; altKey: boolean }): void {
    const next = value + direction * (step ?? 0) * (shiftKey ? 5 : altKey ? 0.2 : 1);
    const wrong = outside(next);
    setProblem(wrong);
    if (!wrong) onChange(next);
  }

  return (
    <div className={className}>
      <label htmlFor={id} className={labelHidden ? 'sr-only' : 'mb-0.5 block text-sm font-medium text-quiet'}>
        {label}
      </label>
      <input
        id={id}
        className={`input dial h-11 w-full min-w-0 bg-base-100 px-1.5 text-[0.95rem] tracking-tighter ${problem ? 'input-error border-2' : 'border-base-content/60'}`}
        value={text ?? print(value, dimension, digits)}
        inputMode={dimension === 'length' ? 'text' : 'decimal'}
        autoComplete="off"
        aria-invalid={problem !== ''}
        aria-describedby={problem ? `${id}-problem` : hint ? `${id}-hint` : undefined}
        onChange={(event) => setText(event.target.value)}
        onFocus={(event) => event.target.select()}
        onBlur={() => text !== null && commit(text)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') {
            event.preventDefault();
            commit(text ?? print(value, dimension, digits));
          } else if (event.key === 'Escape') {
            setText(null);
            setProblem('');
          } else if (step !== undefined && text === null && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
            event.preventDefault();
            nudge(event.key === 'ArrowUp' ? 1 : -1, event);
          }
        }}
      />
      {problem ? (
        <p id={`${id}-problem`} role="alert" className="mt-1 text-sm font-medium text-error">
          {problem}
        </p>
      ) : (
        hint && (
          <p id={`${id}-hint`} className="mt-0.5 text-sm text-quiet">
            {hint}
          </p>
        )
      )}
    </div>
  );
}
