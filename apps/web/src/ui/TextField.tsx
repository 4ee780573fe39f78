import { type InputHTMLAttributes, type Ref, useId } from 'react';

interface Props extends InputHTMLAttributes<HTMLInputElement> {
  label: string;
  problem?: string | undefined;
  ref?: Ref<HTMLInputElement>;
  /** The field that a dialog opens on. */
  'data-first'?: boolean;
}

/** A labelled line of text with its problem beside it; works with react-hook-form's `register`. */
export function TextField({ label, problem, className = '', ...rest }: Props) {
  const id = useId();
  return (
    <div className={className}>
      <label htmlFor={id} className="mb-0.5 block text-sm font-medium text-quiet">
        {label}
      </label>
      <input
        {...rest}
        id={id}
        aria-invalid={Boolean(problem)}
        aria-describedby={problem ? `${id}-problem` : undefined}
        className={`input h-11 w-full bg-base-100 text-base ${problem ? 'input-error border-2' : 'border-base-content/60'}`}
      />
      {problem && (
        <p id={`${id}-problem`} role="alert" className="mt-1 text-sm font-medium text-error">
          {problem}
        </p>
      )}
    </div>
  );
}
