export { type Parsed, parseQuantity } from './parse.ts';
export {
  printAngle,
  printBreak,
  printCount,
  printLength,
  printShare,
  printSpeed,
  printSpin,
  printTemperature,
  printTime,
} from './print.ts';
export {
  type Dimension,
  degToRad,
  ftToM,
  inToM,
  mphToMps,
  mpsToMph,
  mToFt,
  radPerSToRpm,
  radToDeg,
  rpmToRadPerS,
  shortTurnDeg,
  UNIT_OF,
  type UnitSystem,
  within,
  wrapDeg,
} from './units.ts';
