export type Point = readonly [t: number, x: number, y: number, z: number];

/** A path as the points of a polyline. */
export const points = (path: readonly Point[], to: (point: Point) => [number, number]): string =>
  path
    .map((point) =>
      to(point)
        .map((v) => v.toFixed(1))
        .join(','),
    )
    .join(' ');
