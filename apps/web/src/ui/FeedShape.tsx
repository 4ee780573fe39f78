/** A shape for each feed of a rung, so that a sequence can be read without colours: 16 wide, from there on. */
const SHAPES: readonly ((x: number) => string)[] = [
  (x) => `M${x + 8} 2a6 6 0 1 0 0 12a6 6 0 1 0 0-12z`,
  (x) => `M${x + 8} 1l7 7l-7 7l-7-7z`,
  (x) => `M${x + 8} 2l7 12h-14z`,
  (x) => `M${x + 3} 3h10v10h-10z`,
  (x) => `M${x + 1} 6h14v4h-14z`,
  (x) => `M${x + 6} 1h4v14h-4z`,
];
const FILLS = ['var(--color-ball)', 'var(--color-base-content)', 'var(--color-arrive)'];

const shapeOf = (feed: number, x = 0): string => SHAPES[feed % SHAPES.length]!(x);

export function FeedShape({ index, size = 14 }: { index: number; size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 16 16" aria-hidden="true" className="shrink-0">
      <path d={shapeOf(index)} fill={FILLS[index % FILLS.length]} />
    </svg>
  );
}

/** A shape with the room beside it. */
const STEP = 18;

/** The shapes of balls that follow each other, in one drawing: a ladder has hundreds of them. */
export function FeedStrip({ feeds, size = 14 }: { feeds: readonly number[]; size?: number }) {
  const wide = STEP * feeds.length;
  return (
    <svg width={(wide * size) / 16} height={size} viewBox={`0 0 ${wide} 16`} aria-hidden="true" className="max-w-full">
      {FILLS.map((fill, kind) => {
        const d = feeds.map((feed, i) => (feed % FILLS.length === kind ? shapeOf(feed, STEP * i) : '')).join('');
        return d && <path key={fill} d={d} fill={fill} />;
      })}
    </svg>
  );
}
