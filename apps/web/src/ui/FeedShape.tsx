/** A shape for each feed of a rung, so that a sequence can be read without colours. */
const SHAPES = [
  'M8 2a6 6 0 1 0 0 12a6 6 0 1 0 0-12z',
  'M8 1 15 8 8 15 1 8z',
  'M8 2 15 14H1z',
  'M3 3h10v10H3z',
  'M1 6h14v4H1z',
  'M6 1h4v14H6z',
];
const FILLS = ['var(--color-ball)', 'var(--color-base-content)', 'var(--color-arrive)'];

export function FeedShape({ index, size = 14 }: { index: number; size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 16 16" aria-hidden="true" className="shrink-0">
      <path d={SHAPES[index % SHAPES.length]} fill={FILLS[index % FILLS.length]} />
    </svg>
  );
}
