import type { PlayerRow } from '../../api/rows.ts';
import { putRow } from '../../ui/putRow.ts';
import { attempt, saidWithUndo } from '../../ui/undo.ts';

/** Keeps a part of a player and offers to undo it. @returns whether it was kept */
export async function keepPlayer(
  player: PlayerRow,
  part: Partial<Pick<PlayerRow, 'aims' | 'season'>>,
  said: string,
  onPlayer: ((player: PlayerRow) => void) | undefined,
): Promise<boolean> {
  let row = player;
  const put = async (next: Partial<PlayerRow>): Promise<void> => {
    row = await putRow('kit/players', { ...row, ...next });
    onPlayer?.(row);
  };
  if (!(await attempt(() => put(part)))) return false;
  const { aims, season } = player;
  saidWithUndo(said, () => put({ ...('aims' in part && { aims }), ...('season' in part && { season }) }));
  return true;
}
