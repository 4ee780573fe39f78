export { type Endpoint, endpointOf } from './endpoint.ts';
export { type Covariance, chanceInRectangle, normalCdf, normals } from './normal.ts';
export { type Effect, KNOBS, type Knob, type Sensitivity, sensitivity } from './sensitivity.ts';
export {
  type Chances,
  type LinearSpread,
  linearSpread,
  type SampledSpread,
  type SpreadQuestion,
  sampledSpread,
  thrownOff,
} from './spread.ts';
export { type Correction, type Miss, trim } from './trim.ts';
