import type { CourtId } from '@good-arc/core';
import { useEffect, useState } from 'react';
import type { MachineRow } from '../../api/rows.ts';
import { keepToday, keptToday } from '../../device/kept.ts';
import { isHandFed } from '../../ui/around.ts';

/**
 * Balls thrown today since somebody picked up, or refilled: from round to round on this device.
 * @param key what is counted, and where
 * @param thrown in this round
 */
function useSince(key: string, thrown: number) {
  const [before, setBefore] = useState(0);

  useEffect(() => {
    void keptToday('since', key).then((kept) => kept && setBefore(kept.balls));
  }, [key]);

  function keep(balls: number): void {
    keepToday(key, { balls });
    setBefore(balls);
  }

  return {
    balls: Math.max(0, before + thrown),
    fromZero: (): void => keep(-thrown),
    /** The round is over: its balls still count. */
    roundOver: (): void => keep(before + thrown),
  };
}

/**
 * Where the balls are: those that lie about on the court, and those left in the hopper.
 * @param said by a machine on a line; without one those thrown since its hopper was filled are counted
 * @param onRefilled tells the machine
 */
export function useStock(
  courtId: CourtId,
  machine: MachineRow,
  thrown: number,
  said: { hopper: number } | null | undefined,
  onRefilled: () => void,
) {
  const lying = useSince(`lying:${courtId}`, thrown);
  const gone = useSince(`hopper:${machine.id}`, thrown);
  const counted = isHandFed(machine.profile) ? null : machine.profile.hopper - gone.balls;
  return {
    lying: lying.balls,
    pickedUp: lying.fromZero,
    /** Null where a hand feeds each ball, or nobody knows. */
    hopper: said === undefined ? counted : (said?.hopper ?? null),
    refilled(): void {
      gone.fromZero();
      onRefilled();
    },
    roundOver(): void {
      lying.roundOver();
      gone.roundOver();
    },
  };
}
