import type { PlanDocument } from '@good-arc/core';
import type { Kit } from '../../api/rows.ts';
import { Button } from '../../ui/Button.tsx';

/** Who comes: off a squad or one by one, and who is absent today. */
export function Players({
  kit,
  plan,
  change,
  problem,
}: {
  kit: Kit;
  plan: PlanDocument;
  change: (part: Partial<PlanDocument>) => void;
  problem: string | undefined;
}) {
  const tick = (list: readonly string[], id: string, on: boolean): string[] => (on ? [...list, id] : list.filter((each) => each !== id));
  return (
    <fieldset>
      <legend className="text-sm font-medium text-quiet">Who comes</legend>
      {kit.squads.length > 0 && (
        <div className="flex flex-wrap gap-2 pt-1">
          {kit.squads.map((squad) => (
            <Button
              key={squad.id}
              onClick={() =>
                change({ playerIds: squad.playerIds.filter((id) => kit.players.some((each) => each.id === id)), absentIds: [] })
              }
            >
              {squad.name}
            </Button>
          ))}
        </div>
      )}
      <ul className="mt-1 max-h-80 overflow-y-auto border-y border-base-300" aria-label="Players">
        {kit.players.map(({ id, name, avoid }) => {
          const comes = plan.playerIds.includes(id);
          return (
            <li key={id} className="flex flex-wrap items-center justify-between gap-x-2">
              <label className="flex min-h-11 min-w-0 items-center gap-2.5">
                <input
                  type="checkbox"
                  className="checkbox"
                  checked={comes}
                  onChange={({ target }) =>
                    change({ playerIds: tick(plan.playerIds, id, target.checked), absentIds: plan.absentIds.filter((each) => each !== id) })
                  }
                />
                <span className="min-w-0 break-words">{name}</span>
              </label>
              {comes && (
                <label className="flex min-h-11 items-center gap-1.5 text-sm">
                  <input
                    type="checkbox"
                    className="checkbox checkbox-sm"
                    aria-label={`${name} is absent today`}
                    checked={plan.absentIds.includes(id)}
                    onChange={({ target }) => change({ absentIds: tick(plan.absentIds, id, target.checked) })}
                  />
                  absent
                </label>
              )}
              {comes && avoid && <p className="w-full pb-1 pl-9 text-sm">avoid: {avoid}</p>}
            </li>
          );
        })}
      </ul>
      {problem && (
        <p role="alert" className="mt-1 text-sm font-medium text-error">
          {problem}
        </p>
      )}
    </fieldset>
  );
}
