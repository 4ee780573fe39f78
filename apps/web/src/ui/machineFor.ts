import type { Sport } from '@good-arc/core';
import type { MachineRow } from '../api/rows.ts';

/** Made for this sport alone comes before throwing others too; on a line before worked by hand. */
const rank = ({ profile, linkAddress }: MachineRow): number => 2 * profile.sports.length + Number(linkAddress === '');

/** The machine to begin with for a sport. */
export const machineFor = (machines: readonly MachineRow[], sport: Sport | undefined): MachineRow | undefined =>
  machines.filter(({ profile }) => sport !== undefined && profile.sports.includes(sport)).sort((a, b) => rank(a) - rank(b))[0];
