import { surface } from '../../surface.ts';

export const surfaces = [
  surface('pickleball', 'acrylic', 'Acrylic', 0.67, 0.45),
  surface('pickleball', 'wood', 'Wood gym floor', 0.68, 0.38),
];
