import { positions as inFeet } from '../diamond/field.ts';

export const positions = inFeet([
  [0, 57],
  [0, -4],
  [62, 85],
  [38, 125],
  [-62, 85],
  [-40, 125],
  [-145, 240],
  [0, 315],
  [145, 240],
]);
