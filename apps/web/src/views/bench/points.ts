export type Point = readonly [t: number, x: number, y: number, z: number];

/** To the tenth of a pixel. Written with a fixed number of digits, the thousands of a drag took a third of its time. */
const tenth = (px: number): number => Math.round(px * 10) / 10;

/** A path as the points of a polyline. */
export function points(path: readonly Point[], to: (point: Point) => [number, number]): string {
  let text = '';
  for (const point of path) {
    const [x, y] = to(point);
    text += `${text === '' ? '' : ' '}${tenth(x)},${tenth(y)}`;
  }
  return text;
}

/** Several paths as one line with gaps, as a path of a drawing takes it. */
export const strokesOf = (paths: readonly (readonly Point[])[], to: (point: Point) => [number, number]): string =>
  paths.map((path) => `M${points(path, to)}`).join('');
