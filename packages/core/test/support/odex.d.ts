/** The part of the `odex` package that the checks use; the package ships its own sources, which do not pass this project's strict settings. */
export class Solver {
  constructor(dimension: number);
  absoluteTolerance: number;
  relativeTolerance: number;
  denseOutput: boolean;
  solve(
    f: (x: number, y: number[]) => number[],
    x0: number,
    y0: number[],
    xEnd: number,
    solOut?: (n: number, xOld: number, x: number, y: number[], interpolate: (i: number, x: number) => number) => boolean | undefined,
  ): { y: number[]; nEval: number };
}
