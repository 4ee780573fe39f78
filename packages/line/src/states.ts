import type { Action, MachineState, RefusalCode } from './protocol.ts';

export type Move = { to: MachineState } | { refused: RefusalCode; text: string };

const go = (to: MachineState): Move => ({ to });
const no = (refused: RefusalCode, text: string): Move => ({ refused, text });

const notReady = no('not-ready', 'Not armed yet: wait until the machine is ready.');
const nothingArmed = no('nothing-armed', 'Nothing is armed: arm a rung first.');
const nothingHeld = no('nothing-held', 'Nothing is on hold.');
const inFault = no('fault', 'Clear the fault first.');

/**
 * Every state and every action. Hold and stow are accepted in every state.
 * `resume` goes through `arming`, since the wheels may have stopped while it was held.
 */
export const TRANSITIONS: Readonly<Record<MachineState, Readonly<Record<Action, Move>>>> = {
  stowed: { arm: go('arming'), feed: nothingArmed, hold: go('stowed'), resume: nothingHeld, stow: go('stowed'), clear: go('stowed') },
  idle: { arm: go('arming'), feed: nothingArmed, hold: go('idle'), resume: nothingHeld, stow: go('stowed'), clear: go('idle') },
  arming: { arm: go('arming'), feed: notReady, hold: go('held'), resume: nothingHeld, stow: go('stowed'), clear: go('arming') },
  ready: { arm: go('arming'), feed: go('feeding'), hold: go('held'), resume: nothingHeld, stow: go('stowed'), clear: go('ready') },
  feeding: {
    arm: no('busy', 'Hold or stow before arming something else.'),
    feed: no('busy', 'It is feeding already.'),
    hold: go('held'),
    resume: nothingHeld,
    stow: go('stowed'),
    clear: go('feeding'),
  },
  held: {
    arm: go('arming'),
    feed: no('not-ready', 'It is on hold: resume instead.'),
    hold: go('held'),
    resume: go('arming'),
    stow: go('stowed'),
    clear: go('held'),
  },
  fault: { arm: inFault, feed: inFault, hold: go('fault'), resume: inFault, stow: go('stowed'), clear: go('idle') },
};

/** States in which wheels may turn, so that a lost heartbeat must stop them. */
export const LIVE_STATES: readonly MachineState[] = ['arming', 'ready', 'feeding', 'held'];
