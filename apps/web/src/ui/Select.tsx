import { useId } from 'react';

interface Props<T extends string> {
  label: string;
  value: T;
  options: readonly (readonly [value: T, name: string])[];
  onChange: (value: T) => void;
  labelHidden?: boolean;
  className?: string;
}

/** A labelled choice. */
export function Select<T extends string>({ label, value, options, onChange, labelHidden = false, className = '' }: Props<T>) {
  const id = useId();
  return (
    <div className={`min-w-0 ${className}`}>
      <label htmlFor={id} className={labelHidden ? 'sr-only' : 'mb-0.5 block text-sm font-medium text-quiet'}>
        {label}
      </label>
      <select
        id={id}
        className="select block h-11 py-0 leading-[2.6rem] w-full min-w-0 border-base-content/60 bg-base-100 pr-7 pl-2.5 text-base text-ellipsis"
        value={value}
        onChange={(event) => onChange(event.target.value as T)}
      >
        {options.map(([each, name]) => (
          <option key={each} value={each}>
            {name}
          </option>
        ))}
      </select>
    </div>
  );
}
