import type { Sport } from '@good-arc/core';
import type { MachineRow } from '../api/rows.ts';

/** The machine to begin with for a sport: one that is made for it alone comes before one that throws others too. */
export const machineFor = (machines: readonly MachineRow[], sport: Sport | undefined): MachineRow | undefined =>
  machines
    .filter(({ profile }) => sport !== undefined && profile.sports.includes(sport))
    .sort((a, b) => a.profile.sports.length - b.profile.sports.length)[0];
