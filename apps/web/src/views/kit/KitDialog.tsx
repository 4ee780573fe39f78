import type { BallRow, CourtRow, GameBallRow, MachineRow, PlayerRow, SquadRow } from '../../api/rows.ts';
import type { KitKind } from '../../api/schemas.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { BallForm } from './BallForm.tsx';
import { CourtForm } from './CourtForm.tsx';
import type { KitRow, Save } from './forms.tsx';
import { GameBallForm } from './GameBallForm.tsx';
import { MachineForm } from './MachineForm.tsx';
import { PlayerForm } from './PlayerForm.tsx';
import { SquadForm } from './SquadForm.tsx';

interface KitFormProps {
  kind: KitKind;
  row: KitRow | null;
  save: Save;
  players: readonly PlayerRow[];
}

function KitForm({ kind, row, save, players }: KitFormProps) {
  switch (kind) {
    case 'players':
      return <PlayerForm row={row as PlayerRow | null} save={save} />;
    case 'squads':
      return <SquadForm row={row as SquadRow | null} save={save} players={players} />;
    case 'courts':
      return <CourtForm row={row as CourtRow | null} save={save} />;
    case 'balls':
      return <BallForm row={row as BallRow | null} save={save} />;
    case 'gameBalls':
      return <GameBallForm row={row as GameBallRow | null} save={save} />;
    case 'machines':
      return <MachineForm row={row as MachineRow | null} save={save} />;
  }
}

/** One thing of the kit, to be added or changed. */
export default function KitDialog({ title, onClose, ...form }: KitFormProps & { title: string; onClose: () => void }) {
  return (
    <Dialog title={title} onClose={onClose}>
      <KitForm {...form} />
    </Dialog>
  );
}
