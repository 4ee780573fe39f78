import { diamondOf, type PlayerId, type RungDocument, type Sport } from '@good-arc/core';
import { useMemo } from 'react';
import type { MachineRow, RungRow } from '../../api/rows.ts';
import { useHalf } from './useHalf.ts';
import { useSecret } from './useSecret.ts';
import { useToday } from './useToday.ts';
import { useTrim } from './useTrim.ts';

/**
 * What the next round off a rung is: turned for the air of today, with its speeds in secret, trimmed as its machine is, to a target of its hitter’s own, in
 * this order and each only where it was asked for. What may be armed is held to the same (`isThrownFrom`).
 * @param after the round that was finished last on this page
 */
export function useAhead({
  rung,
  sport,
  machine,
  second,
  ceilingM,
  hasLine,
  playerId,
  wantsHalf,
  after,
}: {
  rung: RungRow;
  sport: Sport;
  machine: MachineRow;
  second: MachineRow | null;
  ceilingM: number | null;
  hasLine: boolean;
  playerId: PlayerId | '';
  /** A plan asks for the target that half would hit. */
  wantsHalf: boolean;
  after: string;
}) {
  const today = useToday(rung.document, { sport, machine, ceilingM });
  // only a machine on a line turns by itself
  const secret = useSecret(today.document, today.venue, hasLine && !second, after);
  const trim = useTrim(rung, machine);
  const target = useHalf(rung.id, rung.document.hitters || diamondOf(sport) ? '' : playerId, wantsHalf, after);
  const dealt = secret.rung ?? today.document;
  // biome-ignore lint/correctness/useExhaustiveDependencies: its target is sized by these
  const card = useMemo((): RungDocument => target.of(dealt), [dealt, target.half, target.isTaken]);
  // a machine on a line throws it as it was trimmed; elsewhere hands turn that
  // biome-ignore lint/correctness/useExhaustiveDependencies: it is trimmed by this
  const trimmed = useMemo(() => (hasLine ? trim.of(card) : card), [hasLine, card, trim.by, machine.profile]);
  return {
    /** Its air, and the rung turned for it. */
    today,
    /** Speeds that nobody is told. */
    secret,
    /** What its first ball was trimmed by. */
    trim,
    /** The target that half of the player’s own balls would hit. */
    target,
    /** As the round keeps it. */
    card,
    /** As the machine throws it. */
    asThrown: trimmed,
  };
}
