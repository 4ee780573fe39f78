import { type DialPlace, dialPlaceSchema } from '@good-arc/core';
import type { Command, CommandBody, Program } from '@good-arc/line';
import { z } from 'zod';

/** What a simulated machine has besides the protocol, as its greeting names it. */
export const SIMULATION = 'simulation';

export const FAULTS = ['jam', 'misfeed', 'drop-link', 'silence', 'flat-battery'] as const;
export type Fault = (typeof FAULTS)[number];

const faultSchema = z.strictObject({ fault: z.enum(FAULTS) });
/** Where a person's hand set the dials: the simulation throws by its own law of them, which nobody is told. A real machine throws as they stand. */
const ofProgramSchema = z.strictObject({ dials: z.array(dialPlaceSchema).max(12) });

/** Makes a fault happen. */
export const simulateFault = (fault: Fault): CommandBody => ({ do: 'extra', of: SIMULATION, with: { fault } });

/** Says with a program where the dials stand. */
export const withDials = (dials: readonly DialPlace[]): Pick<Program, 'extra'> => ({ extra: { [SIMULATION]: { dials } } });

/** The fault that a command asks for; null for another command. */
export function faultOf(command: Command): Fault | null {
  if (command.do !== 'extra' || command.of !== SIMULATION) return null;
  return faultSchema.safeParse(command.with).data?.fault ?? null;
}

/** Where a program says that the dials stand: none when it says nothing, null when what it says is no list of dials. */
export function dialsOf({ extra }: Program): DialPlace[] | null {
  const said = extra?.[SIMULATION];
  return said === undefined ? [] : (ofProgramSchema.safeParse(said).data?.dials ?? null);
}
