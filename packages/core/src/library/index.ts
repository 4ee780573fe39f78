export { type Drill, type DrillBall, type DrillRung, PURPOSES, type Purpose } from '../catalog/drill.ts';
export { LIBRARY } from '../catalog/drills.ts';
export { type Cure, type DrillQuestion, type Fitted, fitDrill } from './fit.ts';
