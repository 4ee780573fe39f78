export { aimMachine, type MachineAim, type PlaceQuestion, questionFor, speedsOf, type Thrower } from './aim.ts';
export {
  type ByHand,
  type Capability,
  type ClickTrim,
  capability,
  clicksFor,
  type DialledMachine,
  type DialSetting,
} from './capability.ts';
export { type Checklist, checklistSchema, firstChecklist } from './checks.ts';
export { expectedRange, placeOfDial } from './dials.ts';
export { MOTION, reachS } from './motion.ts';
export { type MachineProfile, machineProfileSchema, type SpinLaw, spinLawSchema } from './profile.ts';
export { speedShareOn } from './shift.ts';
export { spinFor } from './spin.ts';
export { type MachineToday, machineTodaySchema } from './today.ts';
