import type { Approach, Outcome, RungDocument, Sport } from '@good-arc/core';
import { outcomeNames } from '../../words/outcomes.ts';

interface Pad {
  outcome: Outcome;
  name: string;
  key: string;
  shows: string;
  look: string;
}

const PADS: readonly Omit<Pad, 'name'>[] = [
  { outcome: 'in', key: 'j', shows: 'J', look: 'bg-secondary text-secondary-content' },
  { outcome: 'near', key: 'k', shows: 'K', look: 'bg-base-100' },
  { outcome: 'out', key: 'l', shows: 'L', look: 'bg-base-content text-base-100' },
  { outcome: 'let-go', key: 'Space', shows: 'space', look: 'bg-base-300' },
];

/** Under the coach’s eye the form is marked, not where the ball went. */
const FORM: Partial<Record<Outcome, string>> = { in: 'Form held', near: 'Unsure', out: 'Form lost' };

/** The pads of a rung, in the words of its sport. */
export function padsFor(approach: Approach, sport: Sport, document: Pick<RungDocument, 'feeds'>): readonly Pad[] {
  const names = { ...outcomeNames(sport, document), ...(approach === 'coachs-eye' && FORM) };
  return PADS.map((pad) => ({ ...pad, name: names[pad.outcome] }));
}

/** What became of the ball, in pads large enough to hit without looking. */
export function Pads({
  pads,
  label,
  off,
  onJudge,
}: {
  pads: readonly Pad[];
  label: string;
  off: boolean;
  onJudge: (outcome: Outcome) => void;
}) {
  return (
    <div
      className="mt-2 grid grow grid-cols-2 gap-2.5 md:mt-3 md:grid-cols-4 land:mt-1.5! land:max-h-28! lg:max-h-[19rem]"
      role="group"
      aria-label={label}
    >
      {pads.map(({ outcome, name, shows, look }) => (
        <button
          key={outcome}
          type="button"
          disabled={off}
          onClick={() => onJudge(outcome)}
          className={`flex min-h-[5.5rem] flex-col items-center justify-center border-2 border-base-content font-title text-3xl font-bold disabled:opacity-45 md:min-h-36 land:min-h-24! ${look}`}
        >
          {name}
          <span className="hidden font-sans text-base font-medium md:block land:hidden!">{shows}</span>
        </button>
      ))}
    </div>
  );
}
