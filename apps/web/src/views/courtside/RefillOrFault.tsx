import type { CourtsideCommand } from '../../api/schemas.ts';
import { Button } from '../../ui/Button.tsx';

const FAULTS = ['jam', 'misfeed', 'silence', 'drop-link'] as const;

/** Seldom wanted: the hopper is full again, or a fault on the simulation. */
export function RefillOrFault({ give }: { give: (command: CourtsideCommand) => void }) {
  return (
    <details className="text-sm">
      <summary className="min-h-8 cursor-pointer text-quiet">Refill, or try a fault on the simulation</summary>
      <div className="flex flex-wrap gap-2 pt-1">
        <Button look="plain" onClick={() => give({ do: 'refill' })}>
          Hopper filled
        </Button>
        {FAULTS.map((fault) => (
          <Button key={fault} look="plain" onClick={() => give({ do: 'simulate', fault })}>
            {fault}
          </Button>
        ))}
      </div>
    </details>
  );
}
