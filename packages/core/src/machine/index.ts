export { aimMachine, type MachineAim } from './aim.ts';
export { MACHINE_KINDS, type MachineProfile, machineProfileSchema, type SpinLaw, spinFor, spinLawSchema } from './profile.ts';
