import type { Dial } from '../../dial/dial.ts';
import type { MachineProfile } from '../../machine/profile.ts';
import type { MachineKind } from '../machine-kind.ts';
import { KINDS } from './registry.ts';

/** Lightest first. */
const BY_MASS: readonly MachineKind[] = [...KINDS].sort((a, b) => a.profile.massKg - b.profile.massKg);

/** Generic kinds to start a machine record from. Common practice, from memory: every figure is meant to be edited. */
export const MACHINE_KINDS: readonly MachineProfile[] = BY_MASS.map(({ profile }) => profile);

/** Dials to start from, for a machine of this kind; common practice, from memory. A programmable machine is set in figures and has none. */
export const firstDials = ({ kind }: Pick<MachineProfile, 'kind'>): Dial[] =>
  (BY_MASS.find(({ profile }) => profile.kind === kind)?.dials ?? []).map((each) => ({ ...each, scale: { ...each.scale } }));
