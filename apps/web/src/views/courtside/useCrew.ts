import type { programOf, RungDocument } from '@good-arc/core';
import type { MachineRow } from '../../api/rows.ts';
import type { CourtsideCommand } from '../../api/schemas.ts';
import { type MachineView, useMachine } from '../../ui/useMachine.ts';

type Release = Parameters<Parameters<typeof useMachine>[2]['release']>[0];

/** The word for two machines: the most urgent of theirs. */
const URGENT = ['fault', 'unknown', 'held', 'arming', 'feeding', 'ready', 'idle', 'stowed'];
const join = (states: readonly string[]): string => URGENT.find((each) => states.includes(each)) ?? 'unknown';

/**
 * The machines of a rung, one or two, as one: what is told to them goes to each that has balls left, and each ball is known by its number in the
 * round, whichever machine threw it.
 * @param program of the round, ball by ball, as it stands
 * @param hasLine the first machine is worked by its line
 * @param offset balls of the round that were thrown before the machines were armed last
 */
export function useCrew(
  main: MachineRow,
  second: MachineRow | null,
  hasLine: boolean,
  document: RungDocument,
  program: ReturnType<typeof programOf>,
  offset: () => number,
  on: { release: (ball: number, event: Release) => void; misfeed: (ball: number) => void; reading: (ball: number, mps: number) => void },
) {
  const isSecond = (index: number): boolean => second !== null && document.feeds[index]!.machineId === second.id;
  const mine = (ofSecond: boolean): number[] =>
    program.flatMap(({ index }, i) => (isSecond(index) === ofSecond && i >= offset() ? [i + 1] : []));
  /** A machine counts its own balls from one each time it is armed. */
  const handlers = (ofSecond: boolean) => {
    const numberOf = (seq: number): number => mine(ofSecond)[seq - 1] ?? seq + offset();
    return {
      release: (event: Release) => on.release(numberOf(event.seq), event),
      misfeed: (seq: number) => on.misfeed(numberOf(seq)),
      reading: (seq: number, mps: number) => on.reading(numberOf(seq), mps),
    };
  };
  const secondLine = hasLine && second !== null && second.linkAddress !== '';
  const one = useMachine(main.id, hasLine, handlers(false));
  const other = useMachine(second?.id ?? '', secondLine, handlers(true));

  const stateOf = ({ status }: MachineView): string => status?.state ?? 'unknown';
  const state = !hasLine ? 'by hand' : secondLine ? join([stateOf(one.view), stateOf(other.view)]) : stateOf(one.view);
  const dues = [one.view.dueAt, ...(secondLine ? [other.view.dueAt] : [])].filter((each) => each !== null);
  const view: MachineView = secondLine
    ? {
        ...one.view,
        serverUp: one.view.serverUp && other.view.serverUp,
        linkUp: one.view.linkUp && other.view.linkUp,
        dueAt: dues.length > 0 ? Math.min(...dues) : null,
      }
    : one.view;

  /** To one machine, or to both; who has no ball left of this round is not armed. @param from balls thrown before */
  async function tell(body: CourtsideCommand, from = 0): Promise<{ ok: boolean; text?: string }> {
    if (!secondLine) return one.command(body);
    const needs = (ofSecond: boolean): boolean =>
      (body.do !== 'arm' && body.do !== 'feed') || program.some(({ index }, i) => i >= from && isSecond(index) === ofSecond);
    const replies = await Promise.all([...(needs(false) ? [one.command(body)] : []), ...(needs(true) ? [other.command(body)] : [])]);
    // one that has other balls than the other would throw into it
    if (body.do === 'rest' && replies.some(({ ok }) => !ok)) {
      await Promise.all([one.command({ do: 'hold' }), other.command({ do: 'hold' })]);
      return { ok: false, text: 'One of the machines did not take it: both are on hold. Arm them again.' };
    }
    return replies.find(({ ok }) => !ok && (body.do === 'arm' || body.do === 'feed')) ?? replies.find(({ ok }) => ok) ?? replies[0]!;
  }

  return {
    view,
    state,
    tell,
    /** Balls the first machine has to throw from here, as it counts them. */
    ownLeft: mine(false).length,
    hasTwoLines: secondLine,
    secondState: secondLine ? stateOf(other.view) : null,
    /** The feed of a ball of the round, by its number from 1. */
    feedOf: (ball: number) => (program[ball - 1] ? document.feeds[program[ball - 1]!.index]! : null),
    secondsAfter: (ball: number): number => program[ball - 1]?.thenS ?? document.intervalS,
  };
}
