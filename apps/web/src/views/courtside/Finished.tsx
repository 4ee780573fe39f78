import type { Approach, NextStep, PlayerId, RoundCount, RoundId, RungDocument, Sport } from '@good-arc/core';
import type { NextTurn } from '../../api/rows.ts';
import { courtsideLink, roundLink, turnLink } from '../../ui/links.ts';
import { Notice } from '../../ui/Notice.tsx';
import { sayStep } from '../../words/progress.ts';
import { Note } from './Note.tsx';
import { WidthTap } from './WidthTap.tsx';

export interface FinishedRound extends RoundCount {
  roundId: RoundId;
  playerId: PlayerId;
  name: string;
  /** The one verdict, on all rounds of this player on this card. */
  step: NextStep;
  /** What is said of the round: balls hit to another goal count in it. */
  shown: { hits: number; balls: number };
  /** Match points won; null where it had none. */
  points: { hits: number; balls: number } | null;
  /** What was noted in the round. */
  notes: string;
}

/** A round that is over, of one player or of several who hit in turn: what it came to, and what is next. */
export function Finished({
  finished,
  approach,
  next,
  turn,
  rung,
}: {
  finished: readonly FinishedRound[];
  approach: Approach;
  /** The rung above, if there is one. */
  next: { id: string; name: string } | null;
  /** The rung, to be changed by one press; null for who may not, or for one that several hit. */
  rung: { document: RungDocument; sport: Sport; onSet: (document: RungDocument) => void } | null;
  /** The next turn of today’s plan. */
  turn: NextTurn | null;
}) {
  return (
    <Notice role="status" tone="good" className="mb-3 text-lg">
      {finished.map(({ roundId, playerId, name, shown, points, step, notes }) => (
        <div key={roundId} className="mb-1 last:mb-0">
          <b>
            {finished.length > 1 ? name : 'Round finished'}: {shown.hits} of {shown.balls}.
          </b>{' '}
          {points && (
            <>
              Match points won: {points.hits} of {points.balls}.{' '}
            </>
          )}
          <a className="font-semibold underline" href={roundLink(roundId)}>
            Ball by ball
          </a>
          <p className="mt-1">
            <b className="inline-block first-letter:uppercase">{step.verdict}.</b> {sayStep(step)}{' '}
            {next && (step.verdict === 'climb' || approach === 'coachs-eye') && (
              <a className="font-semibold underline" href={courtsideLink(next.id, playerId)}>
                Climb to “{next.name}”
              </a>
            )}
          </p>
          {rung && <WidthTap step={step} {...rung} />}
          <Note roundId={roundId} label={finished.length > 1 ? `Note for ${name}` : 'A note'} noted={notes} />
        </div>
      ))}
      {turn && (
        <p className="mt-2">
          <b>Next in “{turn.planName}”:</b>{' '}
          <a className="font-semibold underline" href={turnLink(turn)}>
            {turn.players.map(({ name }) => name).join(', ')} on {turn.number} · {turn.rungName}
          </a>
        </p>
      )}
    </Notice>
  );
}
