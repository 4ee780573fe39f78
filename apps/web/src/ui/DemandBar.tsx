import { type Comfort, DEMAND_PARTS, type Demand, type DemandPart } from '@good-arc/core';
import { ComfortMark, comfortColour } from './ComfortMark.tsx';

/** Demand of a rung from 0 to 100, in the colour and with the shape and word of its comfort. */
export function DemandBar({ demand, comfort }: { demand: Demand; comfort: Comfort }) {
  return (
    <div>
      <div className="h-3 w-full bg-base-300" aria-hidden="true">
        <div className="h-full" style={{ width: `${Math.round(demand.total)}%`, background: comfortColour(comfort) }} />
      </div>
      <p className="mt-0.5 flex flex-wrap items-center gap-x-2 text-sm">
        demand {Math.round(demand.total)} <ComfortMark comfort={comfort} />
      </p>
    </div>
  );
}

const PART_NAMES: Record<DemandPart, string> = {
  time: 'Time pressure',
  ground: 'Ground covered',
  pace: 'Pace and spin',
  doubt: 'Doubt',
  target: 'Target',
  load: 'Load',
};

/** The parts of a demand, each against the most it can give. */
export function DemandParts({ demand }: { demand: Demand }) {
  return (
    <dl className="grid grid-cols-[auto_1fr_auto] items-center gap-x-3 gap-y-1 text-sm" aria-label="Parts of the demand">
      {Object.entries(DEMAND_PARTS).map(([part, most]) => {
        const given = demand.parts[part as DemandPart];
        return (
          <div key={part} className="contents">
            <dt>{PART_NAMES[part as DemandPart]}</dt>
            <dd className="h-2 bg-base-300" aria-hidden="true">
              <div className="h-full bg-base-content" style={{ width: `${(given / most) * 100}%` }} />
            </dd>
            <dd className="dial text-right">
              {Math.round(given)} of {most}
            </dd>
          </div>
        );
      })}
    </dl>
  );
}
