import { surface } from '../../surface.ts';

export const surfaces = [
  surface('tennis', 'clay', 'Clay', 0.85, 0.75),
  surface('tennis', 'acrylic-medium', 'Acrylic, medium', 0.81, 0.62),
  surface('tennis', 'acrylic-fast', 'Acrylic, fast', 0.79, 0.57),
  surface('tennis', 'carpet', 'Indoor carpet', 0.78, 0.58),
  surface('tennis', 'grass', 'Grass', 0.76, 0.55),
];
