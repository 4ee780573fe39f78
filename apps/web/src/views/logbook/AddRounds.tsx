import type { Viewer } from '../../api/rows.ts';
import { Units } from '../../ui/Units.tsx';
import type { AddProps } from './add.ts';
import { FromPaper } from './FromPaper.tsx';
import { FromSheet } from './FromSheet.tsx';

/** Rounds that were played without the app: one from paper, or a whole spreadsheet. */
export default function AddRounds({ viewer, ...props }: AddProps & { viewer: Viewer }) {
  return (
    <Units system={viewer.units}>
      <div className="px-4 pt-4 pb-12 md:px-6">
        <a href="/logbook" className="text-sm font-medium text-quiet hover:underline">
          Logbook
        </a>
        <h1 className="text-3xl">Add rounds</h1>
        <div className="mt-4 grid gap-x-12 gap-y-10 lg:grid-cols-2">
          <FromPaper {...props} />
          <FromSheet {...props} />
        </div>
      </div>
    </Units>
  );
}
