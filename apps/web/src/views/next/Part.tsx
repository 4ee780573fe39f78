import { mayHalve, type OutingPart, type OutingRung, type PlayerId, printShare, type Sport } from '@good-arc/core';
import { ArrowDown, ArrowUp, Minus, Plus, X } from 'lucide-react';
import { ArcThumb } from '../../ui/ArcThumb.tsx';
import { Button } from '../../ui/Button.tsx';
import { Select } from '../../ui/Select.tsx';
import { useUnits } from '../../ui/Units.tsx';
import { ROLE_NAMES, sayReason } from '../../words/next.ts';

const MOST_ROUNDS = 20;
/** The drawing of its rung, px. */
export const PART_THUMB = [172, 60] as const;

/** One rung of what comes next: what it is for and why, how likely each is to hit it, how many rounds. */
export function Part({
  part,
  rung,
  sport,
  ladderName,
  nameOf,
  others,
  isFirst,
  isLast,
  onSwap,
  onSet,
  onMove,
  onRemove,
}: {
  part: OutingPart;
  rung: OutingRung;
  sport: Sport;
  ladderName: string;
  nameOf: (id: PlayerId) => string;
  /** Rungs that may stand in its place. */
  others: readonly (readonly [id: string, name: string])[];
  isFirst: boolean;
  isLast: boolean;
  onSwap: (rungId: string) => void;
  onSet: (part: Partial<OutingPart>) => void;
  onMove: (by: 1 | -1) => void;
  onRemove: () => void;
}) {
  const units = useUnits();
  const { document, players } = rung;
  return (
    <li className="grid gap-x-6 gap-y-2 border-b border-base-300 py-4 md:grid-cols-[6rem_11rem_minmax(0,1fr)_auto]">
      <p className="text-lg font-bold">{ROLE_NAMES[part.role]}</p>
      <ArcThumb document={document} sport={sport} width={PART_THUMB[0]} height={PART_THUMB[1]} />
      <div className="min-w-0">
        <h2 className="text-xl break-words">{document.name}</h2>
        <p className="text-quiet break-words">{ladderName}</p>
        <p className="mt-1">{sayReason(part.reason, players.length > 1)}</p>
        <ul className="mt-1 flex flex-wrap gap-x-6 gap-y-1">
          {players.map(({ playerId, share, interval90: [lo, hi], balls, halfWidthM }) => (
            <li key={playerId} className="flex items-center gap-2">
              <Chance share={share} lo={lo} hi={hi} />
              <span>
                {players.length > 1 && <b>{nameOf(playerId)} </b>}
                {printShare(share)}{' '}
                <span className="text-quiet">
                  ({Math.round(100 * lo)} to {Math.round(100 * hi)}
                  {balls === 0 && ', by the level'})
                </span>
                {part.role === 'main' && halfWidthM !== null && <>: half with a target {units.length(halfWidthM)} wide</>}
              </span>
            </li>
          ))}
        </ul>
        {part.role === 'main' && mayHalve(rung) && (
          <label className="no-print mt-1 flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="checkbox"
              checked={part.half ?? false}
              onChange={({ target }) => onSet({ half: target.checked })}
            />
            {players.length > 1 ? 'Each at their own target for half' : 'At the target for half'}, measured again before each round
          </label>
        )}
        {others.length > 0 && (
          <Select
            className="no-print mt-2 max-w-md"
            labelHidden
            label={`Another rung in place of ${document.name}`}
            value=""
            onChange={onSwap}
            options={[['', 'another in its place …'], ...others]}
          />
        )}
      </div>
      <div className="no-print flex flex-wrap items-center gap-1 md:justify-end" role="group" aria-label={`Rounds of ${document.name}`}>
        <Button square aria-label="One round less" disabled={part.rounds === 1} onClick={() => onSet({ rounds: part.rounds - 1 })}>
          <Minus size={18} aria-hidden />
        </Button>
        <span className="dial min-w-20 text-center text-lg">
          {part.rounds} × {document.ballsPerRound}
        </span>
        <Button
          square
          aria-label="One round more"
          disabled={part.rounds === MOST_ROUNDS}
          onClick={() => onSet({ rounds: part.rounds + 1 })}
        >
          <Plus size={18} aria-hidden />
        </Button>
        <Button square look="ghost" aria-label="Earlier" disabled={isFirst} onClick={() => onMove(-1)}>
          <ArrowUp size={18} aria-hidden />
        </Button>
        <Button square look="ghost" aria-label="Later" disabled={isLast} onClick={() => onMove(1)}>
          <ArrowDown size={18} aria-hidden />
        </Button>
        <Button square look="ghost" aria-label={`Take out ${document.name}`} onClick={onRemove}>
          <X size={18} aria-hidden />
        </Button>
      </div>
    </li>
  );
}

/** How likely a ball is hit, with where one learns best behind it. */
function Chance({ share, lo, hi }: { share: number; lo: number; hi: number }) {
  return (
    <svg width="90" height="16" viewBox="0 0 90 16" aria-hidden="true" className="shrink-0">
      <rect x={36} width={18} y="0" height="16" fill="var(--color-base-300)" />
      <line x1="0" x2="90" y1="8" y2="8" stroke="currentColor" strokeOpacity="0.4" />
      <rect x={lo * 90} width={Math.max(1, (hi - lo) * 90)} y="4" height="8" fill="var(--color-arrive)" opacity="0.4" />
      <line x1={share * 90} x2={share * 90} y1="0" y2="16" stroke="var(--color-arrive)" strokeWidth="3" />
    </svg>
  );
}
