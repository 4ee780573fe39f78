import type { PlayerRow } from '../../api/rows.ts';

/** What a player is after, should not do, and what was noted. */
export function Wishes({ player: { goals, avoid, notes } }: { player: PlayerRow }) {
  const lines = [
    ['Goal', goals],
    ['To avoid', avoid],
    ['Notes', notes],
  ].filter(([, text]) => text !== '');
  if (lines.length === 0) return null;
  return (
    <div className="mt-3 flex flex-wrap items-baseline gap-x-8 gap-y-1">
      <dl className="flex flex-wrap items-baseline gap-x-8 gap-y-1">
        {lines.map(([name, text]) => (
          <div key={name} className="flex min-w-0 gap-2">
            <dt className="text-quiet">{name}</dt>
            <dd className="min-w-0 font-medium break-words">{text}</dd>
          </div>
        ))}
      </dl>
      <a className="no-print font-semibold underline" href="/kit?at=players">
        Change
      </a>
    </div>
  );
}
