/** Half of its width and height, px. */
const ARM = 11;

/** The cross that keys move on a picture, see `useCross`. */
export const Cross = ({ px, py }: { px: number; py: number }) => (
  <g stroke="currentColor" strokeWidth={2} aria-hidden="true">
    <line x1={px - ARM} x2={px + ARM} y1={py} y2={py} />
    <line x1={px} x2={px} y1={py - ARM} y2={py + ARM} />
  </g>
);
