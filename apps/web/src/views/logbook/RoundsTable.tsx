import {
  createSortedRowModel,
  rowSortingFeature,
  type SortingState,
  sortFn_alphanumeric,
  sortFn_basic,
  sortFn_text,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import { useState } from 'react';
import type { ListedRound } from '../../api/rows.ts';
import { RoundLines } from './RoundLines.tsx';

/** A round as it stands in the table; −1 for the rate of one of which no ball counted. */
export interface RoundLine extends ListedRound {
  rate: number;
}

const features = tableFeatures({
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns: { alphanumeric: sortFn_alphanumeric, basic: sortFn_basic, text: sortFn_text },
});
const columns = [
  { accessorKey: 'startedAt' as const, header: 'When' },
  { accessorKey: 'playerName' as const, header: 'Player' },
  { accessorKey: 'rungName' as const, header: 'Rung' },
  { accessorKey: 'rate' as const, header: 'In' },
];

/** Rounds to be sorted; one of them may be open. */
export function RoundsTable({
  lines,
  open,
  onShow,
  onRemove,
}: {
  lines: RoundLine[];
  open: string | null;
  onShow: (id: string) => void;
  onRemove: (round: RoundLine) => Promise<void>;
}) {
  const [sorting, setSorting] = useState<SortingState>([{ id: 'startedAt', desc: true }]);
  const table = useTable({ features, columns, data: lines, state: { sorting }, onSortingChange: setSorting });

  return (
    <table className="mt-4 w-full border-t border-base-content">
      <thead className="hidden md:table-header-group">
        {table.getHeaderGroups().map((group) => (
          <tr key={group.id}>
            {group.headers.map((header) => {
              const sorted = header.column.getIsSorted();
              return (
                <th
                  key={header.id}
                  className="border-b border-base-content py-1 text-left"
                  aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : 'none'}
                >
                  <button
                    type="button"
                    className="flex min-h-11 items-center gap-1 pr-4 font-semibold"
                    onClick={header.column.getToggleSortingHandler()}
                  >
                    <table.FlexRender header={header} />
                    <span aria-hidden="true">{sorted === 'asc' ? '↑' : sorted === 'desc' ? '↓' : ''}</span>
                  </button>
                </th>
              );
            })}
          </tr>
        ))}
      </thead>
      <tbody>
        {table.getRowModel().rows.map((row) => {
          const round = row.original;
          return (
            <RoundLines
              key={round.id}
              round={round}
              isOpen={open === round.id}
              onShow={() => onShow(round.id)}
              onRemove={() => onRemove(round)}
            />
          );
        })}
      </tbody>
    </table>
  );
}
