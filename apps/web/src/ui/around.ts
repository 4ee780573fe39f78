import { type Around, ageIn, type MachineProfile, type PlayerId, type RungDocument } from '@good-arc/core';
import type { Kit, PlayerRow } from '../api/rows.ts';

/** Years somebody is known to have reached; null where the year of birth was not given. */
export const ageOf = (player: Pick<PlayerRow, 'bornYear'> | undefined): number | null =>
  ageIn(player?.bornYear ?? null, new Date().getFullYear());

/** Whether somebody drops in every ball of a machine. */
export const isHandFed = ({ hopper }: Pick<MachineProfile, 'hopper'>): boolean => hopper === 1;

/** What is known beside a rung: its court, its machine, and who hits. @param playerId empty when nobody is chosen */
export function aroundOf(
  { courts, machines, players }: Pick<Kit, 'courts' | 'machines' | 'players'>,
  { courtId, machineId }: Pick<RungDocument, 'courtId' | 'machineId'>,
  playerId: PlayerId = '',
): Around {
  const court = courts.find(({ id }) => id === courtId);
  const machine = machines.find(({ id }) => id === machineId);
  return {
    ageYears: ageOf(players.find(({ id }) => id === playerId)),
    ...(court && { indoors: court.indoor }),
    ...(machine && { handFed: isHandFed(machine.profile) }),
  };
}
