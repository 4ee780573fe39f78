import { surface } from '../../surface.ts';

export const surfaces = [
  surface('pickleball', 'acrylic', 'Acrylic', 0.63, 0.45),
  surface('pickleball', 'wood', 'Wood gym floor', 0.64, 0.38),
];
