export { type Air, ALTITUDE_M, airDensity, isaPressurePa, saturationPressurePa } from './air.ts';
export { bounce, type Ground, type Motion } from './bounce.ts';
export { advanceToGround, type Bounce, bounceOff, type Conditions, type Crossing, type Flight, type FlyOptions, fly } from './fly.ts';
export { type AeroLaw, coefficients, FELT, holed, krpm, SEAMED } from './laws.ts';
export { spinDragAt } from './spin-drag.ts';
export { GRAVITY, type Launch, Stepper, type Wind } from './stepper.ts';
