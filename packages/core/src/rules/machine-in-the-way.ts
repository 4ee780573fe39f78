import type { Found, Rule } from './subject.ts';

export type MachineInTheWay = Found<'machine-in-the-way'>;

/** The way to the target leads past the machine. */
export const machineInTheWay: Rule<MachineInTheWay> = ({ balls }) =>
  balls.some(({ pastMachine }) => pastMachine) ? { code: 'machine-in-the-way', weight: 'note', figures: {} } : null;
