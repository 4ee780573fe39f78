import { positions as inFeet } from '../diamond/field.ts';

export const positions = inFeet([
  [0, 40],
  [0, -4],
  [42, 58],
  [25, 85],
  [-42, 58],
  [-27, 85],
  [-100, 165],
  [0, 205],
  [100, 165],
]);
