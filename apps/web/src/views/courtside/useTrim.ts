import { isThrownFrom, type MachineTrim, NO_TRIM, type RungDocument, trimAll } from '@good-arc/core';
import { useEffect, useState } from 'react';
import type { MachineRow, RungRow } from '../../api/rows.ts';
import { type Kept, keepToday, keptToday } from '../../device/kept.ts';
import { device } from '../../device/store.ts';

/** What the first ball of a rung was trimmed by. */
export type Trimmed = Omit<Kept<'trim'>, 'rungId'>;

const NOT_TRIMMED: Trimmed = { by: NO_TRIM, readings: {} };

/** What the machine is trimmed by today: all of it on the rung it was tried on; on others only how much slower or faster it throws, for it may have been moved. */
export function useTrim({ id: rungId, document: card }: Pick<RungRow, 'id' | 'document'>, machine: MachineRow) {
  const key = `trim:${machine.id}`;
  const [trimmed, setTrimmed] = useState(NOT_TRIMMED);
  const [isTrying, setIsTrying] = useState(false);
  useEffect(() => {
    void keptToday('trim', key).then((kept) => {
      if (!kept) return;
      const { speedShare } = kept.by;
      setTrimmed(kept.rungId === rungId ? kept : { by: { ...NO_TRIM, speedShare }, readings: {} });
    });
  }, [key, rungId]);

  /** With what the air asks, too, it is no more than a trim of the card. */
  const trimmedBy = (rung: RungDocument, by: MachineTrim): RungDocument | null => {
    const next = trimAll(rung, by, machine.profile);
    return next && isThrownFrom(next, card) ? next : null;
  };

  return {
    ...trimmed,
    /** The first ball is tried by itself. */
    isTrying,
    setIsTrying,
    /** A rung of this machine as it is trimmed; as it is where that is more than a trim of it. */
    of: (rung: RungDocument): RungDocument => trimmedBy(rung, trimmed.by) ?? rung,
    /** Whether so much can be trimmed of a rung. */
    can: (rung: RungDocument, by: MachineTrim): boolean => trimmedBy(rung, by) !== null,
    keep({ by, readings }: Trimmed): void {
      keepToday(key, { rungId, by, readings });
      setTrimmed({ by, readings });
    },
    clear(): void {
      device().removeItem(key);
      setTrimmed(NOT_TRIMMED);
    },
  };
}
