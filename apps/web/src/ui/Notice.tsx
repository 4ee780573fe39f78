import type { HTMLAttributes } from 'react';

const EDGE = {
  error: 'border-error',
  warning: 'border-warning',
  good: 'border-secondary',
  note: 'border-base-content',
  arrive: 'border-arrive',
};

/** Something to be read first: what went wrong, what to mind, what went well. */
export function Notice({
  tone,
  loud = false,
  className = '',
  ...rest
}: HTMLAttributes<HTMLDivElement> & {
  tone: keyof typeof EDGE;
  /** Read from a step away. */
  loud?: boolean;
}) {
  return <div {...rest} className={`border-l-4 bg-base-200 p-3 ${EDGE[tone]} ${loud ? 'text-lg font-semibold' : ''} ${className}`} />;
}
