import { v7 as uuidv7 } from 'uuid';
import { api } from '../../ui/api.ts';

/** Copies a ladder on the server. @returns the copy's id */
export async function duplicateLadder({ id, rungs }: { id: string; rungs: readonly { id: string }[] }): Promise<string> {
  const newId = uuidv7();
  await api('POST', `ladders/${id}/duplicate`, { newId, rungIds: rungs.map((rung) => ({ from: rung.id, to: uuidv7() })) });
  return newId;
}
